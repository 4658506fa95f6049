import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** The bases that bakers typed, in degrees Celsius, by the formula. */
export async function loadBases(db: Db | Tx): Promise<ReadonlyMap<string, number>> {
	const rows = await db.selectFrom('dough_base').selectAll().execute();
	return new Map(rows.map((row) => [row.formula_id, row.celsius]));
}

/** Writes the base of a dough, or takes it away. */
export async function putBase(tx: Tx, formulaId: string, celsius: number | null): Promise<void> {
	if (celsius === null) {
		await tx.deleteFrom('dough_base').where('formula_id', '=', formulaId).execute();
		return;
	}
	const row: EveryColumn<'dough_base'> = { formula_id: formulaId, celsius };
	await tx
		.insertInto('dough_base')
		.values(row)
		.onConflict((conflict) => conflict.column('formula_id').doUpdateSet({ celsius }))
		.execute();
}
