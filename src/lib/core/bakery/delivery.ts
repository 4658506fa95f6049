import { addDays, instantOf, weekdayOf, type BakeDate, type WallTime } from '../time/index.ts';
import type { EntryProblem } from './problem.ts';

/** A delivery with a time at which it has to be there. */
export interface DropContent {
	readonly dueTime: WallTime;
	/** The days on which it goes; Monday is 1 and Sunday 7. */
	readonly weekdays: readonly number[];
	readonly pickingMinutes: number;
	readonly loadingMinutes: number;
	readonly roadMinutes: number;
	/** Until when orders are taken; null where that was not agreed. */
	readonly cutOff: CutOff | null;
}

/** So many days before the drop, at a time of the bakery's wall. */
export interface CutOff {
	readonly daysBefore: number;
	readonly time: WallTime;
}

export interface CustomerContent {
	readonly dropId: string;
	readonly note: string;
}

/** Somebody who brings ingredients. */
export interface SupplierContent {
	/** The days on which it comes; Monday is 1 and Sunday 7. */
	readonly weekdays: readonly number[];
	/** So many days before it comes it has to be told what to bring. */
	readonly daysAhead: number;
	readonly note: string;
}

/** Days on which the bakery bakes nothing. */
export interface ClosedDaysContent {
	readonly fromDate: BakeDate;
	readonly toDate: BakeDate;
	/** The same days of every year from that one on. */
	readonly yearly: boolean;
}

export const ALL_WEEKDAYS = [1, 2, 3, 4, 5, 6, 7] as const;

/** A drop to begin from (our default). */
export const FIRST_DROP: Omit<DropContent, 'dueTime'> = {
	weekdays: ALL_WEEKDAYS,
	pickingMinutes: 0,
	loadingMinutes: 0,
	roadMinutes: 0,
	cutOff: null
};

/** A cut-off to begin from (our default). */
export const FIRST_CUT_OFF: CutOff = { daysBefore: 1, time: '12:00' as WallTime };

/** How long before it is due the bread of a drop has to be ready to pick, in minutes. */
export function minutesBeforeDue(drop: DropContent): number {
	return drop.pickingMinutes + drop.loadingMinutes + drop.roadMinutes;
}

/** Until when orders of a date are taken, in milliseconds of UTC; null where that was not agreed. */
export function cutOffMs(
	{ cutOff }: Pick<DropContent, 'cutOff'>,
	date: BakeDate,
	timeZone: string
): number | null {
	if (!cutOff) return null;
	return instantOf(addDays(date, -cutOff.daysBefore), cutOff.time, timeZone).epochMs;
}

/** Whether a drop goes on a date. */
export function goesOn(drop: Pick<DropContent, 'weekdays'>, date: BakeDate): boolean {
	return drop.weekdays.includes(weekdayOf(date));
}

/**
 * Whether a date lies in closed days.
 *
 * Range: dates of the calendar; yearly ones from their first year on, and over the end of a year too. Source: our
 * default. Failures: none.
 * Example: 30 December to 2 January every year holds 1 January of the second year and of every later one.
 */
export function isClosedOn(
	{ fromDate, toDate, yearly }: ClosedDaysContent,
	date: BakeDate
): boolean {
	if (date >= fromDate && date <= toDate) return true;
	if (!yearly || date < fromDate) return false;
	const [day, first, last] = [date, fromDate, toDate].map((one) => one.slice(5)) as [
		string,
		string,
		string
	];
	return first <= last ? first <= day && day <= last : day >= first || day <= last;
}

export function dropProblems({ weekdays, cutOff, dueTime }: DropContent): readonly EntryProblem[] {
	return [
		...(weekdays.length === 0 ? [{ kind: 'no-weekday', field: 'weekdays' } as const] : []),
		...(cutOff?.daysBefore === 0 && cutOff.time >= dueTime
			? [{ kind: 'cut-off-after-due', field: 'cutOff' } as const]
			: [])
	];
}

export function supplierProblems({ weekdays }: SupplierContent): readonly EntryProblem[] {
	return weekdays.length === 0 ? [{ kind: 'no-weekday', field: 'weekdays' }] : [];
}

export function closedDaysProblems({
	fromDate,
	toDate
}: ClosedDaysContent): readonly EntryProblem[] {
	return toDate < fromDate ? [{ kind: 'ends-before-it-begins', field: 'toDate' }] : [];
}
