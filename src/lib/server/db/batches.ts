import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import {
	id,
	type BatchId,
	type FormulaId,
	type PreparationId,
	type ProductId
} from '../../core/identity.ts';
import type { Db, Tx } from './client.ts';
import { orNone } from './or-none.ts';
import type { BatchKind, BatchState, EveryColumn } from './tables.ts';

/** What every batch has, whatever it is. */
interface AnyBatch {
	readonly id: BatchId;
	readonly date: string;
	/** Which of several of the same recipe on its date. */
	readonly ordinal: number;
	readonly revisionId: string;
	/** null where an earlier version did not tell it. */
	readonly grams: number | null;
	readonly state: BatchState;
}

export interface MixBatch extends AnyBatch {
	readonly kind: 'mix';
	readonly formulaId: FormulaId;
}

export interface PreparationBatch extends AnyBatch {
	readonly kind: 'pre-ferment' | 'preparation' | 'feed';
	readonly preparationId: PreparationId;
}

export interface PieceBatch extends AnyBatch {
	readonly kind: 'portion' | 'load';
	readonly productId: ProductId;
	readonly pieces: number;
}

export type Batch = MixBatch | PreparationBatch | PieceBatch;

/** Which batch went into which. */
export interface Parentage {
	readonly batchId: BatchId;
	readonly parentId: BatchId;
}

/** Every batch of a date that is not withdrawn, with what went into it. */
export async function loadBatchesOn(
	db: Db | Tx,
	date: string
): Promise<{ readonly batches: readonly Batch[]; readonly parents: readonly Parentage[] }> {
	const rows = await db
		.selectFrom('batch')
		.selectAll()
		.where('bake_date', '=', date)
		.where('state', '<>', 'withdrawn')
		.orderBy('ordinal')
		.orderBy('id')
		.execute();
	const parents = await db
		.selectFrom('batch_parent')
		.selectAll()
		.where('batch_id', 'in', orNone(rows.map((row) => row.id)))
		.execute();
	return {
		batches: rows.map(batchOf),
		parents: parents.map((row) => ({
			batchId: id<BatchId>(row.batch_id),
			parentId: id<BatchId>(row.parent_id)
		}))
	};
}

/** A batch by its id, whatever its state; null when there is none. */
export async function findBatch(db: Db | Tx, batchId: string): Promise<Batch | null> {
	const row = await db.selectFrom('batch').selectAll().where('id', '=', batchId).executeTakeFirst();
	return row ? batchOf(row) : null;
}

/** A batch with what it comes of at the bench: of a load its portion and its mix too. What is withdrawn is left out. */
export async function loadWithItsMix(tx: Tx, batchId: string): Promise<readonly Batch[]> {
	const { rows } = await sql<BatchRow>`
		with recursive came_of (id) as (
			select ${batchId}::uuid
			union
			select p.parent_id from came_of c join batch b on b.id = c.id
				join batch_parent p on p.batch_id = c.id
			where b.kind in ('portion', 'load')
		)
		select b.* from batch b join came_of using (id) where b.state <> 'withdrawn'`.execute(tx);
	return rows.map(batchOf);
}

/** Two who make or touch batches of a date queue here. */
export async function lockBatchesOn(tx: Tx, date: string): Promise<void> {
	await sql`select pg_advisory_xact_lock(hashtext(${'batches ' + date}))`.execute(tx);
}

interface BatchRow {
	id: string;
	bake_date: string;
	kind: BatchKind;
	ordinal: number;
	formula_id: string | null;
	formula_revision_id: string | null;
	preparation_id: string | null;
	preparation_revision_id: string | null;
	product_id: string | null;
	product_revision_id: string | null;
	mass_g: number | null;
	pieces: number | null;
	state: BatchState;
}

function batchOf(row: BatchRow): Batch {
	const any = {
		id: id<BatchId>(row.id),
		date: row.bake_date,
		ordinal: row.ordinal,
		grams: row.mass_g,
		state: row.state
	};
	switch (row.kind) {
		case 'mix':
			return {
				...any,
				kind: row.kind,
				formulaId: id<FormulaId>(row.formula_id ?? ''),
				revisionId: row.formula_revision_id ?? ''
			};
		case 'pre-ferment':
		case 'preparation':
		case 'feed':
			return {
				...any,
				kind: row.kind,
				preparationId: id<PreparationId>(row.preparation_id ?? ''),
				revisionId: row.preparation_revision_id ?? ''
			};
		case 'portion':
		case 'load':
			return {
				...any,
				kind: row.kind,
				productId: id<ProductId>(row.product_id ?? ''),
				revisionId: row.product_revision_id ?? '',
				pieces: row.pieces ?? 0
			};
	}
}

/** The formula, preparation or product that a batch is made by. */
export function recipeIdOf(batch: Batch): string {
	switch (batch.kind) {
		case 'mix':
			return batch.formulaId;
		case 'pre-ferment':
		case 'preparation':
		case 'feed':
			return batch.preparationId;
		case 'portion':
		case 'load':
			return batch.productId;
	}
}

