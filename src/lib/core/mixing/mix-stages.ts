import type { HandsOnStep, Leg, Step, WaitActivity } from '../formula/index.ts';
import { FAST_OVER_SLOW, type MixProgram, type RestInBowl } from '../heat/index.ts';
import type { Temperature } from '../units/index.ts';

/** Work without a rest in it, and what the dough rests through after it. */
export interface Knead {
	/** The share of the whole work that it is. */
	readonly share: number;
	/** null after the last. */
	readonly rest: RestInBowl | null;
}

/** How a dough is mixed: its kneads with the rests between them, an autolyse among them. */
export interface MixingOfDough {
	/** The mixer's speeds over all of it; null where the formula does not tell them. */
	readonly program: MixProgram | null;
	/** At least one. */
	readonly kneads: readonly Knead[];
}

/** Flour and water that only come together take this much of the work (our default). */
const SHARE_TO_WET = 0.15;

/** Waits in which a dough ferments: what is done after the first of them is no mixing of it. */
const FERMENTING: readonly WaitActivity[] = ['ferment', 'bulk', 'proof'];

/**
 * The steps of a chain before its dough first ferments.
 * Range: any chain. Source: definition. Failures: none. Example: without a bulk all steps.
 */
export function beforeBulk(steps: readonly Step[]): readonly Step[] {
	const bulk = steps.findIndex(
		(step) => step.kind === 'wait' && FERMENTING.includes(step.activity)
	);
	return bulk < 0 ? steps : steps.slice(0, bulk);
}

/**
 * Gives how a dough is mixed by its chain of steps before its bulk.
 *
 * Model: the mixes with every wait between two of them, in the room or the cold. Each rest is in its
 * place as that is at the moment. Where speeds are not told the first of several takes what wetting takes, the others the rest in
 * equal parts. Range: any chain. Source: our default for the work of wetting. Failures: none; a chain without speeds
 * has no program.
 * Example: slow 4, autolyse of 30 min, slow 9 and fast 5 is a program of 13 slow and 5 fast, a sixth of it before
 * the rest.
 */
export function mixingOf(
	steps: readonly Step[],
	temperatureOf: (leg: Leg) => Temperature
): MixingOfDough {
	const mixes: HandsOnStep[] = [];
	const blocks: { mixes: number[]; rest: RestInBowl | null }[] = [];
	for (const step of beforeBulk(steps)) {
		const last = blocks.at(-1);
		if (step.kind === 'hands-on' && step.activity === 'mix') {
			if (last && last.rest === null) last.mixes.push(mixes.length);
			else blocks.push({ mixes: [mixes.length], rest: null });
			mixes.push(step);
		}
		const [leg] = step.kind === 'wait' ? step.legs : [];
		if (step.kind !== 'wait' || !leg || leg.minutes === null || !last) continue;
		const minutes = step.legs.reduce((total, { minutes }) => total + (minutes ?? 0), 0);
		const ambient = temperatureOf(leg);
		// Two waits in a row are one, in the place of the longer.
		if (!last.rest || minutes > last.rest.minutes)
			last.rest = {
				minutes: minutes + (last.rest?.minutes ?? 0),
				ambient,
				timeConstantMinutes: leg.timeConstantMinutes
			};
		else last.rest = { ...last.rest, minutes: last.rest.minutes + minutes };
	}
	const programs = mixes.map(programOf);
	const known = programs.length > 0 && programs.every((program) => program !== null);
	const weights = programs.map((program) =>
		program ? program.slowMinutes + FAST_OVER_SLOW * program.fastMinutes : 0
	);
	const whole = sum(weights);
	const shareOf = (block: { readonly mixes: readonly number[] }, at: number) => {
		if (blocks.length === 1) return 1;
		if (known && whole > 0) return sum(block.mixes.map((mix) => weights[mix] ?? 0)) / whole;
		return at === 0 ? SHARE_TO_WET : (1 - SHARE_TO_WET) / (blocks.length - 1);
	};
	return {
		program: known
			? {
					slowMinutes: sum(programs.map((program) => program?.slowMinutes ?? 0)),
					fastMinutes: sum(programs.map((program) => program?.fastMinutes ?? 0))
				}
			: null,
		kneads:
			blocks.length === 0
				? [{ share: 1, rest: null }]
				: blocks.map((block, at) => ({
						share: shareOf(block, at),
						// What it rests through after the last is no matter of the mixer's.
						rest: at < blocks.length - 1 ? block.rest : null
					}))
	};
}

function programOf(step: HandsOnStep): MixProgram | null {
	if (step.detail.kind !== 'mixing') return null;
	const minutesAt = (speed: 'slow' | 'fast') =>
		step.detail.kind === 'mixing'
			? sum(
					step.detail.stretches
						.filter((stretch) => stretch.speed === speed)
						.map((stretch) => stretch.minutes)
				)
			: 0;
	return { slowMinutes: minutesAt('slow'), fastMinutes: minutesAt('fast') };
}

function sum(values: readonly number[]): number {
	return values.reduce((total, value) => total + value, 0);
}
