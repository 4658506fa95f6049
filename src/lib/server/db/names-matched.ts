import type { OurMaterial } from '../../contracts/bring-in-views.ts';
import type { Material } from '../../core/formula/index.ts';
import type { Db, Tx } from './client.ts';

/** What the names of files were matched to, by their keys. */
export async function loadNamesMatched(db: Db | Tx): Promise<ReadonlyMap<string, OurMaterial>> {
	const rows = await db
		.selectFrom('name_matched')
		.select(['key', 'ingredient_id', 'preparation_id'])
		.orderBy('key')
		.execute();
	return new Map(
		rows.map((row): readonly [string, OurMaterial] => [
			row.key,
			row.ingredient_id === null
				? { is: 'preparation', id: row.preparation_id ?? '' }
				: { is: 'ingredient', id: row.ingredient_id }
		])
	);
}

/** Remembers what names are; what was decided last stands. */
export async function rememberNames(
	tx: Tx,
	matches: ReadonlyMap<string, Material>,
	commandId: string
): Promise<void> {
	if (matches.size === 0) return;
	await tx
		.insertInto('name_matched')
		.values(
			[...matches].map(([key, material]) => ({
				key,
				ingredient_id: material.kind === 'ingredient' ? material.ingredientId : null,
				preparation_id: material.kind === 'preparation' ? material.preparationId : null,
				command_id: commandId
			}))
		)
		.onConflict((conflict) =>
			conflict.column('key').doUpdateSet((eb) => ({
				ingredient_id: eb.ref('excluded.ingredient_id'),
				preparation_id: eb.ref('excluded.preparation_id'),
				command_id: eb.ref('excluded.command_id')
			}))
		)
		.execute();
}
