import { randomUUID } from 'node:crypto';
import { sql, type Selectable } from 'kysely';
import { storedStepsSchema } from '../../contracts/steps.ts';
import type { Preparation, PreparationLine, Step } from '../../core/formula/index.ts';
import { id, type PreparationId } from '../../core/identity.ts';
import type { Db, Tx } from './client.ts';
import { groupBy } from '../../core/group-by.ts';
import { materialOf, pinnedColumns, type Pins } from './materials.ts';
import { orNone } from './or-none.ts';
import type { EveryColumn, RevisionCause, Tables } from './tables.ts';

/** A revision of a build, soaker, filling, wash or bath. */
export interface PreparationRevision {
	readonly revisionId: string;
	readonly number: number;
	readonly by: string;
	/** The newest number that somebody edited; later ones only follow what it takes from. */
	readonly editedNumber: number;
	readonly preparation: Preparation;
	readonly steps: readonly Step[];
	readonly retired: boolean;
}

/** The newest revision of every preparation. */
export async function loadPreparations(
	db: Db | Tx
): Promise<ReadonlyMap<PreparationId, PreparationRevision>> {
	const rows = await db
		.selectFrom('preparation_revision as revision')
		.innerJoin('preparation', 'preparation.id', 'revision.preparation_id')
		.innerJoin('bakery_entry as person', 'person.id', 'revision.made_by')
		.selectAll('revision')
		.select([
			'preparation.name as current_name',
			'preparation.retired_at',
			'person.name as by',
			sql<number>`(select max(number) from preparation_revision e
				where e.preparation_id = revision.preparation_id and e.cause = 'edited')`.as('edited_number')
		])
		.distinctOn('revision.preparation_id')
		.orderBy('revision.preparation_id')
		.orderBy('revision.number', 'desc')
		.execute();
	const lines = await loadLines(
		db,
		rows.map((row) => row.id)
	);
	return new Map(
		rows.map((row) => {
			const named = { ...row, name: row.current_name };
			return [
				id<PreparationId>(row.preparation_id),
				{
					revisionId: row.id,
					number: row.number,
					by: row.by,
					editedNumber: row.edited_number,
					steps: storedStepsSchema.parse(row.steps),
					retired: row.retired_at !== null,
					preparation: preparationOf(named, lines.get(row.id) ?? [])
				}
			];
		})
	);
}

/** A preparation as one revision of it says, with its steps and what its lines name. */
export interface PinnedPreparation {
	readonly revisionId: string;
	readonly preparation: Preparation;
	readonly steps: readonly Step[];
	readonly ingredientRevisionIds: readonly string[];
}

/** Some revisions of preparations with those they take from, however deep; by their ids. */
export async function loadPinnedPreparations(
	db: Db | Tx,
	revisionIds: readonly string[]
): Promise<ReadonlyMap<string, PinnedPreparation & { readonly takesFrom: readonly string[] }>> {
	if (revisionIds.length === 0) return new Map();
	const { rows } = await sql<
		Selectable<Tables['preparation_revision']>
	>`with recursive taken (id) as (
			select unnest(${sql.val([...revisionIds])}::uuid[])
			union select l.preparation_revision_id from taken t
				join preparation_revision_line l on l.revision_id = t.id
				where l.preparation_revision_id is not null
		) select r.* from preparation_revision r join taken on taken.id = r.id`.execute(db);
	const lineRows = await lineQuery(db)
		.where('revision_id', 'in', orNone(rows.map((row) => row.id)))
		.execute();
	const lines = groupBy(
		lineRows,
		(row) => row.revision_id,
		(row) => row
	);
	return new Map(
		rows.map((row) => {
			const own = lines.get(row.id) ?? [];
			return [
				row.id,
				{
					revisionId: row.id,
					steps: storedStepsSchema.parse(row.steps),
					preparation: preparationOf(row, own.map(lineOf)),
					ingredientRevisionIds: own.flatMap((line) => line.ingredient_revision_id ?? []),
					takesFrom: own.flatMap((line) => line.preparation_revision_id ?? [])
				}
			];
		})
	);
}

