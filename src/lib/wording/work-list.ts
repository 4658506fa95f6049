import type { BakeDayInput, DayPlan } from '../core/planning/index.ts';
import type { HandsOnEntry, ListEntry } from './list-entry.ts';
import { toDoList } from './task-text.ts';

/** What stands on the sheets of a night, in order: what hands do, and what they have to know of. */
export function handsOnList(plan: DayPlan, input: BakeDayInput): readonly ListEntry[] {
	return toDoList(plan, input).filter((entry) => entry.handsOn);
}

/** What hands do in a night, in order. */
export function workList(plan: DayPlan, input: BakeDayInput): readonly HandsOnEntry[] {
	return toDoList(plan, input).filter(
		(entry): entry is HandsOnEntry => entry.kind !== 'wait' && entry.kind !== 'by-itself'
	);
}
