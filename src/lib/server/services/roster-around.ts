import { isClosedOn, rosterOf, type OnShift } from '../../core/bakery/index.ts';
import { addDays, type BakeDate } from '../../core/time/index.ts';
import type { Entries } from '../db/entries.ts';

/** The longest chain of a bake begins so many days before it (our default). */
const DAYS_OF_A_BAKE = 3;

/** Who works around a date; null where nobody's shifts are entered. */
export function rosterAround(
	house: Entries,
	date: BakeDate,
	timeZone: string
): readonly OnShift[] | null {
	const people = house.of('person');
	if (people.every(({ content }) => content.shifts.length === 0 && content.exceptions.length === 0))
		return null;
	const closed = house.of('closed-days');
	return rosterOf(
		people,
		{ from: addDays(date, -DAYS_OF_A_BAKE), to: date },
		(day) => closed.some(({ content }) => isClosedOn(content, day)),
		timeZone
	);
}
