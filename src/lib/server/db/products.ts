import { stepsSchema } from '../../contracts/steps.ts';
import type { Step } from '../../core/formula/index.ts';
import { id, type FormulaId, type ProductId } from '../../core/identity.ts';
import type { BakeryProduct, ProductDough, ProductExtra } from '../../core/production/index.ts';
import type { Db, Tx } from './client.ts';
import { materialOf } from './formula-history.ts';
import { groupBy } from './group-by.ts';

/** A product's newest revision. */
export interface ProductRevision {
	readonly revisionId: string;
	readonly number: number;
	readonly product: BakeryProduct;
	/** Of all its doughs together. */
	readonly scaledGrams: number;
	readonly bakedGrams: number | null;
	readonly bakeLossShare: number;
	readonly shape: string;
	readonly vesselId: string | null;
	readonly dividerId: string | null;
	readonly footprint: { readonly lengthCm: number; readonly widthCm: number } | null;
	readonly piecesPerDeck: number;
	readonly steps: readonly Step[];
	readonly retired: boolean;
}

/** The newest revision of every product, in the order of the orders sheet; retired ones at their place. */
export async function loadProducts(db: Db | Tx): Promise<readonly ProductRevision[]> {
	const newest = db
		.selectFrom('product_revision as revision')
		.selectAll('revision')
		.distinctOn('revision.product_id')
		.orderBy('revision.product_id')
		.orderBy('revision.number', 'desc')
		.as('revision');
	const rows = await db
		.selectFrom(newest)
		.innerJoin('product', 'product.id', 'revision.product_id')
		.selectAll('revision')
		.select(['product.name', 'product.ordinal', 'product.retired_at'])
		.orderBy('product.ordinal')
		.orderBy('product.name')
		.execute();
	const ids = rows.map((row) => row.id);
	if (ids.length === 0) return [];
	const [doughs, extras] = await Promise.all([
		db
			.selectFrom('product_revision_dough')
			.selectAll()
			.where('revision_id', 'in', ids)
			.orderBy('ordinal')
			.execute(),
		db
			.selectFrom('product_revision_extra')
			.selectAll()
			.where('revision_id', 'in', ids)
			.orderBy('ordinal')
			.execute()
	]);
	const doughsOf = groupBy(
		doughs,
		(row) => row.revision_id,
		(row): ProductDough => ({
			formulaId: id<FormulaId>(row.formula_id),
			scaledWeight: { grams: row.scaled_g }
		})
	);
	const extrasOf = groupBy(
		extras,
		(row) => row.revision_id,
		(row): ProductExtra => ({
			use: row.use,
			material: materialOf(row),
			amount: { grams: row.amount_g },
			forPieces: row.for_pieces
		})
	);
	return rows.map((row) => {
		const own = doughsOf.get(row.id) ?? [];
		return {
			revisionId: row.id,
			number: row.number,
			product: {
				id: id<ProductId>(row.product_id),
				name: row.name,
				doughs: own,
				extras: extrasOf.get(row.id) ?? []
			},
			scaledGrams: own.reduce((total, dough) => total + dough.scaledWeight.grams, 0),
			bakedGrams: row.baked_g,
			bakeLossShare: row.bake_loss_share,
			shape: row.shape,
			vesselId: row.vessel_id,
			dividerId: row.divider_id,
			footprint:
				row.footprint_length_cm === null || row.footprint_width_cm === null
					? null
					: { lengthCm: row.footprint_length_cm, widthCm: row.footprint_width_cm },
			piecesPerDeck: row.pieces_per_deck,
			steps: stepsSchema.parse(row.steps),
			retired: row.retired_at !== null
		};
	});
}
