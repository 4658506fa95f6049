import { addDays, instantOf, MINUTE_MS, type BakeDate } from '../time/index.ts';
import { breakOffset, shiftsOn, type Person, type Skill } from './person.ts';

/** Somebody's work between two moments. */
export interface OnShift {
	readonly personId: string;
	readonly name: string;
	readonly skills: readonly Skill[];
	readonly pacePercent: number;
	readonly fromMs: number;
	readonly toMs: number;
	readonly breaks: readonly { readonly fromMs: number; readonly toMs: number }[];
}

/** A stretch in which more hands are wanted than are there. */
export interface ShortOfHands {
	readonly fromMs: number;
	readonly toMs: number;
	readonly wanted: number;
	readonly there: number;
}

/**
 * Who works when, over the shifts that begin from one date to another, in the order in which they begin.
 *
 * Model: a shift begins at its time on the bakery's wall and lasts its physical minutes, across a change of clocks too.
 * Range: dates of the calendar. Source: our default. Failures: none.
 * Example: 22:00 for 480 minutes on Friday ends at 06:00 on Saturday.
 */
export function rosterOf(
	people: readonly { readonly id: string; readonly name: string; readonly content: Person }[],
	{ from, to }: { readonly from: BakeDate; readonly to: BakeDate },
	isClosed: (date: BakeDate) => boolean,
	zone: string
): readonly OnShift[] {
	const found: OnShift[] = [];
	for (let date = from; date <= to; date = addDays(date, 1))
		for (const { id, name, content } of people)
			for (const shift of shiftsOn(content, date, isClosed(date))) {
				const fromMs = instantOf(date, shift.from, zone).epochMs;
				found.push({
					personId: id,
					name,
					skills: content.skills,
					pacePercent: content.pacePercent,
					fromMs,
					toMs: fromMs + shift.minutes * MINUTE_MS,
					breaks: shift.breaks.map((one) => {
						const begins = fromMs + breakOffset(shift, one) * MINUTE_MS;
						return { fromMs: begins, toMs: begins + one.minutes * MINUTE_MS };
					})
				});
			}
	return found.sort((a, b) => a.fromMs - b.fromMs || (a.name < b.name ? -1 : 1));
}

/** How many are at work at a moment: on shift and not at a break. */
export function handsAt(roster: readonly OnShift[], atMs: number): number {
	const people = roster.filter(
		(one) =>
			one.fromMs <= atMs &&
			atMs < one.toMs &&
			!one.breaks.some((pause) => pause.fromMs <= atMs && atMs < pause.toMs)
	);
	return new Set(people.map(({ personId }) => personId)).size;
}

/**
 * The stretches in which hands are wanted and too few are there.
 *
 * Model: between two moments at which anything begins or ends, both numbers stand still; neighbours that are alike are one.
 * Range: any roster. Source: our default. Failures: none.
 * Example: two doughs in hand at 23:10 with one baker on shift until 06:00 are one stretch, two wanted and one there.
 */
export function shortOfHands(
	wanted: readonly { readonly fromMs: number; readonly toMs: number; readonly count: number }[],
	roster: readonly OnShift[]
): readonly ShortOfHands[] {
	const moments = [
		...new Set([
			...wanted.flatMap(({ fromMs, toMs }) => [fromMs, toMs]),
			...roster.flatMap((one) => [
				one.fromMs,
				one.toMs,
				...one.breaks.flatMap((pause) => [pause.fromMs, pause.toMs])
			])
		])
	].sort((a, b) => a - b);
	const found: ShortOfHands[] = [];
	for (const [index, fromMs] of moments.entries()) {
		const toMs = moments[index + 1];
		if (toMs === undefined) break;
		const count = wanted
			.filter((block) => block.fromMs <= fromMs && fromMs < block.toMs)
			.reduce((total, block) => total + block.count, 0);
		const there = handsAt(roster, fromMs);
		if (count <= there) continue;
		const last = found.at(-1);
		if (last && last.toMs === fromMs && last.wanted === count && last.there === there)
			found[found.length - 1] = { ...last, toMs };
		else found.push({ fromMs, toMs, wanted: count, there });
	}
	return found;
}
