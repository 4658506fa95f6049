import type { BakeDate } from '../time/index.ts';
import type { BakeryEntry, EntryKind } from './entry.ts';

/** An entry as it stands on a date, with what is to come of it. */
export interface StandingEntry<K extends EntryKind = EntryKind> {
	readonly entry: BakeryEntry<K>;
	/** It begins only after the date. */
	readonly isToCome: boolean;
	/** When it changes next after the date; null where nothing further is entered. */
	readonly changesFrom: BakeDate | null;
	/** How often it was saved in all: what the next save counts from. */
	readonly lastNumber: number;
}

/**
 * How entries stand on a date, of all that was ever saved of them.
 *
 * Model: of the revisions that apply by the date the one that applies from the latest day counts, and of those of one day
 * the one that was saved last. One that applies only later stands as it begins.
 * Range: revisions of one kind, in any order. Source: our default. Failures: none.
 * Example: saved for 1 May, then for 1 June, then once more for 1 May: on 10 May the third counts, on 1 June the second.
 */
export function standingOn<K extends EntryKind>(
	revisions: readonly BakeryEntry<K>[],
	date: BakeDate
): readonly StandingEntry<K>[] {
	const byEntry = new Map<string, BakeryEntry<K>[]>();
	for (const revision of revisions)
		byEntry.set(revision.id, [...(byEntry.get(revision.id) ?? []), revision]);
	return [...byEntry.values()].flatMap((own) => {
		const inOrder = own.sort((a, b) =>
			a.appliesFrom === b.appliesFrom ? a.number - b.number : a.appliesFrom < b.appliesFrom ? -1 : 1
		);
		const now = inOrder.findLast(({ appliesFrom }) => appliesFrom <= date);
		const first = inOrder[0];
		const entry = now ?? first;
		if (!entry) return [];
		return [
			{
				entry,
				isToCome: now === undefined,
				changesFrom:
					inOrder.find(({ appliesFrom }) => appliesFrom > date && appliesFrom > entry.appliesFrom)
						?.appliesFrom ?? null,
				lastNumber: Math.max(...own.map(({ number }) => number))
			}
		];
	});
}
