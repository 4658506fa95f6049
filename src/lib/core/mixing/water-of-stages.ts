import { given, worked, type Explained } from '../explain/index.ts';
import { additionOrder } from '../formula/index.ts';
import {
	doughOfStages,
	frictionOfStages,
	heatCapacityOfMixture,
	temperaturesOfStages,
	waterOfStages,
	type HeatBalanceInput,
	type HeatPart,
	type MixStage,
	type RestInBowl,
	type SourcedTemperature,
	type StagedMixInput
} from '../heat/index.ts';
import type { WeighUpLine } from '../production/index.ts';
import type { SpecificEnergy, Temperature } from '../units/index.ts';
import type { BowlParts } from './bowl-parts.ts';
import type { MixingOfDough } from './mix-stages.ts';

/** A stage of a mix as the bench needs it. */
export interface StageOfWater {
	/** A knead follows a rest of a dough that has all but its held-back water. */
	readonly kind: 'autolyse' | 'mix' | 'knead' | 'held-back';
	readonly waterGrams: number;
	/** How warm the bowl's content is when the stage ends. */
	readonly celsiusAfter: number;
	readonly restMinutes: number;
}

/** What stepping through a mix asks beside its balance of heat. */
export interface StagingInput {
	readonly target: Temperature;
	readonly mixing: MixingOfDough;
	/** What an autolyse was measured at after its rest; null until then. */
	readonly autolysed: SourcedTemperature | null;
}

interface Staged {
	/** Whether it rests on the way, or did: without a rest the plain balance of heat says the same. */
	readonly rests: boolean;
	readonly wanted: Explained;
	readonly linesToCome: readonly WeighUpLine[];
	/** What is in the bowl already, by name. */
	readonly inBowl: readonly string[];
	readonly waterDegreesPerDough: number;
	readonly expected: (water: Temperature) => Explained;
	readonly stages: (water: Temperature) => readonly StageOfWater[];
	/** The friction of the whole mix that a measured dough reveals. */
	readonly reveals: (dough: Temperature, water: Temperature) => SpecificEnergy;
}

/** Held-back water goes in with this share of the work still to do (our default). */
const WORK_AFTER_HELD_BACK = 0.3;

/**
 * Steps through a mix that rests in an autolyse or holds water back, for the water still to come.
 * Failures: null for a mix that does neither.
 */
