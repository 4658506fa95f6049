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
	/** What the bowl was measured at before more went in: see `MixKnowledge`; null until then. */
	readonly autolysed: SourcedTemperature | null;
}

/** When the bowl may be measured before the rest of its water goes in. */
export type BowlReading = 'autolyse' | 'held-back';

/**
 * Gives when the bowl of a mix may be measured before more water goes in: its autolyse after the rest, or what is in
 * the bowl before the held-back water.
 * Range: any mix. Source: definition. Failures: none; null for a mix whose water goes in at once.
 * Example: a mix that rests between two kneads, all its water in it, has no such moment.
 */
export function bowlReadingOf(
	{ mixing }: Pick<StagingInput, 'mixing'>,
	lines: readonly WeighUpLine[]
): BowlReading | null {
	const has = (addition: WeighUpLine['addition']) =>
		lines.some((line) => line.addition === addition);
	if (mixing.kneads.length > 1 && has('autolyse')) return 'autolyse';
	return has('held-back') ? 'held-back' : null;
}

interface Staged {
	/** Whether it rests on the way, or was measured on it: else the plain balance of heat says the same. */
	readonly rests: boolean;
	readonly wanted: Explained;
	readonly linesToCome: readonly WeighUpLine[];
	/** What is in the bowl already, by name. */
	readonly inBowl: readonly string[];
	readonly waterDegreesPerDough: number;
	readonly expected: (water: Temperature) => Explained;
	readonly stages: (water: Temperature) => readonly StageOfWater[];
	/** The friction of the whole mix that a measured dough reveals; null where too little of it was left. */
	readonly reveals: (dough: Temperature, water: Temperature) => SpecificEnergy | null;
}

/** A dough tells the friction of its mix where so much of the work was still to come (our default). */
const LEAST_WORK_TO_LEARN = 0.5;

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
	// An autolyse is measured after its rest; without one, all that is in the bowl before its held-back water.
	const before = autolyses ? 1 : heldBack ? all.length - 1 : 0;
	const done = input.autolysed ? all.slice(0, before) : [];
	const stages = all.slice(done.length);
	const staged: StagedMixInput = {
		target: input.target,
		stages,
		bowl: balance.bowl,
		liquid,
		inBowl: done.length > 0 && input.autolysed ? partInBowl(done, liquid, input.autolysed) : null,
		frictionSource: balance.friction.source
	};
	if (stages.every((stage) => stage.waterGrams <= 0)) return null;
	const atZero = doughOfStages(staged, { celsius: 0 });
	const perWater = doughOfStages(staged, { celsius: 1 }) - atZero;
	const restOf = (index: number) => stages[index]?.rest?.minutes ?? 0;
	const doneKinds = kinds.slice(0, done.length);
	const workLeft = stagesOfMix.slice(done.length).reduce((total, { share }) => total + share, 0);
	return {
		rests: rests || done.length > 0,
		wanted: waterOfStages(staged),
		linesToCome: liquidLines.filter((line) => !doneKinds.includes(stageOf(line))),
		inBowl: done.flatMap(({ parts }) => parts.map(({ name }) => name)),
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
		reveals: (measured, water) =>
			workLeft >= LEAST_WORK_TO_LEARN
				? frictionOfStages(staged, balance.friction.work, measured, water)
				: null,
		stages: (water) =>
			temperaturesOfStages(staged, () => water.celsius).map((celsiusAfter, index) => ({
				kind: kinds[done.length + index] ?? 'mix',
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

/** What is in the bowl as one part of what comes next. */
function partInBowl(
	done: readonly MixStage[],
	liquid: HeatBalanceInput['liquid'],
	temperature: HeatPart['temperature']
): HeatPart {
	const all = done.flatMap(({ parts, waterGrams }) => [
		...parts.map(({ mass, heatCapacity }) => ({ grams: mass.grams, heatCapacity })),
		{ grams: waterGrams, heatCapacity: liquid.heatCapacity }
	]);
	return {
		name: 'what is in the bowl',
		mass: { grams: all.reduce((total, { grams }) => total + grams, 0) },
		heatCapacity: heatCapacityOfMixture(all),
		temperature
	};
}
