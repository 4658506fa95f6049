import type { Material } from '../../core/formula/index.ts';
import { id, type IngredientId, type PreparationId } from '../../core/identity.ts';

/** The revisions that the book's ingredients and preparations stand at, to be named by what takes from them. */
export interface Pins {
	readonly ingredients: ReadonlyMap<IngredientId, string>;
	readonly preparations: ReadonlyMap<PreparationId, string>;
}

/** A line as it is stored: by the revision of what it takes. */
export interface PinnedColumns {
	readonly ingredient_revision_id: string | null;
	readonly preparation_revision_id: string | null;
}

/** The columns that store what a line refers to. What is not in the book is a bug of the caller. */
export function pinnedColumns(material: Material, pins: Pins): PinnedColumns {
	const revision =
		material.kind === 'ingredient'
			? pins.ingredients.get(material.ingredientId)
			: pins.preparations.get(material.preparationId);
	if (revision === undefined) throw new Error(`a line names ${material.kind} that is not there`);
	return material.kind === 'ingredient'
		? { ingredient_revision_id: revision, preparation_revision_id: null }
		: { ingredient_revision_id: null, preparation_revision_id: revision };
}

/** What a stored line refers to; the table holds exactly one of the two. */
export function materialOf(row: {
	readonly ingredient_id: string | null;
	readonly preparation_id: string | null;
}): Material {
	return row.ingredient_id !== null
		? { kind: 'ingredient', ingredientId: id<IngredientId>(row.ingredient_id) }
		: { kind: 'preparation', preparationId: id<PreparationId>(row.preparation_id ?? '') };
}
