import { randomUUID } from 'node:crypto';
import { sql, type Selectable } from 'kysely';
import { storedStepsSchema } from '../../contracts/steps.ts';
import type {
	FlourDelivery,
	Formula,
	FormulaLine,
	Ingredient,
	Preparation,
	Step
} from '../../core/formula/index.ts';
import { id, type DeliveryId, type FormulaId, type IngredientId } from '../../core/identity.ts';
import type { Db, Tx } from './client.ts';
import { groupBy } from '../../core/group-by.ts';
import { loadIngredientRevisions } from './ingredients.ts';
import { materialOf, pinnedColumns, type Pins } from './materials.ts';
import { orNone } from './or-none.ts';
import { loadPinnedPreparations, type PinnedPreparation } from './preparations.ts';
import type { EveryColumn, RevisionCause, Tables } from './tables.ts';

/** What a revision of a formula says: the dough and what the bakery does with it. */
export interface FormulaContents {
	readonly formula: Formula;
	readonly targetCelsius: number;
	readonly frictionKilojoulesPerKilogram: number;
	readonly mostDoughGrams: number | null;
	readonly steps: readonly Step[];
}

/** A formula's newest revision. */
export interface FormulaRevision extends FormulaContents {
	readonly revisionId: string;
	readonly number: number;
	/** The newest number in which the dough itself changed; later ones only follow what it takes from. */
	readonly editedNumber: number;
	readonly retired: boolean;
}

/** The newest revision of every formula. */
export async function loadFormulas(db: Db | Tx): Promise<readonly FormulaRevision[]> {
	const rows = await db
		.selectFrom('formula_revision as revision')
		.innerJoin('formula', 'formula.id', 'revision.formula_id')
		.selectAll('revision')
		.select([
			'formula.name as current_name',
			'formula.retired_at',
			sql<number>`(select max(number) from formula_revision e
				where e.formula_id = revision.formula_id and e.cause = 'edited')`.as('edited_number')
		])
		.distinctOn('revision.formula_id')
		.orderBy('revision.formula_id')
		.orderBy('revision.number', 'desc')
		.execute();
	const { lines, deliveries } = await loadLines(
		db,
		rows.map((row) => row.id)
	);
	return rows.map((row) => ({
		...contentsOf(
			{ ...row, name: row.current_name },
			(lines.get(row.id) ?? []).map(lineOf),
			deliveries.get(row.id) ?? []
		),
		revisionId: row.id,
		number: row.number,
		editedNumber: row.edited_number,
		retired: row.retired_at !== null
	}));
}

/** A revision of a formula with the revisions of all it takes from, as it was pinned to them. */
export interface PinnedFormula extends FormulaContents {
	readonly revisionId: string;
	readonly number: number;
	/** By their own ids, in an order in which nothing is told apart twice. */
	readonly ingredients: readonly Ingredient[];
	readonly preparations: readonly Preparation[];
}

/** Revisions of formulas by their ids, with all that they are pinned to; a fixed number of queries. */
export async function loadPinnedFormulas(
	db: Db | Tx,
	revisionIds: readonly string[]
): Promise<ReadonlyMap<string, PinnedFormula>> {
	if (revisionIds.length === 0) return new Map();
	const [rows, { lines, deliveries }] = await Promise.all([
		db.selectFrom('formula_revision').selectAll().where('id', 'in', revisionIds).execute(),
		loadLines(db, revisionIds)
	]);
	const own = [...lines.values()].flat();
	const preparations = await loadPinnedPreparations(db, [
		...new Set(own.flatMap((line) => line.preparation_revision_id ?? []))
	]);
	const ingredientIds = [
		...own.flatMap((line) => line.ingredient_revision_id ?? []),
		...[...preparations.values()].flatMap((preparation) => preparation.ingredientRevisionIds)
	];
	const ingredients = await loadIngredientRevisions(db, [...new Set(ingredientIds)]);
	return new Map(
		rows.map((row) => {
			const ofRow = lines.get(row.id) ?? [];
			const taken = takenBy(
				ofRow.flatMap((line) => line.preparation_revision_id ?? []),
				preparations
			);
			return [
				row.id,
				{
					...contentsOf(row, ofRow.map(lineOf), deliveries.get(row.id) ?? []),
					revisionId: row.id,
					number: row.number,
					preparations: taken.map((preparation) => preparation.preparation),
					ingredients: [
						...new Set([
							...ofRow.flatMap((line) => line.ingredient_revision_id ?? []),
							...taken.flatMap((preparation) => preparation.ingredientRevisionIds)
						])
					].flatMap((revision) => ingredients.get(revision) ?? [])
				}
			];
		})
	);
}

