import { given, worked, type Explained, type Source } from '../explain/index.ts';
import type { Ingredient, ResolvedStage } from '../formula/index.ts';
import {
	baseTemperature,
	heatCapacityOfMixture,
	orderWater,
	waterByBaseTemperature,
	waterByFactorRule,
	waterByHeatBalance,
	waterDegreesPerDough,
	waysOut,
	type HeatBalanceInput,
	type HeatPart,
	type SourcedTemperature,
	type WaterOrder,
	type WaterSchool,
	type WaterSupply,
	type WayOut
} from '../heat/index.ts';
import type { Mix } from '../production/index.ts';
import { sumLines } from '../formula/index.ts';
import type { SpecificEnergy, SpecificHeat, Temperature } from '../units/index.ts';

export interface WaterOfMixInput {
	readonly mix: Mix;
	readonly final: ResolvedStage;
	readonly school: WaterSchool;
	readonly target: Temperature;
	readonly flour: SourcedTemperature;
	readonly room: SourcedTemperature;
	/** One for each build that goes into the dough; soakers do not count in the factor rule. */
	readonly preferments: readonly (SourcedTemperature & { readonly name: string })[];
	readonly friction: { readonly work: SpecificEnergy; readonly source: Source };
	/** Heat that warms the bowl by a degree; 0 where it is not counted. It stands in the room. */
	readonly bowlKilojoulesPerKelvin: number;
	readonly supply: WaterSupply;
}

export interface WaterOfMix {
	/** By the school of the bakery. */
	readonly wanted: Explained;
	readonly schools: Readonly<Record<WaterSchool, Explained>>;
	readonly base: Explained;
	readonly water: Explained;
	readonly order: WaterOrder;
	/** By how many degrees of water the dough changes by one, by the balance of heat. */
	readonly waterDegreesPerDough: number;
	/** The pre-ferments' share of the dough, which the factor rule weighs as one part of four. */
	readonly prefermentShare: number;
	/** What would reach a target that the water cannot; empty when it can. */
	readonly waysOut: readonly WayOut[];
}

/**
 * Gives the water of one mix: its temperature by each of the three schools, its mass, and how to fill it.
 *
 * Model: the schools share the friction work over the heat capacity of this dough; the water is all that
 * the final mix adds, held-back water included. Several builds count as one at their mean by mass in the
 * factor rule. What is folded or rolled in comes after the mix and does not count.
 * Range: a dough that adds water at the final mix; null for one that adds none.
 * Source: domain arithmetic (factor rule, base temperature), choi-okos-1986. Failures: none.
 * Example: the levain dough of the worked figures asks for 20.0 degrees by the factor rule.
 */
export function waterOfMix(input: WaterOfMixInput): WaterOfMix | null {
	const waterLines = input.mix.lines.filter((line) => isWater(line.material, input.final));
	if (waterLines.length === 0) return null;
	const water = worked(
		{ key: 'water-mass' },
		'g',
		'sum',
		waterLines.map((line) =>
			given({ key: 'line', of: line.name }, line.weighing.weighed.grams, 'g', { kind: 'formula' })
		)
	);
	const rule = {
		target: input.target,
		flour: input.flour,
		room: input.room,
		preferment: meanPreferment(input),
		friction: { ...input.friction, heatCapacity: heatCapacityOf(input.final) }
	};
	const balance = heatBalanceOf(input, water.value);
	const schools = {
		'factor-rule': waterByFactorRule(rule),
		'base-temperature': waterByBaseTemperature(rule),
		'heat-balance': waterByHeatBalance(balance)
	};
	const wanted = schools[input.school];
	// What a miss does to the dough is a matter of heat, whatever the school.
	const perDough = waterDegreesPerDough(balance);
	const order = orderWater(wanted, water, perDough, input.supply);
	const missed = order.kind === 'too-cold-for-ice' || order.kind === 'too-warm';
	return {
		wanted,
		schools,
		base: baseTemperature(rule),
		water,
		order,
		waterDegreesPerDough: perDough,
		prefermentShare: prefermentShare(input.final),
		waysOut: missed ? waysOut(balance, { kelvins: order.temperature.celsius - wanted.value }) : []
	};
}

/** All that goes into the bowl of a mix, as the balance of heat wants it. */
export function heatBalanceOf(
	input: Omit<WaterOfMixInput, 'school' | 'supply'>,
	waterGrams: number
): HeatBalanceInput {
	return {
		target: input.target,
		parts: partsOf(input),
		bowl:
			input.bowlKilojoulesPerKelvin > 0
				? { kilojoulesPerKelvin: input.bowlKilojoulesPerKelvin, temperature: input.room }
				: null,
		water: { grams: waterGrams },
		friction: input.friction
	};
}

/** Flour has its own temperature and each build its own; everything else stands in the room. */
function partsOf({
	mix,
	final,
	flour,
	room,
	preferments
}: Omit<WaterOfMixInput, 'school' | 'supply'>): readonly HeatPart[] {
	const parts: HeatPart[] = [];
	for (const { name, material, addition, weighing } of mix.lines) {
		if (addition === 'fold-in' || addition === 'roll-in') continue;
		const mass = weighing.weighed;
		if (material.kind === 'preparation') {
			const stage = final.stages.find((one) => one.preparation?.id === material.preparationId);
			if (!stage) continue;
			const temperature = preferments.find((one) => one.name === stage.name) ?? room;
			parts.push({ name, mass, heatCapacity: heatCapacityOf(stage), temperature });
			continue;
		}
		const line = final.lines.find((one) => one.ingredient.id === material.ingredientId);
		if (!line || line.ingredient.kind === 'water') continue;
		const { heatCapacity, kind } = line.ingredient;
		parts.push({ name, mass, heatCapacity, temperature: kind === 'flour' ? flour : room });
	}
	return parts;
}

function prefermentShare(final: ResolvedStage): number {
	const builds = final.stages.filter((stage) => stage.kind === 'build');
	return builds.reduce((total, stage) => total + stage.percentOfFlour, 0) / final.percentOfFlour;
}

function isWater(material: Mix['lines'][number]['material'], final: ResolvedStage): boolean {
	return (
		material.kind === 'ingredient' &&
		final.lines.some(
			({ ingredient }) => ingredient.id === material.ingredientId && ingredient.kind === 'water'
		)
	);
}

/** The heat capacity of a stage with all that is in it. */
export function heatCapacityOf(stage: ResolvedStage): SpecificHeat {
	const parts: { grams: number; heatCapacity: Ingredient['heatCapacity'] }[] = [];
	sumLines(stage, ({ percentOfFlour, ingredient }) => {
		parts.push({ grams: percentOfFlour, heatCapacity: ingredient.heatCapacity });
		return 0;
	});
	return heatCapacityOfMixture(parts);
}

function meanPreferment(
	input: WaterOfMixInput
): (SourcedTemperature & { readonly name: string }) | null {
	const [only, ...others] = input.preferments;
	if (!only) return null;
	if (others.length === 0) return only;
	let mass = 0;
	let sum = 0;
	for (const one of input.preferments) {
		const stage = input.final.stages.find((inner) => inner.name === one.name);
		mass += stage?.percentOfFlour ?? 0;
		sum += (stage?.percentOfFlour ?? 0) * one.temperature.celsius;
	}
	const names = input.preferments.map((one) => one.name).join(', ');
	return { ...only, name: names, temperature: { celsius: sum / mass } };
}
