import { weekdayOf, type BakeDate, type WallTime } from '../time/index.ts';
import type { EntryProblem } from './problem.ts';

/** What somebody is to the bakery. */
export const ROLES = ['head-baker', 'baker', 'oven-hand', 'packer'] as const;
export type Role = (typeof ROLES)[number];

/** What somebody can do. */
export const SKILLS = ['mixing', 'shaping', 'oven', 'packing', 'lamination', 'driving'] as const;
export type Skill = (typeof SKILLS)[number];

export interface Break {
	readonly from: WallTime;
	readonly minutes: number;
}

/** A stretch of work; one that ends past midnight belongs to the day on which it begins. */
export interface Shift {
	readonly from: WallTime;
	readonly minutes: number;
	readonly breaks: readonly Break[];
}

/** A shift of every week. Monday is 1 and Sunday 7. */
export interface WeekShift extends Shift {
	readonly weekday: number;
}

/** Days that are otherwise than the week says: off, or with another shift. */
export interface ShiftException {
	readonly fromDate: BakeDate;
	readonly toDate: BakeDate;
	/** null for days off. */
	readonly shift: Shift | null;
	readonly note: string;
}

export interface Person {
	readonly role: Role;
	readonly skills: readonly Skill[];
	readonly shifts: readonly WeekShift[];
	readonly exceptions: readonly ShiftException[];
	/** How long hands-on work takes this person, as a share of the usual time; 100 is usual, 120 is slower. */
	readonly pacePercent: number;
}

const DAY_MINUTES = 1440;

/** Minutes from midnight to a time on the wall. */
export function minutesOf(time: WallTime): number {
	const [hours = 0, minutes = 0] = time.split(':').map(Number);
	return hours * 60 + minutes;
}

/**
 * The shifts that somebody begins on a date.
 *
 * Model: the exception that was entered last counts; without one, a closed day has no shift; without that, the week.
 * Range: any person. Source: our default. Failures: none.
 * Example: with a holiday from 1 to 14 August nobody is expected on the 7th, whatever the week says.
 */
export function shiftsOn(
	person: Pick<Person, 'shifts' | 'exceptions'>,
	date: BakeDate,
	isClosed: boolean
): readonly Shift[] {
	const exception = person.exceptions.findLast(
		({ fromDate, toDate }) => fromDate <= date && date <= toDate
	);
	if (exception) return exception.shift === null ? [] : [exception.shift];
	if (isClosed) return [];
	const weekday = weekdayOf(date);
	return person.shifts.filter((shift) => shift.weekday === weekday);
}

/** What is wrong with a person's shifts. */
export function personProblems({ shifts, exceptions }: Person): readonly EntryProblem[] {
	const problems: EntryProblem[] = [];
	// One week on one line: what runs past Sunday's midnight meets Monday.
	const spans = shifts.map((shift, index) => {
		const from = (shift.weekday - 1) * DAY_MINUTES + minutesOf(shift.from);
		return { from, to: from + shift.minutes, weekday: shift.weekday, index };
	});
	const week = 7 * DAY_MINUTES;
	for (const one of spans)
		for (const other of spans)
			if (
				one.index !== other.index &&
				[0, week].some((later) => one.from <= other.from + later && other.from + later < one.to)
			)
				problems.push({ kind: 'shifts-overlap', field: 'shifts', weekday: other.weekday });
	for (const shift of shifts)
		if (breaksOutside(shift))
			problems.push({ kind: 'break-outside-shift', field: 'shifts', weekday: shift.weekday });
	for (const { fromDate, toDate, shift } of exceptions) {
		if (toDate < fromDate) problems.push({ kind: 'ends-before-it-begins', field: 'exceptions' });
		if (shift && breaksOutside(shift))
			problems.push({
				kind: 'break-outside-shift',
				field: 'exceptions',
				weekday: weekdayOf(fromDate)
			});
	}
	return problems;
}

/** Where a break begins, in minutes after its shift began. */
export function breakOffset(shift: Shift, { from }: Break): number {
	return (minutesOf(from) - minutesOf(shift.from) + DAY_MINUTES) % DAY_MINUTES;
}

function breaksOutside(shift: Shift): boolean {
	return shift.breaks.some((one) => breakOffset(shift, one) + one.minutes > shift.minutes);
}
