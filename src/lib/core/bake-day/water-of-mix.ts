import { worked, given, type Explained, type Source } from '../explain/index.ts';
import type { Ingredient, ResolvedStage } from '../formula/index.ts';
import {
	countedTemperatures,
	heatCapacityOfMixture,
	orderWater,
	waterByFactorRule,
	type SourcedTemperature,
	type WaterOrder,
	type WaterSupply
} from '../heat/index.ts';
import type { Mix } from '../production/index.ts';
import { sumLines } from '../formula/index.ts';
import type { SpecificEnergy, SpecificHeat, Temperature } from '../units/index.ts';

export interface WaterOfMixInput {
	readonly mix: Mix;
	readonly final: ResolvedStage;
	readonly target: Temperature;
	readonly flour: SourcedTemperature;
	readonly room: SourcedTemperature;
	/** One for each build that goes into the dough; soakers do not count. */
	readonly preferments: readonly (SourcedTemperature & { readonly name: string })[];
	readonly friction: { readonly work: SpecificEnergy; readonly source: Source };
	readonly supply: WaterSupply;
}

export interface WaterOfMix {
	readonly wanted: Explained;
	readonly water: Explained;
	readonly order: WaterOrder;
	readonly counted: number;
}

/**
 * Gives the water of one mix: its temperature by the factor rule, its mass, and how to fill it.
 *
 * Model: factor rule with the friction work over the heat capacity of this dough; the water is all that
 * the final mix adds, held-back water included. Several builds count as one at their mean by mass.
 * Range: a dough that adds water at the final mix; null for one that adds none.
 * Source: domain arithmetic (factor rule). Failures: none.
 * Example: the levain dough of the worked figures asks for 20.0 degrees.
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
	const wanted = waterByFactorRule(rule);
	const counted = countedTemperatures(rule);
	return { wanted, water, counted, order: orderWater(wanted, water, counted, input.supply) };
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
