import { sql } from 'kysely';
import type { Db, Tx } from '../db/client.ts';

/** A table as an archive has it. */
export interface ArchivedTable {
	readonly name: string;
	/** Its columns, without those that the database works out itself. */
	readonly columns: readonly string[];
	/** The columns that point at other rows of the same table. */
	readonly ownReferences: readonly string[];
	/** Columns that count by themselves, with what counts. */
	readonly counters: readonly { readonly column: string; readonly sequence: string }[];
	/** Triggers that tell of every row: nobody listens while an archive is taken. */
	readonly announcers: readonly string[];
}

/**
 * What only says which version the data is in, and who may come in at the doors of this machine: an archive that is handed
 * on opens none of them.
 */
const NOT_ARCHIVED = [
	'kysely_migration',
	'kysely_migration_lock',
	'credential',
	'door_session',
	'door_hand',
	'door_key',
	'door_entry',
	'door_secret'
];

/**
 * Every table of the bakery, each after those whose rows its own point at: read from the database itself, so that a table that is added is archived without a word here.
 * References that are checked at the end of a transaction ask for no order.
 */
export async function tablesOfArchive(db: Db | Tx): Promise<readonly ArchivedTable[]> {
	const { rows } = await sql<{
		name: string;
		columns: string[];
		own: string[] | null;
		counted: string[] | null;
		announcers: string[] | null;
		needs: string[] | null;
	}>`select c.relname as name,
			(select array_agg(a.attname::text order by a.attnum) from pg_attribute a
				where a.attrelid = c.oid and a.attnum > 0 and not a.attisdropped and a.attgenerated = '') as columns,
			(select array_agg(a.attname::text order by a.attnum) from pg_constraint k
				join pg_attribute a on a.attrelid = k.conrelid and a.attnum = k.conkey[1]
				where k.conrelid = c.oid and k.confrelid = c.oid and k.contype = 'f') as own,
			(select array_agg(a.attname::text order by a.attnum) from pg_attribute a
				where a.attrelid = c.oid and a.attidentity <> '') as counted,
			(select array_agg(t.tgname::text order by t.tgname) from pg_trigger t
				where t.tgrelid = c.oid and not t.tgisinternal and (t.tgtype & 4) > 0) as announcers,
			(select array_agg(distinct k.confrelid::regclass::text) from pg_constraint k
				where k.conrelid = c.oid and k.contype = 'f' and not k.condeferrable and k.confrelid <> c.oid) as needs
		from pg_class c
		where c.relnamespace = 'public'::regnamespace and c.relkind = 'r' and c.relname <> all(${sql.val(NOT_ARCHIVED)}::text[])
		order by c.relname`.execute(db);
	const { rows: sequences } = await sql<{ name: string; column: string; sequence: string }>`
		select t.relname as name, a.attname as column, s.oid::regclass::text as sequence
		from pg_class s join pg_depend d on d.objid = s.oid and d.deptype = 'i'
		join pg_class t on t.oid = d.refobjid join pg_attribute a on a.attrelid = t.oid and a.attnum = d.refobjsubid
		where s.relkind = 'S' and s.relnamespace = 'public'::regnamespace order by 1, 2`.execute(db);
	const waiting = new Map(rows.map((row) => [row.name, new Set(row.needs ?? [])]));
	const ordered: string[] = [];
	while (waiting.size > 0) {
		const free = [...waiting].flatMap(([name, needs]) =>
			[...needs].some((other) => waiting.has(other)) ? [] : [name]
		);
		if (free.length === 0)
			throw new Error(`tables point at each other in a ring: ${[...waiting.keys()].join(', ')}`);
		for (const name of free) waiting.delete(name);
		ordered.push(...free);
	}
	return ordered.flatMap((name) => {
		const row = rows.find((one) => one.name === name);
		return row
			? [
					{
						name,
						columns: row.columns,
						ownReferences: row.own ?? [],
						counters: sequences.filter((one) => one.name === name),
						announcers: row.announcers ?? []
					}
				]
			: [];
	});
}
