import type { HandsOnStep, Step } from '../formula/index.ts';
import { FAST_OVER_SLOW, type MixProgram, type RestInBowl } from '../heat/index.ts';
import type { Temperature } from '../units/index.ts';

/** How a dough is mixed: before its autolyse, the rest in it, and the mix itself. */
export interface MixingOfDough {
	/** The mixer's speeds over all of it; null where the formula does not tell them. */
	readonly program: MixProgram | null;
	/** The share of the mixer's work that is done before the rest of an autolyse. */
	readonly shareBeforeRest: number;
	readonly rest: RestInBowl | null;
}

/** Flour and water that only come together take this much of the work (our default). */
const SHARE_TO_WET = 0.15;

/**
 * Gives how a dough is mixed by its chain of steps up to the end of its last mix.
 *
 * Model: the mixes before the first bulk, with the autolyse or cold rest between them. What rests in the room
 * rests in the room of the moment. Range: any chain. Source: our default for the work of wetting.
 * Failures: none; a chain without speeds has no program.
 * Example: slow 4, autolyse of 30 min, slow 9 and fast 5 is a program of 13 slow and 5 fast, a fifth of it
 * before the rest.
 */
export function mixingOf(steps: readonly Step[], room: Temperature): MixingOfDough {
	const mixes: HandsOnStep[] = [];
	let rest: RestInBowl | null = null;
	let beforeRest = 0;
	for (const step of steps) {
		if (step.kind === 'hands-on' && step.activity === 'mix') mixes.push(step);
		if (step.kind !== 'wait') continue;
		if (step.activity !== 'autolyse' && step.activity !== 'chill') break;
		const [leg] = step.legs;
		if (!leg || leg.minutes === null || rest) continue;
		beforeRest = mixes.length;
		const ambient = leg.place === 'room' ? room : { celsius: leg.ambientCelsius };
		const minutes = step.legs.reduce((total, leg) => total + (leg.minutes ?? 0), 0);
		rest = { minutes, ambient, timeConstantMinutes: leg.timeConstantMinutes };
	}
	const programs = mixes.map(programOf);
	const programsKnown = programs.length > 0 && programs.every((program) => program !== null);
	const weights = programs.map((program) =>
		program ? program.slowMinutes + FAST_OVER_SLOW * program.fastMinutes : 0
	);
	const whole = sum(weights);
	return {
		program: programsKnown
			? {
					slowMinutes: sum(programs.map((program) => program?.slowMinutes ?? 0)),
					fastMinutes: sum(programs.map((program) => program?.fastMinutes ?? 0))
				}
			: null,
		shareBeforeRest:
			rest === null
				? 0
				: programsKnown && whole > 0
					? sum(weights.slice(0, beforeRest)) / whole
					: SHARE_TO_WET,
		rest: beforeRest > 0 && beforeRest < mixes.length ? rest : null
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
