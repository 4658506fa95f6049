import { stepsSchema } from '../../contracts/steps.ts';
import {
	MOST_CAUSTIC_SHARE,
	type FlourDelivery,
	type Formula,
	type FormulaLine,
	type Pantry,
	type Preparation,
	type PreparationLine,
	type Step
} from '../../core/formula/index.ts';
import {
	id,
	type DeliveryId,
	type FormulaId,
	type IngredientId,
	type PreparationId
} from '../../core/identity.ts';
import type { Db, Tx } from './client.ts';
import { materialOf } from './formula-history.ts';
import { groupBy } from './group-by.ts';
import { loadIngredientRows, type IngredientRow } from './ingredients.ts';
import { loadProducts, type ProductRevision } from './products.ts';

/** A formula's newest revision with what the bakery does with its dough. */
export interface FormulaRevision {
	readonly revisionId: string;
	readonly number: number;
	readonly formula: Formula;
	readonly targetCelsius: number;
	readonly frictionKilojoulesPerKilogram: number;
	readonly mostDoughGrams: number | null;
	readonly steps: readonly Step[];
	readonly retired: boolean;
}

export interface PreparationRevision {
	readonly revisionId: string;
	readonly number: number;
	readonly preparation: Preparation;
	readonly steps: readonly Step[];
	readonly retired: boolean;
}

/** The newest revision of everything the bakery makes. */
export interface FormulaBook {
	readonly formulas: readonly FormulaRevision[];
	readonly preparations: ReadonlyMap<PreparationId, PreparationRevision>;
	readonly products: readonly ProductRevision[];
	readonly ingredients: readonly IngredientRow[];
	readonly pantry: Pantry;
}

export async function loadFormulaBook(db: Db | Tx): Promise<FormulaBook> {
	const [ingredients, preparations, formulas, products, bakery] = await Promise.all([
		loadIngredientRows(db),
		loadPreparations(db),
		loadFormulas(db),
		loadProducts(db),
		db.selectFrom('bakery').select('caustic_most_share').executeTakeFirst()
	]);
	return {
		formulas,
		preparations,
		products,
		ingredients,
		pantry: {
			causticMost: { share: bakery?.caustic_most_share ?? MOST_CAUSTIC_SHARE },
			ingredients: new Map(ingredients.map(({ ingredient }) => [ingredient.id, ingredient])),
			preparations: new Map([...preparations].map(([key, one]) => [key, one.preparation]))
		}
	};
}

async function loadPreparations(
	db: Db | Tx
): Promise<ReadonlyMap<PreparationId, PreparationRevision>> {
	const rows = await db
		.selectFrom('preparation_revision as revision')
		.innerJoin('preparation', 'preparation.id', 'revision.preparation_id')
		.selectAll('revision')
		.select(['preparation.name', 'preparation.retired_at'])
		.distinctOn('revision.preparation_id')
		.orderBy('revision.preparation_id')
		.orderBy('revision.number', 'desc')
		.execute();
	const lineRows = await db
		.selectFrom('preparation_revision_line')
		.selectAll()
		.where('revision_id', 'in', orNone(rows.map((row) => row.id)))
		.orderBy('ordinal')
		.execute();
	const lines = groupBy(
		lineRows,
		(row) => row.revision_id,
		(row): PreparationLine => ({ material: materialOf(row), parts: row.parts })
	);
	return new Map(
		rows.map((row) => {
			const preparationId = id<PreparationId>(row.preparation_id);
			return [
				preparationId,
				{
					revisionId: row.id,
					number: row.number,
					steps: stepsSchema.parse(row.steps),
					retired: row.retired_at !== null,
					preparation: {
						id: preparationId,
						name: row.name,
						kind: row.kind,
						lines: lines.get(row.id) ?? [],
						buildLoss: { share: row.build_loss_share },
						takeBackGrams: row.take_back_g
					}
				}
			];
		})
	);
}

async function loadFormulas(db: Db | Tx): Promise<readonly FormulaRevision[]> {
	const rows = await db
		.selectFrom('formula_revision as revision')
		.innerJoin('formula', 'formula.id', 'revision.formula_id')
		.selectAll('revision')
		.select(['formula.name', 'formula.retired_at'])
		.distinctOn('revision.formula_id')
		.orderBy('revision.formula_id')
		.orderBy('revision.number', 'desc')
		.execute();
	const ids = orNone(rows.map((row) => row.id));
	const [lineRows, deliveryRows] = await Promise.all([
		db
			.selectFrom('formula_revision_line')
			.selectAll()
			.where('revision_id', 'in', ids)
			.orderBy('ordinal')
			.execute(),
		db
			.selectFrom('formula_revision_delivery')
			.selectAll()
			.where('revision_id', 'in', ids)
			.orderBy('ingredient_id')
			.execute()
	]);
	const lines = groupBy(
		lineRows,
		(row) => row.revision_id,
		(row): FormulaLine => ({
			material: materialOf(row),
			percentOfFlour: row.percent_of_flour,
			addition: row.addition
		})
	);
	const deliveries = groupBy(
		deliveryRows,
		(row) => row.revision_id,
		(row): FlourDelivery => ({
			ingredientId: id<IngredientId>(row.ingredient_id),
			deliveryId: id<DeliveryId>(row.delivery_id)
		})
	);
	return rows.map((row) => ({
		revisionId: row.id,
		number: row.number,
		targetCelsius: row.target_dough_celsius,
		frictionKilojoulesPerKilogram: row.friction_kj_per_kg,
		mostDoughGrams: row.most_dough_g,
		steps: stepsSchema.parse(row.steps),
		retired: row.retired_at !== null,
		formula: {
			id: id<FormulaId>(row.formula_id),
			name: row.name,
			lines: lines.get(row.id) ?? [],
			doughLoss: { share: row.dough_loss_share },
			deliveries: deliveries.get(row.id) ?? []
		}
	}));
}

/** SQL has no empty list; an id that no row has stands for it. */
function orNone(ids: readonly string[]): readonly string[] {
	return ids.length > 0 ? ids : ['00000000-0000-0000-0000-000000000000'];
}
