import { MINUTE_MS } from '../time/index.ts';
import type { CourseStep } from './course.ts';
import type { Begun } from './input.ts';

/**
 * Where the steps of a chain stand around the moment its mix ended: what came before lies before it, what
 * comes after follows without a gap. In minutes.
 */
export function startsAround(
	steps: readonly CourseStep[],
	{ mixedAtMs }: Begun
): readonly { readonly start: number; readonly end: number }[] {
	const firstWait = steps.findIndex(({ step }) => step.kind === 'wait' && step.clock !== null);
	const until = firstWait < 0 ? steps.length : firstWait;
	const mixedBy = steps
		.slice(0, until)
		.findLastIndex(({ step }) => step.kind === 'hands-on' && step.activity === 'mix');
	const before = steps.slice(0, mixedBy + 1).reduce((total, step) => total + step.minutes, 0);
	let at = Math.round(mixedAtMs / MINUTE_MS) - before;
	return steps.map(({ minutes }) => {
		const start = Math.floor(at);
		at += minutes;
		return { start, end: at };
	});
}
