import type { BakeDayInput, DayPlan } from '../core/planning/index.ts';
import { toDoList } from './task-text.ts';

/** The run sheet of a plan with no more on it than was told then: which mix a load is of, and what pieces go into, was not. */
export function sheetAsToldThen(plan: DayPlan, input: BakeDayInput) {
	const loads = new Set(
		plan.tasks.filter(({ batch }) => batch.kind === 'load').map((task) => task.id)
	);
	return toDoList(plan, input).map(({ taskId, atMs, what, detail, handsOn }) => ({
		atMs,
		what: loads.has(taskId ?? '') ? what.replace(/, mix \d+ of \d+/, '') : what,
		detail: detail.replace(/ · into \d+ × [^·]+(?= ·|$)/, ''),
		handsOn
	}));
}

/** A line of a run sheet in the words of today: the trade's words on it have changed since, its facts may not. */
export function inTheWordsOfToday<
	Line extends { readonly what: string; readonly detail: string | null }
>(line: Line): Line {
	return {
		...line,
		what: line.what
			.replace(/^Leave to ripen /, 'Ferment ')
			.replace(/to the cold$/, 'to a cold place'),
		detail: line.detail?.replace(/in the cold$/, 'in a cold place') ?? null
	};
}
