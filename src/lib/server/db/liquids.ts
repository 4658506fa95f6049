import type { Addition } from '../../core/formula/index.ts';
import { id, type IngredientId } from '../../core/identity.ts';
import type { PickedLiquid } from '../../core/mixing/index.ts';
import type { Db, Tx } from './client.ts';
import { groupBy } from '../../core/group-by.ts';

/** The liquids that bakers picked to warm or cool, by the formula. */
export async function loadLiquids(
	db: Db | Tx
): Promise<ReadonlyMap<string, readonly PickedLiquid[]>> {
	const rows = await db.selectFrom('dough_liquid').selectAll().execute();
	return groupBy(
		rows,
		(row) => row.formula_id,
		(row) => ({
			ingredientId: id<IngredientId>(row.ingredient_id),
			addition: row.addition as Addition
		})
	);
}

/** Writes which liquids of a dough are warmed or cooled; none leaves it to what follows by itself. */
export async function putLiquids(
	tx: Tx,
	formulaId: string,
	picked: readonly PickedLiquid[]
): Promise<void> {
	await tx.deleteFrom('dough_liquid').where('formula_id', '=', formulaId).execute();
	if (picked.length === 0) return;
	await tx
		.insertInto('dough_liquid')
		.values(
			picked.map(({ ingredientId, addition }) => ({
				formula_id: formulaId,
				ingredient_id: ingredientId,
				addition
			}))
		)
		.execute();
}
