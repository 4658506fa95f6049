import type { CommandContent } from '../../src/lib/contracts/commands.ts';
import type { EntryContents, EntryKind } from '../../src/lib/core/bakery/index.ts';
import type { Db } from '../../src/lib/server/db/client.ts';
import { loadEntries } from '../../src/lib/server/db/entries.ts';
import type { BakeDate } from '../../src/lib/core/time/index.ts';

/** What every test entry says: it is new, and always was so. */
export const ALWAYS = {
	kind: 'save-entry',
	expectedNumber: 0,
	appliesFrom: '2000-01-01' as BakeDate,
	retired: false
} as const;

/** An entry as it stands, as `save-entry` takes it. */
export async function entryOf<K extends EntryKind>(db: Db, kind: K, name: string) {
	const entry = (await loadEntries(db, 'newest')).all(kind).find((one) => one.name === name);
	if (!entry) throw new Error(`there is no ${kind} called ${name}`);
	return {
		kind: 'save-entry' as const,
		entryId: entry.id,
		expectedNumber: entry.number,
		name,
		appliesFrom: entry.appliesFrom,
		retired: entry.retired,
		entryKind: kind,
		content: entry.content
	} as { readonly kind: 'save-entry' } & CommandContent<'save-entry'>;
}

/** A cold room as `save-entry` takes it. */
export function coldRoom(
	entryId: string,
	name: string,
	celsius: number,
	cold: NonNullable<EntryContents['place']['cold']>
) {
	return {
		...ALWAYS,
		entryId,
		entryKind: 'place' as const,
		name,
		content: {
			placeKind: 'cold' as const,
			role: 'other' as const,
			celsius,
			humidityPercent: null,
			holds: null,
			ovenId: null,
			cold
		}
	};
}

/** A place with nothing but its temperature. */
export function plainPlace(
	entryId: string,
	name: string,
	celsius: number,
	change: Partial<EntryContents['place']> = {}
) {
	return {
		...ALWAYS,
		entryId,
		entryKind: 'place' as const,
		name,
		content: {
			placeKind: 'room' as const,
			role: 'other' as const,
			celsius,
			humidityPercent: null,
			holds: null,
			ovenId: null,
			cold: null,
			...change
		}
	};
}
