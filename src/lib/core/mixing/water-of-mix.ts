import { given, worked, type Explained, type Source } from '../explain/index.ts';
import {
	baseTemperature,
	doughSpread,
	expectedDough,
	frictionRevealed,
	orderLiquid,
	orderWater,
	WATER,
	waterByBaseTemperature,
	waterByFactorRule,
	waterByHeatBalance,
	waterDegreesPerDough,
	waysOut,
	type HeatBalanceInput,
	type MixerHeat,
	type SourcedTemperature,
	type WaterOrder,
	type WaterSchool,
	type WaterSupply,
	type WayOut
} from '../heat/index.ts';
import type { WeighUpLine } from '../production/index.ts';
import type { Mass, SpecificEnergy, Temperature, TemperatureDifference } from '../units/index.ts';
import { bowlParts, heatCapacityOfBowl, type Bowl, type BowlTemperatures } from './bowl-parts.ts';
import { stageThrough, type StageOfWater, type StagingInput } from './water-of-stages.ts';

export interface WaterOfMixInput extends Bowl, BowlTemperatures, StagingInput {
	readonly school: WaterSchool;
	readonly friction: {
		readonly work: SpecificEnergy;
		readonly spread: SpecificEnergy;
		readonly source: Source;
		readonly mixer: MixerHeat;
	};
	/** Heat that warms the bowl by a degree; 0 where it is not counted. It stands in the room. */
	readonly bowlKilojoulesPerKelvin: number;
	readonly supply: WaterSupply;
	/** The moment it is asked, on the clock of the readings: they are worth less as they age. */
	readonly nowMs: number;
}

export interface WaterOfMix {
	/** By the school of the bakery; by the balance of heat once a stage of the mix was measured. */
	readonly wanted: Explained;
	readonly schools: Readonly<Record<WaterSchool, Explained>>;
	readonly base: Explained;
	/** The water (or other liquid) still to come. */
	readonly water: Explained;
	readonly liquid: string;
	readonly order: WaterOrder;
	/** By how many degrees of water the dough changes by one, by the balance of heat. */
	readonly waterDegreesPerDough: number;
	/** The pre-ferments' share of the dough, which the factor rule weighs as one part of four. */
	readonly prefermentShare: number;
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
 * the mix still has to get, held-back water included. Several builds count as one at their mean by mass in the
 * factor rule. A mix that rests on the way is stepped through; once its autolyse was measured, only the water
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
	const rule = {
		target: input.target,
		flour: input.flour,
		room: input.room,
		preferment: meanPreferment(input),
		friction: { ...input.friction, heatCapacity: heatCapacityOfBowl(input.stage) }
	};
	const staged = stageThrough(input, found, balance);
	const resting = staged?.rests ? staged : null;
	const schools = {
		'factor-rule': waterByFactorRule(rule),
		'base-temperature': waterByBaseTemperature(rule),
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
		base: baseTemperature(rule),
		water,
		liquid: found.liquid.name,
		order,
		waterDegreesPerDough: perDough,
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
 * null for a bowl without any liquid.
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

function prefermentShare({ stage }: Bowl): number {
	const builds = stage.stages.filter((stage) => stage.kind === 'build');
	return builds.reduce((total, build) => total + build.percentOfFlour, 0) / stage.percentOfFlour;
}

function meanPreferment({
	preferments,
	stage
}: WaterOfMixInput): (SourcedTemperature & { readonly name: string }) | null {
	// The rule counts what ferments; a soaker or scald is in the balance of heat alone.
	const counted = preferments.filter(
		({ name }) => (stage.stages.find((inner) => inner.name === name)?.kind ?? 'build') === 'build'
	);
	const [only, ...others] = counted;
	if (!only) return null;
	if (others.length === 0) return only;
	let mass = 0;
	let sum = 0;
	for (const preferment of counted) {
		const inner = stage.stages.find((each) => each.name === preferment.name);
		mass += inner?.percentOfFlour ?? 0;
		sum += (inner?.percentOfFlour ?? 0) * preferment.temperature.celsius;
	}
	const names = counted.map((preferment) => preferment.name).join(', ');
	return { ...only, name: names, temperature: { celsius: sum / mass } };
}
