import { addDays, weekdayOf, type BakeDate } from '../time/index.ts';

/** So many pieces on one weekday, from a date on and until another; null for until told otherwise. */
export interface StandingStretch {
	readonly fromDate: BakeDate;
	readonly untilDate: BakeDate | null;
	readonly pieces: number;
}

/**
 * Gives the stretches of a standing order after one more was laid over them: from its first to its last date it
 * alone counts, before and after what was there.
 *
 * Model: a line of dates, cut where the new stretch begins and ends; none of them overlap, 0 pieces stand as no stretch,
 * and neighbours with the same pieces are one. Range: stretches that do not overlap; pieces of 0 or more. Source: domain
 * (standing orders). Failures: none.
 * Example: 20 from 1 June on, and 30 laid over 10 to 16 June, are 20 until the 9th, 30 until the 16th and 20 after.
 */
export function layOver(
	stretches: readonly StandingStretch[],
	laid: StandingStretch
): readonly StandingStretch[] {
	const { fromDate, untilDate } = laid;
	const cut = stretches.flatMap((stretch): StandingStretch[] => {
		const before =
			stretch.fromDate < fromDate
				? [{ ...stretch, untilDate: earlier(stretch.untilDate, addDays(fromDate, -1)) }]
				: [];
		const reachesBeyond =
			untilDate !== null && (stretch.untilDate === null || stretch.untilDate > untilDate);
		const beyond = untilDate === null ? null : addDays(untilDate, 1);
		const after =
			reachesBeyond && beyond
				? [{ ...stretch, fromDate: stretch.fromDate > beyond ? stretch.fromDate : beyond }]
				: [];
		return [...before, ...after];
	});
	const all = [...cut, ...(laid.pieces > 0 ? [laid] : [])].sort((a, b) =>
		a.fromDate < b.fromDate ? -1 : 1
	);
	return all.reduce<readonly StandingStretch[]>((joined, stretch) => {
		const last = joined.at(-1);
		const touches =
			last?.pieces === stretch.pieces &&
			last.untilDate !== null &&
			addDays(last.untilDate, 1) === stretch.fromDate;
		return touches
			? [...joined.slice(0, -1), { ...last, untilDate: stretch.untilDate }]
			: [...joined, stretch];
	}, []);
}

/** What a standing order asks for on a date of its weekday; 0 where it stands for nothing. */
export function piecesStanding(stretches: readonly StandingStretch[], date: BakeDate): number {
	return (
		stretches.find(
			({ fromDate, untilDate }) => fromDate <= date && (untilDate === null || untilDate >= date)
		)?.pieces ?? 0
	);
}

/** The first date of a weekday, Monday being 1, that is not before another. */
export function firstOfWeekday(from: BakeDate, weekday: number): BakeDate {
	return addDays(from, (weekday - weekdayOf(from) + 7) % 7);
}

function earlier(a: BakeDate | null, b: BakeDate): BakeDate {
	return a !== null && a < b ? a : b;
}