export function stageThrough(
	input: StagingInput,
	{ parts, liquidLines, liquid }: BowlParts,
	balance: HeatBalanceInput
): Staged | null {
	const { kneads } = input.mixing;
	const heldBack = liquidLines.some(isHeldBack);
	const rests = kneads.length > 1;
	const autolyses = rests && parts.some(({ line }) => line.addition === 'autolyse');
	if (!rests && !heldBack) return null;
	const planned = kneads.map(({ share, rest }, at): PlannedStage => ({
		kind: at === 0 && autolyses ? 'autolyse' : at === (autolyses ? 1 : 0) ? 'mix' : 'knead',
		share,
		rest
	}));
	const stagesOfMix = heldBack ? withHeldBack(planned) : planned;
	const kinds = stagesOfMix.map(({ kind }) => kind);
	// Without a rest of its own, what belongs to an autolyse goes in with the mix.
	const stageOf = ({ addition }: WeighUpLine): StageOfWater['kind'] =>
		addition === 'autolyse' && autolyses
			? 'autolyse'
			: heldBack && additionOrder(addition) >= additionOrder('held-back')
				? 'held-back'
				: 'mix';
	const dough = parts.reduce((total, part) => total + part.mass.grams, 0) + balance.water.grams;
	let inBowl = 0;
	const all = stagesOfMix.map(({ kind, share, rest }): MixStage => {
		const own = parts.filter(({ line }) => stageOf(line) === kind);
		const waterGrams = gramsOf(liquidLines.filter((line) => stageOf(line) === kind));
		inBowl += own.reduce((total, part) => total + part.mass.grams, 0) + waterGrams;
		return {
			name: kind,
			parts: own,
			waterGrams,
			// The work is told for a kilogram of the whole dough; less is in the bowl at first.
			work: {
				kilojoulesPerKilogram:
					inBowl > 0 ? (balance.friction.work.kilojoulesPerKilogram * share * dough) / inBowl : 0
			},
			rest
		};
	});
	const done = autolyses && input.autolysed ? all[0] : undefined;
	const stages = done ? all.slice(1) : all;
	const staged: StagedMixInput = {
		target: input.target,
		stages,
		bowl: balance.bowl,
		liquid,
		inBowl: done && input.autolysed ? restedPart(done, liquid, input.autolysed) : null,
		frictionSource: balance.friction.source
	};
	if (stages.every((stage) => stage.waterGrams <= 0)) return null;
	const atZero = doughOfStages(staged, { celsius: 0 });
	const perWater = doughOfStages(staged, { celsius: 1 }) - atZero;
	const restOf = (index: number) => stages[index]?.rest?.minutes ?? 0;
	return {
		rests,
		wanted: waterOfStages(staged),
		linesToCome: liquidLines.filter((line) => !done || stageOf(line) !== 'autolyse'),
		inBowl: done?.parts.map(({ name }) => name) ?? [],
		waterDegreesPerDough: 1 / perWater,
		expected: (water) =>
			worked({ key: 'expected-dough' }, '°C', 'sum', [
				given({ key: 'dough-with-water-at-zero' }, atZero, '°C', balance.friction.source),
				worked({ key: 'grouped' }, 'K', 'product', [
					given({ key: 'dough-per-degree-of-water' }, perWater, '1', { kind: 'formula' }),
					given({ key: 'temperature-of', of: liquid.name }, water.celsius, '°C', {
						kind: 'bakery'
					})
				])
			]),
		reveals: (measured, water) => frictionOfStages(staged, balance.friction.work, measured, water),
		stages: (water) =>
			temperaturesOfStages(staged, () => water.celsius).map((celsiusAfter, index) => ({
				kind: (done ? kinds.slice(1) : kinds)[index] ?? 'mix',
				waterGrams: stages[index]?.waterGrams ?? 0,
				celsiusAfter,
				restMinutes: restOf(index)
			}))
	};
}

function isHeldBack({ addition }: WeighUpLine): boolean {
	return addition === 'held-back';
}

function gramsOf(lines: readonly WeighUpLine[]): number {
	return lines.reduce((total, line) => total + line.weighing.weighed.grams, 0);
}

interface PlannedStage {
	readonly kind: StageOfWater['kind'];
	readonly share: number;
	readonly rest: RestInBowl | null;
}

/** Held-back water goes in towards the end: it takes its share of the work from the last knead. */
function withHeldBack(stages: readonly PlannedStage[]): readonly PlannedStage[] {
	const last = stages.at(-1);
	if (!last) return stages;
	const left = stages
		.filter(({ kind }) => kind !== 'autolyse')
		.reduce((total, { share }) => total + share, 0);
	const taken = Math.min(last.share, left * WORK_AFTER_HELD_BACK);
	return [
		...stages.slice(0, -1),
		{ ...last, share: last.share - taken },
		{ kind: 'held-back', share: taken, rest: null }
	];
}

/** The rested autolyse as one part of what comes next. */
function restedPart(
	{ parts, waterGrams }: MixStage,
	liquid: HeatBalanceInput['liquid'],
	temperature: HeatPart['temperature']
): HeatPart {
	const all = [
		...parts.map(({ mass, heatCapacity }) => ({ grams: mass.grams, heatCapacity })),
		{ grams: waterGrams, heatCapacity: liquid.heatCapacity }
	];
	return {
		name: 'rested flour and water',
		mass: { grams: all.reduce((total, water) => total + water.grams, 0) },
		heatCapacity: heatCapacityOfMixture(all),
		temperature
	};
}
