export { mixingOf } from './mix-stages.ts';
export { bowlReadingOf, type BowlReading } from './water-of-stages.ts';
export { heatCapacityOfBowl, type PickedLiquid } from './bowl-parts.ts';
export {
	waterOfMix,
	schoolsOfMix,
	NO_RULES,
	frictionOfMix,
	missOf,
	doughByWater,
	heatBalanceOf,
	type WaterOfMixInput,
	type WaterOfMix,
	type LiquidOfMix
} from './water-of-mix.ts';
export {
	probeState,
	readingOfMoment,
	type ProbeReading,
	type ProbeState
} from './reading-of-moment.ts';
export {
	READING_QUANTITIES,
	bowlWaterInput,
	type ReadingQuantity,
	type MomentTemperature,
	type WaterSupply
} from './bowl-of-day.ts';
export {
	mixOfDay,
	type MixRecipe,
	type Mixer,
	type MixOfDay,
	type MixedOtherwise
} from './mix-of-day.ts';
export { bookOf, frictionHistory, isByHand } from './by-hand.ts';
export { BY_HAND, stirredTarget } from './stirred-by-hand.ts';
export { scaldOfBowl, type ScaldOfBowl } from './scald-of-bowl.ts';
export { temperatureOfMoment, type Spoken } from './temperature-of-moment.ts';
export { usualOf } from './usual-ingredient.ts';
