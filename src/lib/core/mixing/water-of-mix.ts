import { given, worked, type Explained, type Source } from '../explain/index.ts';
import {
	baseTemperature,
	doughSpread,
	expectedDough,
	observedFrictionFactor,
	frictionRevealed,
	orderLiquid,
	orderWater,
	pullsOf,
	WATER,
	waterByBaseTemperature,
	waterByFactorRule,
	waterByHeatBalance,
	waterDegreesPerDough,
	waysOut,
	type BaseTemperatureInput,
	type FactorRuleInput,
	type HeatBalanceInput,
	type LearnedRise,
	type Pull,
	type MixerHeat,
	type SourcedTemperature,
	type WaterOrder,
	type WaterSchool,
	type WaterSupply,
	type WayOut
} from '../heat/index.ts';
import { asOneDough, culturesOf, isSoaked, type PreparationKind } from '../formula/index.ts';
import type { SchoolsOfMix } from '../learning/index.ts';
import type { WeighUpLine } from '../production/index.ts';
import type { Mass, SpecificEnergy, Temperature, TemperatureDifference } from '../units/index.ts';
import {
	bowlParts,
	heatCapacityOfBowl,
	pouredOf,
	standingAt,
	type Bowl,
	type BowlTemperatures,
	type PickedLiquid
} from './bowl-parts.ts';
import { stageThrough, type StageOfWater, type StagingInput } from './water-of-stages.ts';

/** What the factor rule and the base know of a dough by its own past, and by what its baker said. */
export interface RulesOfDough {
	readonly factorRise: LearnedRise | null;
	readonly baseRise: LearnedRise | null;
	/** The base the baker typed. */
	readonly typedBase: Temperature | null;
	/** The soaker counts as a part of its own. */
	readonly countsSoakers: boolean;
}

/** Nothing of the kind. */
export const NO_RULES: RulesOfDough = {
	factorRise: null,
	baseRise: null,
	typedBase: null,
	countsSoakers: false
};

export interface WaterOfMixInput extends Bowl, BowlTemperatures, StagingInput {
	readonly school: WaterSchool;
	readonly friction: {
		readonly work: SpecificEnergy;
		readonly spread: SpecificEnergy;
		readonly source: Source;
		readonly mixer: MixerHeat;
	};
	/** What the two rules know of this dough beside its friction. */
	readonly rules: RulesOfDough;
	/** Heat that warms the bowl by a degree; 0 where it is not counted. It stands in the room. */
	readonly bowlKilojoulesPerKelvin: number;
	readonly supply: WaterSupply;
	/** The moment it is asked, on the clock of the readings: they are worth less as they age. */
	readonly nowMs: number;
}

/** A liquid of a mix. */
export interface LiquidOfMix extends PickedLiquid {
	readonly name: string;
	readonly grams: number;
	readonly isFound: boolean;
}

export interface WaterOfMix {
	/** By the school of the bakery; by the balance of heat once a stage of the mix was measured. */
	readonly wanted: Explained;
	readonly schools: Readonly<Record<WaterSchool, Explained>>;
	readonly base: Explained;
	/** The water (or other liquid) still to come. */
	readonly water: Explained;
	readonly liquid: string;
	/** All that is poured at the mixer, and whether its temperature is what was found. */
	readonly poured: readonly LiquidOfMix[];
	readonly order: WaterOrder;
	/** By how many degrees of water the dough changes by one, by the balance of heat. */
	readonly waterDegreesPerDough: number;
	/** The pre-ferments' share of the dough, which the factor rule weighs as one part of four. */
	readonly prefermentShare: number;
	/** What pulls the dough off its target before its liquid sets it right, in degrees of dough; none once a stage was measured. */
	readonly pulls: readonly Pull[];
	/** The dough that the ordered water makes, by the balance of heat whatever the school. */
	readonly expected: Explained;
	readonly expectedSpread: TemperatureDifference;
	/** The stages of a mix that rests or holds water back, with how warm the bowl is after each. */
	readonly stages: readonly StageOfWater[];
	/** What would reach a target that the water cannot; empty when it can. */
	readonly waysOut: readonly WayOut[];
}

/**
 * Gives the water of one mix or build: its temperature by each of the three schools, its mass, how to fill it
 * and what the dough will come to.
 *
 * Model: the schools share the friction work over the heat capacity of this dough; the water is all that
 * the mix still has to get, held-back water included. Several builds, and a culture that goes straight into the
 * dough, count as one at their mean by mass in the factor rule. A mix that rests on the way is stepped through; once its autolyse was measured, only the water
 * after it is found, and by the balance of heat, for the rules know no such moment.
 * Range: a bowl that takes water or another liquid; null for one that takes none.
 * Source: domain arithmetic (factor rule, base temperature), choi-okos-1986. Failures: none.
 * Example: the levain dough of the worked figures asks for 20.0 degrees by the factor rule.
 */
