import { randomUUID } from 'node:crypto';
import type { Selectable } from 'kysely';
import type { Delivery, Ingredient } from '../../core/formula/index.ts';
import { id, type DeliveryId, type IngredientId, type PlaceId } from '../../core/identity.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn, Tables } from './tables.ts';

/** An ingredient as its newest revision says. */
export interface IngredientRow {
	readonly revisionId: string;
	readonly number: number;
	/** Who made the revision; empty where that was not told yet. */
	readonly by: string;
	readonly ingredient: Ingredient;
}

export async function loadIngredientRows(db: Db | Tx): Promise<readonly IngredientRow[]> {
	const rows = await db
		.selectFrom('ingredient_revision as revision')
		.innerJoin('ingredient', 'ingredient.id', 'revision.ingredient_id')
		.leftJoin('bakery_entry as weighing_scale', 'weighing_scale.id', 'revision.weighing_scale_id')
		.leftJoin('bakery_entry as person', 'person.id', 'revision.made_by')
		.selectAll('revision')
		.select([
			'weighing_scale.name as scale_name',
			'ingredient.retired_at',
			'ingredient.place_id',
			'ingredient.name as current_name',
			'person.name as by'
		])
		.distinctOn('revision.ingredient_id')
		.orderBy('revision.ingredient_id')
		.orderBy('revision.number', 'desc')
		.execute();
	return rows
		.map((row) => ({
			revisionId: row.id,
			number: row.number,
			by: row.by ?? '',
			ingredient: ingredientOf({ ...row, name: row.current_name })
		}))
		.sort((a, b) => (a.ingredient.name < b.ingredient.name ? -1 : 1));
}

/** Ingredients as the revisions that are named say, by the revision's id. */
export async function loadIngredientRevisions(
	db: Db | Tx,
	revisionIds: readonly string[]
): Promise<ReadonlyMap<string, Ingredient>> {
	if (revisionIds.length === 0) return new Map();
	const rows = await db
		.selectFrom('ingredient_revision as revision')
		.innerJoin('ingredient', 'ingredient.id', 'revision.ingredient_id')
		.leftJoin('bakery_entry as weighing_scale', 'weighing_scale.id', 'revision.weighing_scale_id')
		.selectAll('revision')
		.select(['weighing_scale.name as scale_name', 'ingredient.retired_at', 'ingredient.place_id'])
		.where('revision.id', 'in', revisionIds)
		.execute();
	return new Map(rows.map((row) => [row.id, ingredientOf(row)]));
}

function ingredientOf(
	row: Selectable<Tables['ingredient_revision']> & {
		readonly scale_name: string | null;
		readonly retired_at: Date | null;
		readonly place_id: string | null;
	}
): Ingredient {
	return {
		id: id<IngredientId>(row.ingredient_id),
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
		purity: { share: row.purity_share },
		rolling: rollingOf(row),
		pricePerKilogram: row.price_per_kg,
		weighedOn: row.scale_name,
		placeId: row.place_id === null ? null : id<PlaceId>(row.place_id),
		retired: row.retired_at !== null
	};
}

function rollingOf(row: Selectable<Tables['ingredient_revision']>): Ingredient['rolling'] {
	const { rolls_from_c: from, rolls_to_c: to, melts_at_c: meltsAt } = row;
	return from === null || to === null || meltsAt === null
		? null
		: { fromCelsius: from, toCelsius: to, meltsAtCelsius: meltsAt };
}

/** Makes an ingredient, or gives it another name and place; what it is stands in its revisions. */
export async function nameIngredient(
	tx: Tx,
	{ id: ingredientId, name, placeId }: Pick<Ingredient, 'id' | 'name' | 'placeId'>
): Promise<void> {
	const row: EveryColumn<'ingredient'> = {
		id: ingredientId,
		name,
		retired_at: null,
		place_id: placeId
	};
	await tx
		.insertInto('ingredient')
		.values(row)
		.onConflict((conflict) => conflict.column('id').doUpdateSet({ name, place_id: placeId }))
		.execute();
}

/** Writes a revision of an ingredient; gives its id. */
export async function insertIngredientRevision(
	tx: Tx,
	ingredient: Ingredient,
	of: {
		readonly number: number;
		readonly weighingScaleId: string | null;
		readonly madeBy: string | null;
		readonly occurredAtMs: number;
	}
): Promise<string> {
	const { composition } = ingredient;
	const row: EveryColumn<'ingredient_revision'> = {
		id: randomUUID(),
		ingredient_id: ingredient.id,
		number: of.number,
		name: ingredient.name,
		kind: ingredient.kind,
		flour_share: composition.flour,
		water_share: composition.water,
		fat_share: composition.fat,
		sugar_share: composition.sugar,
		wholegrain_of_flour: composition.wholegrainOfFlour,
		yeast_fresh_equivalent: ingredient.yeastFreshEquivalent,
		allergens: [...ingredient.allergens],
		heat_capacity_kj_per_kg_k: ingredient.heatCapacity.kilojoulesPerKilogramKelvin,
		density_kg_per_l: ingredient.density?.kilogramsPerLitre ?? null,
		price_per_kg: ingredient.pricePerKilogram,
		purity_share: ingredient.purity.share,
		rolls_from_c: ingredient.rolling?.fromCelsius ?? null,
		rolls_to_c: ingredient.rolling?.toCelsius ?? null,
		melts_at_c: ingredient.rolling?.meltsAtCelsius ?? null,
		weighing_scale_id: of.weighingScaleId,
		made_by: of.madeBy,
		occurred_at: new Date(of.occurredAtMs)
	};
	await tx.insertInto('ingredient_revision').values(row).execute();
	return row.id;
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

/** Writes a delivery down; false where that lot of the flour is there already. */
export async function insertDelivery(
	tx: Tx,
	delivery: Delivery,
	commandId: string | null
): Promise<boolean> {
	const { properties } = delivery;
	const row: EveryColumn<'flour_delivery'> = {
		id: delivery.id,
		ingredient_id: delivery.ingredientId,
		command_id: commandId,
		received_on: delivery.receivedOn,
		lot: delivery.lot,
		extraction_percent: properties.extractionPercent,
		protein_percent: properties.proteinPercent,
		ash_percent: properties.ashPercent,
		moisture_percent: properties.moisturePercent,
		falling_number_s: properties.fallingNumberSeconds,
		absorption_points: properties.absorptionPoints,
		milling: properties.milling,
		wholegrain_percent: properties.wholegrainPercent
	};
	const made = await tx
		.insertInto('flour_delivery')
		.values(row)
		.onConflict((conflict) => conflict.doNothing())
		.returning('id')
		.executeTakeFirst();
	return made !== undefined;
}

/** Whether each of the deliveries is one of its flour. */
export async function areDeliveriesKnown(
	db: Db | Tx,
	deliveries: readonly { readonly ingredientId: string; readonly deliveryId: string }[]
): Promise<boolean> {
	if (deliveries.length === 0) return true;
	const rows = await db
		.selectFrom('flour_delivery')
		.select(['id', 'ingredient_id'])
		.where(
			'id',
			'in',
			deliveries.map((delivery) => delivery.deliveryId)
		)
		.execute();
	const flourOf = new Map(rows.map((row) => [row.id, row.ingredient_id]));
	return deliveries.every((delivery) => flourOf.get(delivery.deliveryId) === delivery.ingredientId);
}

export async function isIngredientKnown(db: Db | Tx, ingredientId: string): Promise<boolean> {
	const row = await db
		.selectFrom('ingredient')
		.select('id')
		.where('id', '=', ingredientId)
		.executeTakeFirst();
	return row !== undefined;
}
