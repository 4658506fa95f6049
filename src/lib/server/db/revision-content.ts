import { stepsSchema } from '../../contracts/steps.ts';
import type {
	FlourDelivery,
	FormulaLine,
	Material,
	Preparation,
	PreparationLine,
	Step
} from '../../core/formula/index.ts';
import { id, type DeliveryId, type IngredientId, type PreparationId } from '../../core/identity.ts';
import type { Db, Tx } from './client.ts';
import { materialOf } from './formula-history.ts';
import { groupBy } from './group-by.ts';

/** One revision of a formula with the recipes it took from at the time. */
export interface StoredRevision {
	readonly lines: readonly FormulaLine[];
	readonly deliveries: readonly FlourDelivery[];
	readonly doughLossShare: number;
	readonly targetCelsius: number;
	readonly mostDoughGrams: number | null;
	readonly steps: readonly Step[];
	readonly preparations: readonly Preparation[];
}

/**
 * Loads a revision by its number; null when there is none. The newest revision takes from its builds as
 * they are now, an older one as they were when it was saved.
 */
export async function loadRevision(
	db: Db | Tx,
	formulaId: string,
	number: number,
	newest: boolean
): Promise<StoredRevision | null> {
	const row = await db
		.selectFrom('formula_revision')
		.selectAll()
		.where('formula_id', '=', formulaId)
		.where('number', '=', number)
		.executeTakeFirst();
	if (!row) return null;
	const [lineRows, deliveryRows] = await Promise.all([
		db
			.selectFrom('formula_revision_line')
			.selectAll()
			.where('revision_id', '=', row.id)
			.orderBy('ordinal')
			.execute(),
		db
			.selectFrom('formula_revision_delivery')
			.selectAll()
			.where('revision_id', '=', row.id)
			.orderBy('ingredient_id')
			.execute()
	]);
	const lines = lineRows.map((line): FormulaLine => ({
		material: materialOf(line),
		percentOfFlour: line.percent_of_flour,
		addition: line.addition
	}));
	return {
		lines,
		deliveries: deliveryRows.map((one) => ({
			ingredientId: id<IngredientId>(one.ingredient_id),
			deliveryId: id<DeliveryId>(one.delivery_id)
		})),
		doughLossShare: row.dough_loss_share,
		targetCelsius: row.target_dough_celsius,
		mostDoughGrams: row.most_dough_g,
		steps: stepsSchema.parse(row.steps),
		preparations: await loadPreparationsAt(db, lines, newest ? null : row.id)
	};
}

/**
 * The recipes behind some lines and behind those, level by level, as they stood when a revision of a
 * formula was saved; as they are now without one.
 */
async function loadPreparationsAt(
	db: Db | Tx,
	lines: readonly { readonly material: Material }[],
	savedWith: string | null
): Promise<readonly Preparation[]> {
	const found = new Map<PreparationId, Preparation>();
	let wanted = preparationsIn(lines);
	while (wanted.length > 0) {
		const level = await loadLevel(db, wanted, savedWith);
		for (const one of level) found.set(one.id, one);
		wanted = preparationsIn(level.flatMap((one) => one.lines)).filter((one) => !found.has(one));
	}
	return [...found.values()];
}

function preparationsIn(
	lines: readonly { readonly material: Material }[]
): readonly PreparationId[] {
	return [
		...new Set(
			lines.flatMap(({ material }) =>
				material.kind === 'preparation' ? [material.preparationId] : []
			)
		)
	];
}

async function loadLevel(
	db: Db | Tx,
	wanted: readonly PreparationId[],
	savedWith: string | null
): Promise<readonly Preparation[]> {
	const rows = await db
		.selectFrom('preparation_revision as revision')
		.innerJoin('preparation', 'preparation.id', 'revision.preparation_id')
		.selectAll('revision')
		.select('preparation.name')
		.where('revision.preparation_id', 'in', wanted)
		// Compared within the database, whose moments are finer than those of JavaScript.
		.$if(savedWith !== null, (query) =>
			query.where('revision.recorded_at', '<=', (where) =>
				where
					.selectFrom('formula_revision')
					.select('recorded_at')
					.where('id', '=', savedWith as string)
			)
		)
		.distinctOn('revision.preparation_id')
		.orderBy('revision.preparation_id')
		.orderBy('revision.number', 'desc')
		.execute();
	if (rows.length === 0) return [];
	const lineRows = await db
		.selectFrom('preparation_revision_line')
		.selectAll()
		.where(
			'revision_id',
			'in',
			rows.map((row) => row.id)
		)
		.orderBy('ordinal')
		.execute();
	const lines = groupBy(
		lineRows,
		(row) => row.revision_id,
		(row): PreparationLine => ({ material: materialOf(row), parts: row.parts })
	);
	return rows.map((row) => ({
		id: id<PreparationId>(row.preparation_id),
		name: row.name,
		kind: row.kind,
		lines: lines.get(row.id) ?? [],
		buildLoss: { share: row.build_loss_share },
		takeBackGrams: row.take_back_g
	}));
}
