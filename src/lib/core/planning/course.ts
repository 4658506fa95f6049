import { assertNever, fail, ok, type Result } from '../result.ts';
import type { PathStretch } from '../fermentation/index.ts';
import type { BakeStep, HandsOnStep, Step, WaitStep } from '../formula/index.ts';
import { courseOf, type WaitCourse, type WaitFailure } from '../ripening/index.ts';

/** A step with its length and the temperature of what it works on, before it has a place in time. */
export interface CourseStep {
	readonly step: Step;
	readonly minutes: number;
	readonly startCelsius: number;
	readonly stretches: readonly PathStretch[];
	readonly marks: WaitCourse['marks'];
}

export interface Course {
	readonly steps: readonly CourseStep[];
	readonly endCelsius: number;
}

export type CourseFailure = WaitFailure & { readonly step: number };

/** How fast the core of a loaf takes the heat of the oven, for drawing alone (our default). */
const OVEN_TIME_CONSTANT_MINUTES = 15;

/**
 * Works out a chain of steps from the temperature it starts with: lengths, temperatures and marks.
 *
 * Model: hands-on time is fixed + per piece, in whole minutes, at one temperature; a mix ends
 * at its target; waits follow their legs; a bake lasts its minutes and ends at its core temperature.
 * Range: pieces of 0 or more. Source: our defaults and `courseOf`. Failures: those of a wait, with the
 * place of the step in the chain.
 * Example: dividing 40 pieces at 10 s and 2 min fixed takes 9 min.
 */
export function courseThrough(
	steps: readonly Step[],
	pieces: number,
	startCelsius: number
): Result<Course, CourseFailure> {
	const done: CourseStep[] = [];
	let celsius = startCelsius;
	for (const [index, step] of steps.entries()) {
		switch (step.kind) {
			case 'hands-on': {
				celsius = step.endsAtCelsius ?? celsius;
				done.push(handsOn(step, pieces, celsius));
				break;
			}
			case 'wait': {
				const course = courseOf(step, celsius);
				if (!course.ok) return fail({ ...course.error, step: index });
				done.push(waiting(step, course.value, celsius));
				celsius = course.value.endCelsius;
				break;
			}
			case 'bake': {
				done.push(baking(step, celsius));
				celsius = step.coreCelsius;
				break;
			}
			default:
				assertNever(step);
		}
	}
	return ok({ steps: done, endCelsius: celsius });
}

/** How long steps take one after another, in minutes. */
export function lengthOf(steps: readonly Pick<CourseStep, 'minutes'>[]): number {
	return steps.reduce((total, { minutes }) => total + minutes, 0);
}

/** The length of a hands-on step in whole minutes. */
export function handsOnMinutes(step: HandsOnStep, pieces: number): number {
	const exact = step.fixedMinutes + (step.secondsPerPiece * pieces) / 60;
	return Math.ceil(exact - 1e-9);
}

function handsOn(step: HandsOnStep, pieces: number, celsius: number): CourseStep {
	const minutes = handsOnMinutes(step, pieces);
	const held = { minutes, ambientCelsius: celsius, timeConstantMinutes: Infinity };
	return { step, minutes, startCelsius: celsius, stretches: [held], marks: null };
}

function waiting(step: WaitStep, course: WaitCourse, celsius: number): CourseStep {
	const { minutes, stretches, marks } = course;
	return { step, minutes, startCelsius: celsius, stretches, marks };
}

function baking(step: BakeStep, celsius: number): CourseStep {
	const stretch = {
		minutes: step.bakeMinutes,
		ambientCelsius: step.coreCelsius,
		timeConstantMinutes: OVEN_TIME_CONSTANT_MINUTES
	};
	return {
		step,
		minutes: step.bakeMinutes,
		startCelsius: celsius,
		stretches: [stretch],
		marks: null
	};
}
