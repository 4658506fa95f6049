import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** In how many mixes at least a baker wants a dough of a date, with its version; null for as few as fit. */
export interface MixesWanted {
	readonly mixes: number | null;
	readonly version: number;
}

/** What is wanted on a date, by the formula. */
export async function loadMixesWanted(
	db: Db | Tx,
	date: string
): Promise<ReadonlyMap<string, MixesWanted>> {
	const rows = await db
		.selectFrom('mixes_wanted')
		.select(['formula_id', 'mixes', 'row_version'])
		.where('bake_date', '=', date)
		.execute();
	return new Map(
		rows.map((row) => [row.formula_id, { mixes: row.mixes, version: row.row_version }])
	);
}

/** What is wanted of one dough as it stands, locked, with who said so. A row that is not there yet is made first. */
export async function lockMixesWanted(
	tx: Tx,
	date: string,
	formulaId: string,
	actorId: string
): Promise<MixesWanted & { readonly by: string }> {
	const fresh: EveryColumn<'mixes_wanted'> = {
		bake_date: date,
		formula_id: formulaId,
		mixes: null,
		row_version: 0,
		changed_by: actorId
	};
	await tx
		.insertInto('mixes_wanted')
		.values(fresh)
		.onConflict((conflict) => conflict.doNothing())
		.execute();
	const row = await tx
		.selectFrom('mixes_wanted')
		.innerJoin('bakery_entry as person', 'person.id', 'mixes_wanted.changed_by')
		.select(['mixes_wanted.mixes', 'mixes_wanted.row_version', 'person.name'])
		.where('bake_date', '=', date)
		.where('formula_id', '=', formulaId)
		.forUpdate('mixes_wanted')
		.executeTakeFirstOrThrow();
	return { mixes: row.mixes, version: row.row_version, by: row.name };
}

export async function updateMixesWanted(
	tx: Tx,
	date: string,
	formulaId: string,
	to: MixesWanted & { readonly changedBy: string }
): Promise<void> {
	await tx
		.updateTable('mixes_wanted')
		.set({ mixes: to.mixes, row_version: to.version, changed_by: to.changedBy })
		.where('bake_date', '=', date)
		.where('formula_id', '=', formulaId)
		.execute();
}
