import type { HandsOnActivity } from '../formula/index.ts';
import type { AttendedStretch, DayTask } from './day-plan.ts';

/** Where in the bakehouse something is done: whose sheet it stands on. */
export const STATIONS = ['mixer', 'bench', 'oven', 'packing'] as const;
export type Station = (typeof STATIONS)[number];

/** What is done to pieces at the ovens' mouth, before they go in or as they come out. */
const AT_THE_OVEN: ReadonlySet<HandsOnActivity> = new Set(['score', 'dip', 'depan', 'glaze']);

/**
 * Tells at which station a stretch of a task is worked.
 *
 * Model: weighing, mixing and stirring at the mixers, whatever is done load by load at the ovens, packing where it is packed, all
 * else at the bench. Range: every task. Source: our default. Failures: none.
 * Example: a fold is done at the bench, scoring a load at the oven.
 */
export function stationOf(
	{ step, batch }: Pick<DayTask, 'step' | 'batch'>,
	what: AttendedStretch['what']
): Station {
	if (what === 'load' || what === 'draw' || step.kind === 'bake') return 'oven';
	if (step.kind === 'wait') return 'bench';
	if (step.activity === 'mix' || step.activity === 'weigh') return 'mixer';
	if (step.activity === 'pack') return 'packing';
	return batch.kind === 'load' || AT_THE_OVEN.has(step.activity) ? 'oven' : 'bench';
}