export function waterOfMix(input: WaterOfMixInput): WaterOfMix | null {
	const found = bowlParts(input, input);
	if (!found) return null;
	const balance = heatBalanceOf(input);
	if (!balance) return null;
	const { factor, base } = rulesOf(input);
	const staged = stageThrough(input, found, balance);
	const resting = staged?.rests ? staged : null;
	const schools = {
		'factor-rule': waterByFactorRule(factor),
		'base-temperature': waterByBaseTemperature(base),
		'heat-balance': resting?.wanted ?? waterByHeatBalance(balance)
	};
	const wanted = input.autolysed && resting ? resting.wanted : schools[input.school];
	const lines = resting?.linesToCome ?? found.liquidLines;
	const water = worked(
		{ key: 'water-mass' },
		'g',
		'sum',
		lines.map((line) =>
			given({ key: 'line', of: line.name }, line.weighing.weighed.grams, 'g', { kind: 'formula' })
		)
	);
	// What a miss does to the dough is a matter of heat, whatever the school.
	const perDough = resting?.waterDegreesPerDough ?? waterDegreesPerDough(balance);
	const order =
		found.liquid === WATER
			? orderWater(wanted, water, perDough, input.supply)
			: orderLiquid(
					found.liquid.name,
					wanted,
					byName(lines),
					perDough,
					input.supply.hottestForYeast
				);
	const poured: SourcedTemperature = { temperature: order.temperature, source: { kind: 'bakery' } };
	const missed = missOf(order);
	return {
		wanted,
		schools,
		base: baseTemperature(base),
		water,
		liquid: found.liquid.name,
		poured: pouredOf(input).map(({ line, ingredient, grams }) => ({
			ingredientId: ingredient.id,
			addition: line.addition,
			name: ingredient.name,
			grams,
			isFound: found.liquidLines.includes(line)
		})),
		order,
		waterDegreesPerDough: perDough,
		pulls: input.autolysed && resting ? [] : pullsOf(balance),
		prefermentShare: prefermentShare(input),
		expected: resting?.expected(order.temperature) ?? expectedDough(balance, poured),
		expectedSpread: doughSpread(
			balance,
			poured,
			input.friction.spread.kilojoulesPerKilogram,
			input.nowMs
		),
		stages: staged?.stages(order.temperature) ?? [],
		waysOut: missed
			? waysOut(
					balance,
					{
						kelvins: order.temperature.celsius - wanted.value,
						grams: water.value,
						perDough,
						inBowl: resting?.inBowl ?? []
					},
					input.friction.mixer
				)
			: []
	};
}

/**
 * Gives the friction work that a measured dough reveals, in kJ per kg of dough: by the balance of heat, stepped
 * through where the mix rested on the way, so that the room's warmth is not taken for the mixer's.
 * Range and source: as `waterOfMix`; `water` is as it went in after any stage that was measured. Failures:
 * null for a bowl without any liquid, and for one that was measured when most of the work was done.
 * Example: the dough that was expected reveals the friction it was expected with.
 */
export function frictionOfMix(
	input: Omit<WaterOfMixInput, 'school' | 'supply'>,
	dough: Temperature,
	water: Temperature
): SpecificEnergy | null {
	const found = bowlParts(input, input);
	const balance = heatBalanceOf(input);
	if (!found || !balance) return null;
	const staged = stageThrough(input, found, balance);
	if (staged?.rests) return staged.reveals(dough, water);
	const measured = { temperature: dough, source: { kind: 'bakery' as const } };
	return { kilojoulesPerKilogram: frictionRevealed(balance, measured, water).value };
}

/**
 * Gives the dough that a water will give: the question asked backwards.
 *
 * Model: the balance of heat is a straight line in the water still to come, through the dough that the ordered water is
 * expected to make. Range: any temperature of that water. Source: as `waterOfMix`. Failures: none.
 * Example: the ordered water gives the expected dough; two degrees of water more, at two degrees of water for one of
 * dough, give one degree more.
 */
export function doughByWater(
	{ expected, order, waterDegreesPerDough }: WaterOfMix,
	water: Temperature
): Temperature {
	return {
		celsius: expected.value + (water.celsius - order.temperature.celsius) / waterDegreesPerDough
	};
}

/** What goes in at several times is one thing to pour from. */
function byName(lines: readonly WeighUpLine[]): readonly { name: string; mass: Mass }[] {
	const grams = new Map<string, number>();
	for (const { name, weighing } of lines)
		grams.set(name, (grams.get(name) ?? 0) + weighing.weighed.grams);
	return [...grams].map(([name, each]) => ({ name, mass: { grams: each } }));
}

/** How far the dough misses because the water cannot be had; null when it can. Warmer is positive. */
export function missOf(order: WaterOrder): TemperatureDifference | null {
	switch (order.kind) {
		case 'too-cold-for-ice':
			return order.doughWarmerBy;
		case 'too-warm':
			return { kelvins: -order.doughColderBy.kelvins };
		case 'liquid':
			return Math.abs(order.doughOffBy.kelvins) > SAME_DOUGH_KELVINS ? order.doughOffBy : null;
		default:
			return null;
	}
}