/** A batch that is to be made, before it has an id. */
export type NewBatch =
	| Omit<MixBatch, 'id' | 'state'>
	| Omit<PreparationBatch, 'id' | 'state'>
	| Omit<PieceBatch, 'id' | 'state'>;

/** Writes batches, planned until something happens to them; gives their ids in order. */
export async function insertBatches(
	tx: Tx,
	batches: readonly NewBatch[]
): Promise<readonly BatchId[]> {
	if (batches.length === 0) return [];
	const rows = batches.map((batch): EveryColumn<'batch'> => {
		const mix = batch.kind === 'mix' ? batch : null;
		const pieces = batch.kind === 'portion' || batch.kind === 'load' ? batch : null;
		const preparation =
			batch.kind === 'pre-ferment' || batch.kind === 'preparation' || batch.kind === 'feed'
				? batch
				: null;
		return {
			id: randomUUID(),
			bake_date: batch.date,
			kind: batch.kind,
			ordinal: batch.ordinal,
			formula_id: mix?.formulaId ?? null,
			formula_revision_id: mix?.revisionId ?? null,
			preparation_id: preparation?.preparationId ?? null,
			preparation_revision_id: preparation?.revisionId ?? null,
			product_id: pieces?.productId ?? null,
			product_revision_id: pieces?.revisionId ?? null,
			mass_g: batch.grams,
			pieces: pieces?.pieces ?? null,
			state: 'planned'
		};
	});
	await tx.insertInto('batch').values(rows).execute();
	return rows.map((row) => id<BatchId>(row.id));
}

/** What a planned batch is made by and how much of it there will be; what was begun is never changed. */
export async function resizeBatch(
	tx: Tx,
	batch: Batch,
	to: { readonly revisionId: string; readonly grams: number | null; readonly pieces: number | null }
): Promise<void> {
	const revision =
		batch.kind === 'mix'
			? { formula_revision_id: to.revisionId }
			: batch.kind === 'portion' || batch.kind === 'load'
				? { product_revision_id: to.revisionId }
				: { preparation_revision_id: to.revisionId };
	await tx
		.updateTable('batch')
		.set({ ...revision, mass_g: to.grams, pieces: to.pieces })
		.where('id', '=', batch.id)
		.execute();
}

export async function setBatchStates(
	tx: Tx,
	batchIds: readonly BatchId[],
	state: BatchState
): Promise<void> {
	if (batchIds.length === 0) return;
	await tx.updateTable('batch').set({ state }).where('id', 'in', batchIds).execute();
}

/** Writes what went into what; what is written already stays. */
export async function insertParents(tx: Tx, parents: readonly Parentage[]): Promise<void> {
	if (parents.length === 0) return;
	await tx
		.insertInto('batch_parent')
		.values(
			parents.map((parent): EveryColumn<'batch_parent'> => ({
				batch_id: parent.batchId,
				parent_id: parent.parentId
			}))
		)
		.onConflict((conflict) => conflict.doNothing())
		.execute();
}

/** How much earlier than its drops a mix is wished for, with its version. */
export interface LeadRow {
	readonly batchId: BatchId;
	readonly minutes: number;
	readonly version: number;
}

export async function loadLeadsOn(db: Db | Tx, date: string): Promise<readonly LeadRow[]> {
	const rows = await db
		.selectFrom('batch_lead')
		.innerJoin('batch', 'batch.id', 'batch_lead.batch_id')
		.select(['batch_id', 'minutes', 'row_version'])
		.where('batch.bake_date', '=', date)
		.where('batch.state', '<>', 'withdrawn')
		.execute();
	return rows.map((row) => ({
		batchId: id<BatchId>(row.batch_id),
		minutes: row.minutes,
		version: row.row_version
	}));
}

/** The lead of a batch as it stands, locked, with who set it. One that is not there yet is made first. */
export async function lockLead(
	tx: Tx,
	batchId: BatchId,
	actorId: string
): Promise<{ readonly minutes: number; readonly version: number; readonly by: string }> {
	const fresh: EveryColumn<'batch_lead'> = {
		batch_id: batchId,
		minutes: 0,
		row_version: 0,
		changed_by: actorId
	};
	await tx
		.insertInto('batch_lead')
		.values(fresh)
		.onConflict((conflict) => conflict.doNothing())
		.execute();
	const row = await tx
		.selectFrom('batch_lead')
		.innerJoin('bakery_entry as person', 'person.id', 'batch_lead.changed_by')
		.select(['batch_lead.minutes', 'batch_lead.row_version', 'person.name'])
		.where('batch_id', '=', batchId)
		.forUpdate('batch_lead')
		.executeTakeFirstOrThrow();
	return { minutes: row.minutes, version: row.row_version, by: row.name };
}

export async function updateLead(
	tx: Tx,
	batchId: BatchId,
	to: { readonly minutes: number; readonly version: number; readonly changedBy: string }
): Promise<void> {
	await tx
		.updateTable('batch_lead')
		.set({ minutes: to.minutes, row_version: to.version, changed_by: to.changedBy })
		.where('batch_id', '=', batchId)
		.execute();
}
