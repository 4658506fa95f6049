import type { Delivery, Ingredient } from '../../core/formula/index.ts';
import { id, type DeliveryId, type IngredientId } from '../../core/identity.ts';
import type { Db, Tx } from './client.ts';

/** An ingredient with the version that two editors are told apart by. */
export interface IngredientRow {
	readonly ingredient: Ingredient;
	readonly version: number;
}

export async function loadIngredientRows(db: Db | Tx): Promise<readonly IngredientRow[]> {
	const rows = await db
		.selectFrom('ingredient')
		.leftJoin('weighing_scale', 'weighing_scale.id', 'ingredient.weighing_scale_id')
		.selectAll('ingredient')
		.select('weighing_scale.name as scale_name')
		.orderBy('ingredient.name')
		.execute();
	return rows.map((row) => ({
		version: row.row_version,
		ingredient: {
			id: id<IngredientId>(row.id),
			name: row.name,
			kind: row.kind,
			composition: {
				flour: row.flour_share,
				water: row.water_share,
				fat: row.fat_share,
				sugar: row.sugar_share,
				wholegrainOfFlour: row.wholegrain_of_flour
			},
			yeastFreshEquivalent: row.yeast_fresh_equivalent,
			allergens: row.allergens,
			heatCapacity: { kilojoulesPerKilogramKelvin: row.heat_capacity_kj_per_kg_k },
			density: row.density_kg_per_l === null ? null : { kilogramsPerLitre: row.density_kg_per_l },
			pricePerKilogram: row.price_per_kg,
			weighedOn: row.scale_name,
			retired: row.retired_at !== null
		}
	}));
}

/** How many deliveries of one flour are told; older ones stay in the database for the formulas that name them. */
const NEWEST_DELIVERIES = 20;

/** The newest deliveries of each flour, and those that are named, newest first. */
export async function loadDeliveries(
	db: Db | Tx,
	named: readonly DeliveryId[] = []
): Promise<readonly Delivery[]> {
	const newest = db
		.selectFrom('flour_delivery')
		.selectAll()
		.select(({ fn }) =>
			fn
				.agg<string>('row_number')
				.over((over) =>
					over.partitionBy('ingredient_id').orderBy('received_on', 'desc').orderBy('id')
				)
				.as('place')
		)
		.as('newest');
	const rows = await db
		.selectFrom(newest)
		.selectAll()
		.where((where) =>
			where.or([
				where('place', '<=', String(NEWEST_DELIVERIES)),
				...(named.length > 0 ? [where('id', 'in', named)] : [])
			])
		)
		.orderBy('received_on', 'desc')
		.orderBy('lot')
		.execute();
	return rows.map((row) => ({
		id: id<DeliveryId>(row.id),
		ingredientId: id<IngredientId>(row.ingredient_id),
		receivedOn: row.received_on,
		lot: row.lot,
		properties: {
			extractionPercent: row.extraction_percent,
			proteinPercent: row.protein_percent,
			ashPercent: row.ash_percent,
			moisturePercent: row.moisture_percent,
			fallingNumberSeconds: row.falling_number_s,
			absorptionPoints: row.absorption_points,
			milling: row.milling,
			wholegrainPercent: row.wholegrain_percent
		}
	}));
}