/** A dough is not told apart from its target by less than this (our default). */
const SAME_DOUGH_KELVINS = 0.1;

/** All that goes into the bowl, as the balance of heat wants it; null for a bowl without any liquid. */
export function heatBalanceOf(
	input: Omit<WaterOfMixInput, 'school' | 'supply'>
): HeatBalanceInput | null {
	const found = bowlParts(input, input);
	if (!found) return null;
	return {
		target: input.target,
		parts: found.parts.map(({ name, mass, heatCapacity, temperature }) => ({
			name,
			mass,
			heatCapacity,
			temperature
		})),
		bowl:
			input.bowlKilojoulesPerKelvin > 0
				? { kilojoulesPerKelvin: input.bowlKilojoulesPerKelvin, temperature: input.room }
				: null,
		water: {
			grams: found.liquidLines.reduce((total, line) => total + line.weighing.weighed.grams, 0)
		},
		liquid: found.liquid,
		friction: { work: input.friction.work, source: input.friction.source }
	};
}

function prefermentShare({ stage: dough }: Bowl): number {
	const stage = asOneDough(dough);
	const leaven = [...stage.stages.filter(({ kind }) => kind === 'build'), ...culturesOf(stage)];
	return leaven.reduce((total, each) => total + each.percentOfFlour, 0) / stage.percentOfFlour;
}

/** What the two rules count of a mix. */
function rulesOf(input: Omit<WaterOfMixInput, 'school' | 'supply'>): {
	readonly factor: FactorRuleInput;
	readonly base: BaseTemperatureInput;
} {
	const { target, flour, room, rules } = input;
	const friction = { ...input.friction, heatCapacity: heatCapacityOfBowl(input.stage) };
	const kinds = rules.countsSoakers ? [isPreferment, isSoaker] : [isPreferment];
	const counted = kinds.flatMap((isOne) => meanOf(input, isOne) ?? []);
	return {
		factor: { target, flour, room, counted, friction, rise: rules.factorRise },
		base: { target, flour, room, friction, rise: rules.baseRise, typed: rules.typedBase }
	};
}

const isPreferment = (kind: PreparationKind) => kind === 'build';
const isSoaker = (kind: PreparationKind) => isSoaked(kind);

/** All of a kind that goes in, as one part at their mean by mass; null where there is none. */
function meanOf(
	at: BowlTemperatures & Pick<Bowl, 'stage'>,
	isOne: (kind: PreparationKind) => boolean
): (SourcedTemperature & { readonly name: string }) | null {
	const { stage } = at;
	const builds = at.preferments.flatMap((preferment) => {
		const inner = stage.stages.find(({ name }) => name === preferment.name);
		const kind = inner?.kind ?? 'build';
		return kind !== 'final' && isOne(kind)
			? [{ ...preferment, share: inner?.percentOfFlour ?? 0 }]
			: [];
	});
	const cultures = isOne('build')
		? culturesOf(stage).map(({ ingredient, percentOfFlour }) => ({
				...standingAt(ingredient, at),
				name: ingredient.name,
				share: percentOfFlour
			}))
		: [];
	const counted = [...builds, ...cultures];
	const [only, ...others] = counted;
	if (!only) return null;
	const { share: _, ...first } = only;
	if (others.length === 0) return first;
	const mass = counted.reduce((total, { share }) => total + share, 0);
	const sum = counted.reduce(
		(total, { share, temperature }) => total + share * temperature.celsius,
		0
	);
	const names = counted.map(({ name }) => name).join(', ');
	return { ...first, name: names, temperature: { celsius: sum / mass } };
}

/**
 * Gives what each school reads from a mix that was measured, and what it asked for before: so that they can be held
 * against what came out.
 *
 * Model: a rule's rise is the dough less the mean of all the rule counts, the water included. Range: as `waterOfMix`,
 * with what was known before the mix. Source: domain arithmetic (factor rule, base temperature). Failures: null for a
 * bowl without any liquid.
 * Example: a dough of 26.2 with water at 20, flour at 19, room at 23 and levain at 24 rose by 4.7, a factor of 18.8.
 */
export function schoolsOfMix(
	input: WaterOfMixInput,
	dough: Temperature,
	water: Temperature
): SchoolsOfMix | null {
	const found = waterOfMix(input);
	if (!found) return null;
	const { factor } = rulesOf(input);
	const rise = (others: readonly SourcedTemperature[]) => {
		const revealed = observedFrictionFactor(
			dough,
			water,
			others.map(({ temperature }) => temperature)
		);
		return revealed.kelvins / (others.length + 1);
	};
	const { flour, room } = input;
	return {
		risesKelvins: {
			'factor-rule': rise([flour, room, ...factor.counted]),
			'base-temperature': rise([flour, room])
		},
		askedCelsius: {
			'factor-rule': found.schools['factor-rule'].value,
			'base-temperature': found.schools['base-temperature'].value,
			'heat-balance': found.schools['heat-balance'].value
		},
		waterDegreesPerDough: found.waterDegreesPerDough,
		roomCelsius: room.temperature.celsius
	};
}
