import type { BakeDayInput, Station } from '../../core/planning/index.ts';
import type { ListEntry } from '../../wording/list-entry.ts';

/** What is done at one station. */
export function atStation(list: readonly ListEntry[], station: Station): readonly ListEntry[] {
	return list.filter((entry) => entry.station === station);
}

/** The night of one person. */
export interface PersonNight {
	readonly id: string;
	readonly name: string;
	readonly there: readonly { readonly fromMs: number; readonly toMs: number }[];
	readonly entries: readonly ListEntry[];
}

/** The night of each who has something to do, in the order in which they begin; and what is nobody's by name. */
export function nightsOfPeople(
	list: readonly ListEntry[],
	{ people }: BakeDayInput
): { readonly people: readonly PersonNight[]; readonly nobodys: readonly ListEntry[] } {
	const nights = (people ?? []).map(({ id, name, there }) => ({
		id,
		name,
		there,
		entries: list.filter(({ personIds }) => personIds.includes(id))
	}));
	return {
		people: nights
			.filter(({ entries }) => entries.length > 0)
			.sort((a, b) => (a.entries[0]?.atMs ?? 0) - (b.entries[0]?.atMs ?? 0)),
		nobodys: list.filter(({ personIds }) => personIds.length === 0)
	};
}
