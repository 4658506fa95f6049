export { DOUGH_INSTRUMENTS, THERMOMETER_KELVINS, type DoughInstrument } from './instrument.ts';
export {
	WATER_HEAT_CAPACITY,
	FLOUR_HEAT_CAPACITY,
	SALT_HEAT_CAPACITY,
	SUGAR_HEAT_CAPACITY,
	OIL_HEAT_CAPACITY,
	MILK_HEAT_CAPACITY,
	ICE_HEAT_CAPACITY,
	ICE_LATENT_HEAT
} from './constants.ts';
export { heatCapacityOfMixture, riseFromFriction, workFromFrictionFactor } from './dough-heat.ts';
export {
	waterByFactorRule,
	observedFrictionFactor,
	type LearnedRise,
	type SourcedTemperature,
	type FactorRuleInput
} from './factor-rule.ts';
export { iceFor, temperatureWithIce } from './ice.ts';
export { blendOfTaps } from './blend.ts';
export { orderWater, orderLiquid, type WaterSupply, type WaterOrder } from './water-order.ts';
export {
	baseTemperature,
	waterByBaseTemperature,
	baseFromFahrenheit,
	baseInFahrenheit,
	type BaseTemperatureInput
} from './base-temperature.ts';
export {
	WATER,
	waterByHeatBalance,
	frictionRevealed,
	waterDegreesPerDough,
	type HeatPart,
	type Liquid,
	type HeatBalanceInput
} from './heat-balance.ts';
export { waysOut, type WayOut, type MixerHeat } from './ways-out.ts';
export { WATER_SCHOOLS, type WaterSchool } from './water-school.ts';
export { ICE_FORMS, usualIceCap, iceCap, type IceForm } from './ice-form.ts';
export {
	FAST_OVER_SLOW,
	mixerWork,
	frictionOf,
	factorRevealed,
	type MixProgram,
	type FrictionBook,
	type MixDone
} from './friction-work.ts';
export { expectedDough, doughSpread } from './expected-dough.ts';
export {
	waterOfStages,
	doughOfStages,
	frictionOfStages,
	temperaturesOfStages,
	type RestInBowl,
	type MixStage,
	type StagedMixInput
} from './staged-mix.ts';
export { pullsOf, type Pull } from './pulls.ts';
export { BOILING, scaldEnds, scaldPoured, type ScaldInput } from './scald.ts';