/** Preparations with those they take from, those named first in front. */
function takenBy(
	named: readonly string[],
	all: ReadonlyMap<string, PinnedPreparation & { readonly takesFrom: readonly string[] }>
): readonly PinnedPreparation[] {
	const found = new Map<string, PinnedPreparation>();
	const waiting = [...named];
	for (let next = waiting.shift(); next !== undefined; next = waiting.shift()) {
		const one = all.get(next);
		if (!one || found.has(next)) continue;
		found.set(next, one);
		waiting.push(...one.takesFrom);
	}
	return [...found.values()];
}

async function loadLines(db: Db | Tx, revisionIds: readonly string[]) {
	const ids = orNone(revisionIds);
	const [lineRows, deliveryRows] = await Promise.all([
		db
			.selectFrom('formula_revision_line as line')
			.leftJoin('ingredient_revision as i', 'i.id', 'line.ingredient_revision_id')
			.leftJoin('preparation_revision as p', 'p.id', 'line.preparation_revision_id')
			.selectAll('line')
			.select(['i.ingredient_id', 'p.preparation_id'])
			.where('line.revision_id', 'in', ids)
			.orderBy('line.ordinal')
			.execute(),
		db
			.selectFrom('formula_revision_delivery')
			.selectAll()
			.where('revision_id', 'in', ids)
			.orderBy('ingredient_id')
			.execute()
	]);
	return {
		lines: groupBy(
			lineRows,
			(row) => row.revision_id,
			(row) => row
		),
		deliveries: groupBy(
			deliveryRows,
			(row) => row.revision_id,
			(row): FlourDelivery => ({
				ingredientId: id<IngredientId>(row.ingredient_id),
				deliveryId: id<DeliveryId>(row.delivery_id)
			})
		)
	};
}

function lineOf(row: {
	readonly ingredient_id: string | null;
	readonly preparation_id: string | null;
	readonly percent_of_flour: number;
	readonly addition: FormulaLine['addition'];
}): FormulaLine {
	return {
		material: materialOf(row),
		percentOfFlour: row.percent_of_flour,
		addition: row.addition
	};
}

function contentsOf(
	row: Selectable<Tables['formula_revision']>,
	lines: readonly FormulaLine[],
	deliveries: readonly FlourDelivery[]
): FormulaContents {
	return {
		targetCelsius: row.target_dough_celsius,
		frictionKilojoulesPerKilogram: row.friction_kj_per_kg,
		mostDoughGrams: row.most_dough_g,
		steps: storedStepsSchema.parse(row.steps),
		formula: {
			id: id<FormulaId>(row.formula_id),
			name: row.name,
			lines,
			doughLoss: { share: row.dough_loss_share },
			deliveries
		}
	};
}

/** Who made which revision, and why. */
export interface RevisionHead {
	readonly revisionId: string;
	readonly number: number;
	readonly cause: RevisionCause;
	readonly by: string;
	/** On the bakery's clock. */
	readonly occurredAtMs: number;
}

