import { sql } from 'kysely';
import type { EntryRevisionView } from '../../contracts/bakery-views.ts';
import { ENTRY_CONTENTS } from '../../contracts/entry-schemas.ts';
import type { BakeryEntry, EntryContents, EntryKind } from '../../core/bakery/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** As the bakery is on a date, or as it will be after the last change that was entered. */
export type On = BakeDate | 'newest';

/** The first day of the calendar: what applies from it always did. */
export const FROM_THE_BEGINNING = '2000-01-01' as BakeDate;

/** What the bakery has on a date. */
export class Entries {
	constructor(private readonly every: readonly BakeryEntry[]) {}

	/** Those of a kind that are in use, by name. */
	of<K extends EntryKind>(kind: K): readonly BakeryEntry<K>[] {
		return this.all(kind).filter((entry) => !entry.retired);
	}

	/** Those of a kind, retired ones too. */
	all<K extends EntryKind>(kind: K): readonly BakeryEntry<K>[] {
		return this.every.filter((entry): entry is BakeryEntry<K> => entry.kind === kind);
	}
}

/** Loads what the bakery has, each entry by the revision that applies; in one query. */
export async function loadEntries(
	db: Db | Tx,
	on: On,
	kinds?: readonly EntryKind[]
): Promise<Entries> {
	const rows = await db
		.selectFrom('bakery_entry as entry')
		.innerJoin('bakery_entry_revision as revision', 'revision.entry_id', 'entry.id')
		.distinctOn('entry.id')
		.select([
			'entry.id',
			'entry.kind',
			'revision.name',
			'revision.number',
			'revision.applies_from',
			'revision.retired',
			'revision.content'
		])
		.$if(kinds !== undefined, (query) => query.where('entry.kind', 'in', kinds ?? []))
		.$if(on !== 'newest', (query) => query.where('revision.applies_from', '<=', on))
		.orderBy('entry.id')
		.orderBy('revision.applies_from', 'desc')
		.orderBy('revision.number', 'desc')
		.execute();
	const entries = rows.map((row): BakeryEntry => ({
		id: row.id,
		kind: row.kind,
		name: row.name,
		number: row.number,
		appliesFrom: row.applies_from as BakeDate,
		retired: row.retired,
		content: ENTRY_CONTENTS[row.kind].parse(row.content)
	}));
	return new Entries(entries.sort((a, b) => BY_NAME.compare(a.name, b.name)));
}

/** "Deck 10" stands after "Deck 9". */
const BY_NAME = new Intl.Collator('en', { numeric: true });

/** Every revision of the entries of a kind, newest first. */
export async function loadEntryHistory<K extends EntryKind>(
	db: Db | Tx,
	kind: K
): Promise<readonly EntryRevisionView<K>[]> {
	const rows = await db
		.selectFrom('bakery_entry as entry')
		.innerJoin('bakery_entry_revision as revision', 'revision.entry_id', 'entry.id')
		.leftJoin('bakery_entry as maker', 'maker.id', 'revision.made_by')
		.selectAll('revision')
		.select(['maker.name as by'])
		.where('entry.kind', '=', kind)
		.orderBy('revision.number', 'desc')
		.execute();
	return rows.map((row) => ({
		id: row.entry_id,
		kind,
		name: row.name,
		number: row.number,
		appliesFrom: row.applies_from as BakeDate,
		retired: row.retired,
		content: ENTRY_CONTENTS[kind].parse(row.content),
		by: row.by ?? '',
		occurredAtMs: row.occurred_at.getTime()
	}));
}

/** An entry as it stands, locked until the transaction ends; null when there is none. */
export async function lockEntry(
	tx: Tx,
	entryId: string
): Promise<{
	readonly kind: EntryKind;
	readonly name: string;
	readonly number: number;
	readonly by: string;
} | null> {
	const entry = await tx
		.selectFrom('bakery_entry')
		.select(['kind', 'name'])
		.where('id', '=', entryId)
		.forUpdate()
		.executeTakeFirst();
	if (!entry) return null;
	const newest = await tx
		.selectFrom('bakery_entry_revision as revision')
		.leftJoin('bakery_entry as maker', 'maker.id', 'revision.made_by')
		.select(['revision.number', 'maker.name'])
		.where('entry_id', '=', entryId)
		.orderBy('revision.number', 'desc')
		.limit(1)
		.executeTakeFirst();
	return { ...entry, number: newest?.number ?? 0, by: newest?.name ?? '' };
}

/** The names of every entry of a kind, with their ids. */
export async function loadEntryNames(
	tx: Tx,
	kind: EntryKind
): Promise<readonly { readonly id: string; readonly name: string }[]> {
	return tx.selectFrom('bakery_entry').select(['id', 'name']).where('kind', '=', kind).execute();
}

/** Two bakers who name something of one kind queue here. */
export async function lockEntryNames(tx: Tx, kind: EntryKind): Promise<void> {
	await sql`select pg_advisory_xact_lock(hashtext(${`bakery entries ${kind}`}))`.execute(tx);
}

/** Writes a revision of an entry, and the entry with its first. */
export async function insertEntryRevision<K extends EntryKind>(
	tx: Tx,
	entry: BakeryEntry<K> & { readonly content: EntryContents[K] },
	by: { readonly madeBy: string | null; readonly occurredAtMs: number }
): Promise<void> {
	const named: EveryColumn<'bakery_entry'> = { id: entry.id, kind: entry.kind, name: entry.name };
	await tx
		.insertInto('bakery_entry')
		.values(named)
		.onConflict((conflict) => conflict.column('id').doUpdateSet({ name: entry.name }))
		.execute();
	const row: EveryColumn<'bakery_entry_revision'> = {
		entry_id: entry.id,
		number: entry.number,
		applies_from: entry.appliesFrom,
		name: entry.name,
		retired: entry.retired,
		content: JSON.stringify(entry.content),
		made_by: by.madeBy,
		occurred_at: new Date(by.occurredAtMs)
	};
	await tx.insertInto('bakery_entry_revision').values(row).execute();
}
