import type { FormulaLine, Material, PreparationLine } from '../../core/formula/index.ts';
import { id, type IngredientId, type PreparationId } from '../../core/identity.ts';
import type { Db, Tx } from './client.ts';

/** Who made which revision. */
export interface RevisionHead {
	readonly revisionId: string;
	readonly number: number;
	readonly by: string;
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
		.select(['revision.id', 'revision.number', 'person.name'])
		.where('revision.formula_id', '=', formulaId)
		.orderBy('revision.number', 'desc')
		.limit(most)
		.execute();
	return rows.map((row) => ({
		revisionId: row.id,
		number: row.number,
		by: row.name
	}));
}

export async function loadFormulaLines(
	db: Db | Tx,
	revisionId: string
): Promise<readonly FormulaLine[]> {
	const rows = await db
		.selectFrom('formula_revision_line')
		.selectAll()
		.where('revision_id', '=', revisionId)
		.orderBy('ordinal')
		.execute();
	return rows.map((row) => ({
		material: materialOf(row),
		percentOfFlour: row.percent_of_flour,
		addition: row.addition
	}));
}

/** The lines of one revision of a build or soaker by its number; empty when there is none. */
export async function loadPreparationLines(
	db: Db | Tx,
	preparationId: string,
	number: number
): Promise<readonly PreparationLine[]> {
	const rows = await db
		.selectFrom('preparation_revision_line as line')
		.innerJoin('preparation_revision as revision', 'revision.id', 'line.revision_id')
		.select(['line.ingredient_id', 'line.preparation_id', 'line.parts'])
		.where('revision.preparation_id', '=', preparationId)
		.where('revision.number', '=', number)
		.orderBy('line.ordinal')
		.execute();
	return rows.map((row) => ({ material: materialOf(row), parts: row.parts }));
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