/** The newest revisions of a formula, newest first. */
export async function loadRevisionHeads(
	db: Db | Tx,
	formulaId: string,
	most: number
): Promise<readonly RevisionHead[]> {
	const rows = await db
		.selectFrom('formula_revision as revision')
		.innerJoin('bakery_entry as person', 'person.id', 'revision.made_by')
		.select([
			'revision.id',
			'revision.number',
			'revision.cause',
			'revision.occurred_at',
			'person.name'
		])
		.where('revision.formula_id', '=', formulaId)
		.orderBy('revision.number', 'desc')
		.limit(most)
		.execute();
	return rows.map((row) => ({
		revisionId: row.id,
		number: row.number,
		cause: row.cause,
		by: row.name,
		occurredAtMs: row.occurred_at.getTime()
	}));
}

/** The revision of a formula with a number; null when there is none. */
export async function findFormulaRevision(
	db: Db | Tx,
	formulaId: string,
	number: number
): Promise<string | null> {
	const row = await db
		.selectFrom('formula_revision')
		.select('id')
		.where('formula_id', '=', formulaId)
		.where('number', '=', number)
		.executeTakeFirst();
	return row?.id ?? null;
}

/** Makes a formula, or gives it another name; what it is stands in its revisions. */
export async function nameFormula(tx: Tx, formulaId: string, name: string): Promise<void> {
	const row: EveryColumn<'formula'> = { id: formulaId, name, retired_at: null };
	await tx
		.insertInto('formula')
		.values(row)
		.onConflict((conflict) => conflict.column('id').doUpdateSet({ name }))
		.execute();
}

/** Writes a revision of a formula, its lines pinned to what they take from; gives its id. */
export async function insertFormulaRevision(
	tx: Tx,
	contents: FormulaContents,
	of: {
		readonly number: number;
		readonly cause: RevisionCause;
		readonly madeBy: string;
		readonly occurredAtMs: number;
	},
	pins: Pins
): Promise<string> {
	const { formula } = contents;
	const row: EveryColumn<'formula_revision'> = {
		id: randomUUID(),
		formula_id: formula.id,
		number: of.number,
		name: formula.name,
		cause: of.cause,
		dough_loss_share: formula.doughLoss.share,
		target_dough_celsius: contents.targetCelsius,
		friction_kj_per_kg: contents.frictionKilojoulesPerKilogram,
		most_dough_g: contents.mostDoughGrams,
		steps: JSON.stringify(contents.steps),
		made_by: of.madeBy,
		occurred_at: new Date(of.occurredAtMs)
	};
	await tx.insertInto('formula_revision').values(row).execute();
	const lines = formula.lines.map((line, index): EveryColumn<'formula_revision_line'> => ({
		revision_id: row.id,
		ordinal: index + 1,
		...pinnedColumns(line.material, pins),
		percent_of_flour: line.percentOfFlour,
		addition: line.addition
	}));
	await tx.insertInto('formula_revision_line').values(lines).execute();
	const deliveries = formula.deliveries.map(
		({ ingredientId, deliveryId }): EveryColumn<'formula_revision_delivery'> => ({
			revision_id: row.id,
			ingredient_id: ingredientId,
			delivery_id: deliveryId
		})
	);
	if (deliveries.length > 0)
		await tx.insertInto('formula_revision_delivery').values(deliveries).execute();
	return row.id;
}

export async function isFormulaKnown(db: Db | Tx, formulaId: string): Promise<boolean> {
	const row = await db
		.selectFrom('formula')
		.select('id')
		.where('id', '=', formulaId)
		.executeTakeFirst();
	return row !== undefined;
}

/** Whether a revision is one of a formula. */
export async function isFormulaRevision(
	db: Db | Tx,
	revisionId: string,
	formulaId: string
): Promise<boolean> {
	const row = await db
		.selectFrom('formula_revision')
		.select('id')
		.where('id', '=', revisionId)
		.where('formula_id', '=', formulaId)
		.executeTakeFirst();
	return row !== undefined;
}
