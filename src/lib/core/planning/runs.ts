import type { HandsOnActivity } from '../formula/index.ts';
import { lengthOf, type CourseStep } from './course.ts';

/** Hands-on steps that follow one another, done in one go. */
export interface Run {
	readonly kind: 'run';
	/** Where its first step stands in the chain. */
	readonly at: number;
	readonly steps: readonly CourseStep[];
	readonly activities: readonly HandsOnActivity[];
	/** On a mixer. */
	readonly mixer: boolean;
}

/** Waits that follow one another without a hand-on step between. */
export interface Wait {
	readonly kind: 'wait';
	readonly at: number;
	readonly steps: readonly CourseStep[];
}

export interface Bake {
	readonly kind: 'bake';
	readonly at: number;
	readonly step: CourseStep;
}

export type ChainItem = Run | Wait | Bake;

/** What is done by others, or to what others bring: a run begins with it, so that it can wait for them. */
const BEGINS_A_RUN: ReadonlySet<HandsOnActivity> = new Set([
	'weigh',
	'mix',
	'laminate',
	'sheet',
	'wrap',
	'fill',
	'pack'
]);

/**
 * A chain as runs of hands-on work, waits and bakes: what one pair of hands does in one go is planned as one.
 * Range: any chain. Source: our default. Failures: none.
 * Example: divide, pre-shape, rest, shape, proof, score, bake are a run of two, a wait, a run, a wait, a run and a bake.
 */
export function itemsOf(steps: readonly CourseStep[]): readonly ChainItem[] {
	const items: ChainItem[] = [];
	for (const [at, course] of steps.entries()) {
		const { step } = course;
		const last = items.at(-1);
		if (step.kind === 'bake') items.push({ kind: 'bake', at, step: course });
		else if (step.kind === 'wait') {
			if (last?.kind === 'wait')
				items[items.length - 1] = { ...last, steps: [...last.steps, course] };
			else items.push({ kind: 'wait', at, steps: [course] });
		} else {
			const mixer = step.machine === 'mixer';
			if (last?.kind === 'run' && !last.mixer && !mixer && !BEGINS_A_RUN.has(step.activity))
				items[items.length - 1] = {
					...last,
					steps: [...last.steps, course],
					activities: [...last.activities, step.activity]
				};
			else items.push({ kind: 'run', at, steps: [course], activities: [step.activity], mixer });
		}
	}
	return items;
}

/** How long a run takes in all, in minutes. */
export function runMinutes({ steps }: Run): number {
	return lengthOf(steps);
}
