import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import type { ProductSettings } from '../../contracts/formula-book.ts';
import { sheetSchema } from '../../contracts/sheeting.ts';
import { storedStepsSchema } from '../../contracts/steps.ts';
import type { Step } from '../../core/formula/index.ts';
import { id, type FormulaId, type ProductId } from '../../core/identity.ts';
import type { BakeryProduct, ProductDough, ProductExtra } from '../../core/production/index.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn, RevisionCause } from './tables.ts';
import { materialOf, pinnedColumns, type Pins } from './materials.ts';
import { groupBy } from '../../core/group-by.ts';

/** A product's newest revision. */
export interface ProductRevision extends Readonly<ProductSettings> {
	readonly revisionId: string;
	readonly number: number;
	readonly by: string;
	/** The newest number that somebody edited; later ones only follow what goes on the piece. */
	readonly editedNumber: number;
	readonly product: BakeryProduct;
	/** Of all its doughs together. */
	readonly scaledGrams: number;
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
		.innerJoin('bakery_entry as person', 'person.id', 'revision.made_by')
		.selectAll('revision')
		.select([
			'product.name as current_name',
			'product.ordinal',
			'product.retired_at',
			'person.name as by',
			sql<number>`(select max(number) from product_revision e
				where e.product_id = revision.product_id and e.cause = 'edited')`.as('edited_number')
		])
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
			.selectFrom('product_revision_extra as extra')
			.leftJoin('ingredient_revision as i', 'i.id', 'extra.ingredient_revision_id')
			.leftJoin('preparation_revision as p', 'p.id', 'extra.preparation_revision_id')
			.selectAll('extra')
			.select(['i.ingredient_id', 'p.preparation_id'])
			.where('extra.revision_id', 'in', ids)
			.orderBy('extra.ordinal')
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
			by: row.by,
			editedNumber: row.edited_number,
			product: {
				id: id<ProductId>(row.product_id),
				name: row.current_name,
				doughs: own,
				extras: extrasOf.get(row.id) ?? [],
				sheet: sheetOf(row.sheet),
				spares: { share: row.spares_share }
			},
			scaledGrams: own.reduce((total, dough) => total + dough.scaledWeight.grams, 0),
			bakedGrams: row.baked_g,
			bakeLossShare: row.bake_loss_share,
			sparesShare: row.spares_share,
			shape: row.shape,
			score: row.score,
			scoreMm: row.score_mm,
			vesselId: row.vessel_id,
			dividerId: row.divider_id,
			footprint:
				row.footprint_length_cm === null || row.footprint_width_cm === null
					? null
					: { lengthCm: row.footprint_length_cm, widthCm: row.footprint_width_cm },
			heightCm: row.height_cm,
			piecesPerDeck: row.pieces_per_deck,
			spacingCm: row.spacing_cm,
			sheet: sheetOf(row.sheet),
			steps: storedStepsSchema.parse(row.steps),
			retired: row.retired_at !== null
		};
	});
}

function sheetOf(stored: unknown): BakeryProduct['sheet'] {
	return stored === null ? null : sheetSchema.parse(stored);
}

/** What a revision of a product says. */
export type ProductContents = Omit<
	ProductRevision,
	'revisionId' | 'number' | 'by' | 'editedNumber' | 'scaledGrams' | 'retired'
>;

/** Makes a product, at the end of the orders sheet, or gives it another name. */
export async function nameProduct(tx: Tx, productId: string, name: string): Promise<void> {
	const last = await tx
		.selectFrom('product')
		.select(({ fn }) => fn.max('ordinal').as('ordinal'))
		.executeTakeFirst();
	const row: EveryColumn<'product'> = {
		id: productId,
		name,
		ordinal: (last?.ordinal ?? 0) + 1,
		retired_at: null
	};
	await tx
		.insertInto('product')
		.values(row)
		.onConflict((conflict) => conflict.column('id').doUpdateSet({ name }))
		.execute();
}

/** Writes a revision of a product, what goes on it pinned to its revisions; gives its id. */
export async function insertProductRevision(
	tx: Tx,
	contents: ProductContents,
	of: {
		readonly number: number;
		readonly cause: RevisionCause;
		readonly madeBy: string;
		readonly occurredAtMs: number;
	},
	pins: Pins
): Promise<string> {
	const { product } = contents;
	const row: EveryColumn<'product_revision'> = {
		id: randomUUID(),
		product_id: product.id,
		number: of.number,
		name: product.name,
		cause: of.cause,
		pieces_per_deck: contents.piecesPerDeck,
		spacing_cm: contents.spacingCm,
		baked_g: contents.bakedGrams,
		bake_loss_share: contents.bakeLossShare,
		spares_share: contents.sparesShare,
		shape: contents.shape,
		score: contents.score,
		score_mm: contents.scoreMm,
		vessel_id: contents.vesselId,
		divider_id: contents.dividerId,
		footprint_length_cm: contents.footprint?.lengthCm ?? null,
		footprint_width_cm: contents.footprint?.widthCm ?? null,
		height_cm: contents.heightCm,
		sheet: product.sheet === null ? null : JSON.stringify(product.sheet),
		steps: JSON.stringify(contents.steps),
		made_by: of.madeBy,
		occurred_at: new Date(of.occurredAtMs)
	};
	await tx.insertInto('product_revision').values(row).execute();
	const doughs = product.doughs.map((dough, at): EveryColumn<'product_revision_dough'> => ({
		revision_id: row.id,
		ordinal: at + 1,
		formula_id: dough.formulaId,
		scaled_g: dough.scaledWeight.grams
	}));
	await tx.insertInto('product_revision_dough').values(doughs).execute();
	const extras = product.extras.map((extra, at): EveryColumn<'product_revision_extra'> => ({
		revision_id: row.id,
		ordinal: at + 1,
		use: extra.use,
		...pinnedColumns(extra.material, pins),
		amount_g: extra.amount.grams,
		for_pieces: extra.forPieces
	}));
	if (extras.length > 0) await tx.insertInto('product_revision_extra').values(extras).execute();
	return row.id;
}
