import type { Material } from '../../core/formula/index.ts';
import { id, type IngredientId, type PreparationId } from '../../core/identity.ts';
import type { Db, Tx } from './client.ts';

/** Who made which revision. */
export interface RevisionHead {
	readonly revisionId: string;
	readonly number: number;
	readonly by: string;
	readonly recordedAtMs: number;
}

/** The newest revisions of a formula, newest first. */
export async function loadRevisionHeads(
	db: Db | Tx,
	formulaId: string,
	most: number
): Promise<readonly RevisionHead[]> {
	const rows = await db
		.selectFrom('formula_revision as revision')
		.innerJoin('person', 'person.id', 'revision.made_by')
		.select(['revision.id', 'revision.number', 'revision.recorded_at', 'person.name'])
		.where('revision.formula_id', '=', formulaId)
		.orderBy('revision.number', 'desc')
		.limit(most)
		.execute();
	return rows.map((row) => ({
		revisionId: row.id,
		number: row.number,
		by: row.name,
		recordedAtMs: row.recorded_at.getTime()
	}));
}

/** Who made one revision of a build or soaker. */
export async function loadPreparationEditor(db: Db | Tx, revisionId: string): Promise<string> {
	const row = await db
		.selectFrom('preparation_revision as revision')
		.innerJoin('person', 'person.id', 'revision.made_by')
		.select('person.name')
		.where('revision.id', '=', revisionId)
		.executeTakeFirst();
	return row?.name ?? '';
}

/** What a stored line refers to; the table holds exactly one of the two. */
export function materialOf(row: {
	ingredient_id: string | null;
	preparation_id: string | null;
}): Material {
	return row.ingredient_id !== null
		? { kind: 'ingredient', ingredientId: id<IngredientId>(row.ingredient_id) }
		: { kind: 'preparation', preparationId: id<PreparationId>(row.preparation_id ?? '') };
}

/** The columns that store what a line refers to. */
export function materialColumns(material: Material): {
	ingredient_id: string | null;
	preparation_id: string | null;
} {
	return material.kind === 'ingredient'
		? { ingredient_id: material.ingredientId, preparation_id: null }
		: { ingredient_id: null, preparation_id: material.preparationId };
}