function lineQuery(db: Db | Tx) {
	return db
		.selectFrom('preparation_revision_line as line')
		.leftJoin('ingredient_revision as i', 'i.id', 'line.ingredient_revision_id')
		.leftJoin('preparation_revision as p', 'p.id', 'line.preparation_revision_id')
		.selectAll('line')
		.select(['i.ingredient_id', 'p.preparation_id'])
		.orderBy('line.ordinal');
}

function lineOf(row: {
	readonly ingredient_id: string | null;
	readonly preparation_id: string | null;
	readonly parts: number;
}): PreparationLine {
	return { material: materialOf(row), parts: row.parts };
}

async function loadLines(db: Db | Tx, revisionIds: readonly string[]) {
	const rows = await lineQuery(db).where('line.revision_id', 'in', orNone(revisionIds)).execute();
	return groupBy(rows, (row) => row.revision_id, lineOf);
}

function preparationOf(
	row: Selectable<Tables['preparation_revision']>,
	lines: readonly PreparationLine[]
): Preparation {
	return {
		id: id<PreparationId>(row.preparation_id),
		name: row.name,
		kind: row.kind,
		lines,
		buildLoss: { share: row.build_loss_share },
		takeBackGrams: row.take_back_g,
		...(row.kind === 'bath'
			? { bath: { dipSeconds: row.dip_seconds, renewAfterMinutes: row.renew_after_min } }
			: {})
	};
}

/** Makes a preparation, or gives it another name; what it is stands in its revisions. */
export async function namePreparation(tx: Tx, preparationId: string, name: string): Promise<void> {
	const row: EveryColumn<'preparation'> = { id: preparationId, name, retired_at: null };
	await tx
		.insertInto('preparation')
		.values(row)
		.onConflict((conflict) => conflict.column('id').doUpdateSet({ name }))
		.execute();
}

/** Writes a revision of a preparation, its lines pinned to what they take from; gives its id. */
export async function insertPreparationRevision(
	tx: Tx,
	preparation: Preparation,
	of: {
		readonly number: number;
		readonly cause: RevisionCause;
		readonly steps: readonly Step[];
		readonly madeBy: string;
		readonly occurredAtMs: number;
	},
	pins: Pins
): Promise<string> {
	const row: EveryColumn<'preparation_revision'> = {
		id: randomUUID(),
		preparation_id: preparation.id,
		number: of.number,
		name: preparation.name,
		cause: of.cause,
		kind: preparation.kind,
		build_loss_share: preparation.buildLoss.share,
		take_back_g: preparation.takeBackGrams,
		dip_seconds: preparation.bath?.dipSeconds ?? null,
		renew_after_min: preparation.bath?.renewAfterMinutes ?? null,
		steps: JSON.stringify(of.steps),
		made_by: of.madeBy,
		occurred_at: new Date(of.occurredAtMs)
	};
	await tx.insertInto('preparation_revision').values(row).execute();
	const lines = preparation.lines.map((line, index): EveryColumn<'preparation_revision_line'> => ({
		revision_id: row.id,
		ordinal: index + 1,
		...pinnedColumns(line.material, pins),
		parts: line.parts
	}));
	await tx.insertInto('preparation_revision_line').values(lines).execute();
	return row.id;
}

export async function isPreparationKnown(db: Db | Tx, preparationId: string): Promise<boolean> {
	const row = await db
		.selectFrom('preparation')
		.select('id')
		.where('id', '=', preparationId)
		.executeTakeFirst();
	return row !== undefined;
}

/** Whether a revision is one of a preparation. */
export async function isPreparationRevision(
	db: Db | Tx,
	revisionId: string,
	preparationId: string
): Promise<boolean> {
	const row = await db
		.selectFrom('preparation_revision')
		.select('id')
		.where('id', '=', revisionId)
		.where('preparation_id', '=', preparationId)
		.executeTakeFirst();
	return row !== undefined;
}
