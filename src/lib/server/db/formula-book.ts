import { stepsSchema } from '../../contracts/steps.ts';
import type {
	Formula,
	FormulaLine,
	Ingredient,
	Pantry,
	Preparation,
	PreparationLine,
	Step
} from '../../core/formula/index.ts';
import {
	id,
	type FormulaId,
	type IngredientId,
	type PreparationId,
	type ProductId
} from '../../core/identity.ts';
import type { Db, Tx } from './client.ts';
import { materialOf } from './formula-history.ts';

/** A formula's newest revision with what the bakery does with its dough. */
export interface FormulaRevision {
	readonly revisionId: string;
	readonly number: number;
	readonly formula: Formula;
	readonly targetCelsius: number;
	readonly frictionKilojoulesPerKilogram: number;
	readonly mostDoughGrams: number | null;
	readonly steps: readonly Step[];
}

export interface PreparationRevision {
	readonly revisionId: string;
	readonly number: number;
	readonly preparation: Preparation;
	readonly steps: readonly Step[];
}

export interface ProductRevision {
	readonly revisionId: string;
	readonly id: ProductId;
	readonly name: string;
	readonly formulaId: FormulaId;
	readonly scaledGrams: number;
	readonly piecesPerDeck: number;
	readonly steps: readonly Step[];
}

/** The newest revision of everything the bakery makes. */
export interface FormulaBook {
	readonly formulas: readonly FormulaRevision[];
	readonly preparations: ReadonlyMap<PreparationId, PreparationRevision>;
	readonly products: readonly ProductRevision[];
	readonly pantry: Pantry;
}

export async function loadFormulaBook(db: Db | Tx): Promise<FormulaBook> {
	const [ingredients, preparations, formulas, products] = await Promise.all([
		loadIngredients(db),
		loadPreparations(db),
		loadFormulas(db),
		loadProducts(db)
	]);
	return {
		formulas,
		preparations,
		products,
		pantry: {
			ingredients,
			preparations: new Map([...preparations].map(([key, one]) => [key, one.preparation]))
		}
	};
}

async function loadIngredients(db: Db | Tx): Promise<ReadonlyMap<IngredientId, Ingredient>> {
	const rows = await db.selectFrom('ingredient').selectAll().execute();
	return new Map(
		rows.map((row) => [
			id<IngredientId>(row.id),
			{
				id: id<IngredientId>(row.id),
				name: row.name,
				kind: row.kind,
				composition: {
					flour: row.flour_share,
					water: row.water_share,
					wholegrainOfFlour: row.wholegrain_of_flour
				},
				yeastFreshEquivalent: row.yeast_fresh_equivalent,
				allergens: row.allergens,
				heatCapacity: { kilojoulesPerKilogramKelvin: row.heat_capacity_kj_per_kg_k }
			}
		])
	);
}

async function loadPreparations(
	db: Db | Tx
): Promise<ReadonlyMap<PreparationId, PreparationRevision>> {
	const rows = await db
		.selectFrom('preparation_revision as revision')
		.innerJoin('preparation', 'preparation.id', 'revision.preparation_id')
		.selectAll('revision')
		.select('preparation.name')
		.distinctOn('revision.preparation_id')
		.orderBy('revision.preparation_id')
		.orderBy('revision.number', 'desc')
		.execute();
	const lines = new Map<string, PreparationLine[]>();
	const lineRows = await db
		.selectFrom('preparation_revision_line')
		.selectAll()
		.where('revision_id', 'in', orNone(rows.map((row) => row.id)))
		.orderBy('ordinal')
		.execute();
	for (const row of lineRows)
		push(lines, row.revision_id, { material: materialOf(row), parts: row.parts });
	return new Map(
		rows.map((row) => {
			const preparationId = id<PreparationId>(row.preparation_id);
			return [
				preparationId,
				{
					revisionId: row.id,
					number: row.number,
					steps: stepsSchema.parse(row.steps),
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
		.select('formula.name')
		.distinctOn('revision.formula_id')
		.orderBy('revision.formula_id')
		.orderBy('revision.number', 'desc')
		.execute();
	const lines = new Map<string, FormulaLine[]>();
	const lineRows = await db
		.selectFrom('formula_revision_line')
		.selectAll()
		.where('revision_id', 'in', orNone(rows.map((row) => row.id)))
		.orderBy('ordinal')
		.execute();
	for (const row of lineRows)
		push(lines, row.revision_id, {
			material: materialOf(row),
			percentOfFlour: row.percent_of_flour,
			addition: row.addition
		});
	return rows.map((row) => ({
		revisionId: row.id,
		number: row.number,
		targetCelsius: row.target_dough_celsius,
		frictionKilojoulesPerKilogram: row.friction_kj_per_kg,
		mostDoughGrams: row.most_dough_g,
		steps: stepsSchema.parse(row.steps),
		formula: {
			id: id<FormulaId>(row.formula_id),
			name: row.name,
			lines: lines.get(row.id) ?? [],
			doughLoss: { share: row.dough_loss_share }
		}
	}));
}

async function loadProducts(db: Db | Tx): Promise<readonly ProductRevision[]> {
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
		.select(['product.name', 'product.ordinal'])
		.where('product.retired_at', 'is', null)
		.orderBy('product.ordinal')
		.orderBy('product.name')
		.execute();
	return rows.map((row) => ({
		revisionId: row.id,
		id: id<ProductId>(row.product_id),
		name: row.name,
		formulaId: id<FormulaId>(row.formula_id),
		scaledGrams: row.scaled_g,
		piecesPerDeck: row.pieces_per_deck,
		steps: stepsSchema.parse(row.steps)
	}));
}

function push<T>(groups: Map<string, T[]>, key: string, value: T): void {
	const group = groups.get(key);
	if (group) group.push(value);
	else groups.set(key, [value]);
}

/** SQL has no empty list; an id that no row has stands for it. */
function orNone(ids: readonly string[]): readonly string[] {
	return ids.length > 0 ? ids : ['00000000-0000-0000-0000-000000000000'];
}
