import { MINUTE_MS } from '../time/index.ts';
import type { DayPlan, DayTask } from './day-plan.ts';
import type { BakeDayInput } from './input.ts';

/** How long a hand is kept by turning a load, opening a vent or taking lids off (our default). */
const AT_MARK_MINUTES = 1;

/**
 * Who is free for what is done to a load while it bakes; null where nobody is, or hands are not planned.
 *
 * Model: a minute that keeps nobody from anything is no task of the engine, which only asks that anybody is at work then; it
 * goes to whoever loaded if they are free, else to somebody who works at the ovens, else to anybody who is there.
 * Range: a plan as it is told. Source: domain (turning, venting, checking), our default. Failures: none.
 * Example: of two bakers, the one who loaded is at the bench when the vent is to be opened: the other opens it.
 */
export function handsAtMarks(
	{ tasks, deliveries }: Pick<DayPlan, 'tasks' | 'deliveries'>,
	{ people }: Pick<BakeDayInput, 'people'>
): (task: DayTask, atMs: number) => string | null {
	const busy = new Map<string, { readonly fromMs: number; readonly toMs: number }[]>();
	for (const { fromMs, toMs, personIds } of [
		...tasks.flatMap(({ attended }) => attended),
		...deliveries
	])
		for (const id of personIds) busy.set(id, [...(busy.get(id) ?? []), { fromMs, toMs }]);
	return (task, atMs) => {
		const untilMs = atMs + AT_MARK_MINUTES * MINUTE_MS;
		const free = (people ?? []).filter(
			({ id, there }) =>
				there.some(({ fromMs, toMs }) => fromMs <= atMs && untilMs <= toMs) &&
				!busy.get(id)?.some(({ fromMs, toMs }) => fromMs < untilMs && atMs < toMs)
		);
		const loaders = task.attended.find(({ what }) => what === 'load')?.personIds ?? [];
		return (
			(
				free.find(({ id }) => loaders.includes(id)) ??
				free.find(({ skills }) => skills.includes('oven')) ??
				free[0] ??
				null
			)?.id ?? null
		);
	};
}
