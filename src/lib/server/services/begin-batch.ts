import type { BatchName } from '../../contracts/batch-name.ts';
import type { RefusalOf } from '../../contracts/refusals.ts';
import { mixedShare } from '../../core/formula/index.ts';
import type { BatchId } from '../../core/identity.ts';
import { usesOfBatch } from '../../core/production/index.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import {
	findBatch,
	insertBatches,
	insertParents,
	lockBatchesOn,
	resizeBatch,
	setBatchStates,
	type Batch,
	type NewBatch
} from '../db/batches.ts';
import type { Tx } from '../db/client.ts';
import { isFormulaRevision } from '../db/formulas.ts';
import { isPreparationRevision } from '../db/preparations.ts';
import { insertStockUses } from '../db/stock.ts';
import { batchAt, isBegun, loadBakeryDay, type BakeryDay } from './day-production.ts';

type Refused = RefusalOf<'unknown' | 'more-than-a-mixer'>;

/**
 * Finds the batch that a command speaks of, and makes it one that was begun: what it weighs and what it is made
 * by stands from then on as the hand was told it, whatever changed meanwhile. One that was only planned is made
 * now, with the portions it is to become.
 */
export async function beginBatch(
	tx: Tx,
	name: BatchName
): Promise<Result<{ readonly batchId: BatchId; readonly isNew: boolean }, Refused>> {
	const found = await findOrMake(tx, name);
	if (!found.ok) return found;
	const isNew = found.value.state === 'planned';
	if (isNew) await setBatchStates(tx, [found.value.id], 'begun');
	return ok({ batchId: found.value.id, isNew });
}

/** Books what went into a batch out of stock, when it is begun. `day` is read after that. */
export async function bookUses(
	tx: Tx,
	day: BakeryDay,
	batchId: BatchId,
	occurredAtMs: number
): Promise<void> {
	await insertStockUses(tx, batchId, usesOfBatch(day.production, batchId), occurredAtMs);
}

/** Finds the batch that a command speaks of, or makes it as planned. */
export async function findOrMake(tx: Tx, name: BatchName): Promise<Result<Batch, Refused>> {
	if (name.kind === 'made') {
		const batch = await findBatch(tx, name.batchId);
		return batch && isBegun(batch) ? ok(batch) : fail({ kind: 'unknown', what: 'dough' });
	}
	await lockBatchesOn(tx, name.date);
	const day = await loadBakeryDay(tx, name.date);
	const there = batchAt(day, placeOf(name));
	if (there && isBegun(there)) return ok(there);
	const refusal = await misfit(tx, name, day);
	if (refusal) return fail(refusal);
	const { revisionId, grams } = name;
	if (there) {
		await resizeBatch(tx, there, { revisionId, grams, pieces: null });
		return ok({ ...there, revisionId, grams });
	}
	const [batchId] = await insertBatches(tx, [newBatch(name, day)]);
	const made = batchId === undefined ? null : await findBatch(tx, batchId);
	if (!made) return fail({ kind: 'unknown', what: 'dough' });
	if (name.kind === 'planned-mix') await makePortions(tx, made.id, name, day);
	return ok(made);
}

type PlannedName = Exclude<BatchName, { kind: 'made' }>;

function placeOf(name: PlannedName) {
	return name.kind === 'planned-mix'
		? ({ kind: 'mix', formulaId: name.formulaId, ordinal: name.ordinal } as const)
		: ({
				kind: 'preparation',
				preparationId: name.preparationId,
				ordinal: name.ordinal
			} as const);
}

/** What no page could have told: another recipe's revision, or more than a mixer takes. */
async function misfit(tx: Tx, name: PlannedName, day: BakeryDay): Promise<Refused | null> {
	if (name.kind === 'planned-preparation')
		return (await isPreparationRevision(tx, name.revisionId, name.preparationId))
			? null
			: { kind: 'unknown', what: 'build' };
	if (!(await isFormulaRevision(tx, name.revisionId, name.formulaId)))
		return { kind: 'unknown', what: 'mix' };
	const mostGrams = Math.max(0, ...day.mixers.map((mixer) => mixer.mostGrams));
	const dough = day.production.doughs.find(
		(dough) => dough.resolved.formula.id === name.formulaId
	)?.resolved;
	const atMixer = name.grams * (dough ? mixedShare(dough.final) : 1);
	return mostGrams > 0 && atMixer > mostGrams * OVERFULL
		? { kind: 'more-than-a-mixer', name: dough?.formula.name ?? '', mostGrams }
		: null;
}

/** A mixer is filled somewhat beyond what it takes now and then; more than this is a mistake (our default). */
const OVERFULL = 1.25;

function newBatch(name: PlannedName, day: BakeryDay): NewBatch {
	const { date, ordinal, revisionId, grams } = name;
	if (name.kind === 'planned-mix')
		return { kind: 'mix', formulaId: name.formulaId, date, ordinal, revisionId, grams };
	const kind = day.book.preparations.get(name.preparationId)?.preparation.kind;
	return {
		kind: kind === 'build' ? 'pre-ferment' : 'preparation',
		preparationId: name.preparationId,
		date,
		ordinal,
		revisionId,
		grams
	};
}

/** What a mix was to become when it was begun. */
async function makePortions(
	tx: Tx,
	mixId: BatchId,
	name: Extract<PlannedName, { kind: 'planned-mix' }>,
	day: BakeryDay
): Promise<void> {
	const mix = day.production.doughs
		.find((dough) => dough.resolved.formula.id === name.formulaId)
		?.mixes.find((mix) => mix.ordinal === name.ordinal);
	const portions = (mix?.portions ?? []).flatMap(({ productId, pieces }): NewBatch[] => {
		const product = day.book.products.find((product) => product.product.id === productId);
		return product
			? [
					{
						kind: 'portion',
						productId,
						date: name.date,
						ordinal: 1,
						revisionId: product.revisionId,
						grams: pieces * product.scaledGrams,
						pieces
					}
				]
			: [];
	});
	const ids = await insertBatches(tx, portions);
	await insertParents(
		tx,
		ids.map((batchId) => ({ batchId, parentId: mixId }))
	);
}
