import type { BakeDate } from '../../core/time/index.ts';
import { loadWithItsMix, setBatchStates } from '../db/batches.ts';
import type { Tx } from '../db/client.ts';
import { bookUses } from './begin-batch.ts';
import { loadBakeryDay } from './day-production.ts';
import { endBulkOf } from './end-bulk.ts';

/** What hands are on is begun, with the mix that it comes of; dough that is divided ferments in its tub no longer. */
export async function touchBatch(
	tx: Tx,
	batchId: string,
	at: { readonly commandId: string; readonly occurredAtMs: number }
): Promise<void> {
	const touched = await loadWithItsMix(tx, batchId);
	const fresh = touched.filter(({ state }) => state === 'planned');
	await setBatchStates(
		tx,
		fresh.map(({ id }) => id),
		'begun'
	);
	const made = fresh.filter(({ kind }) => kind !== 'portion' && kind !== 'load');
	for (const { id, date } of made)
		await bookUses(tx, await loadBakeryDay(tx, date as BakeDate), id, at.occurredAtMs);
	const mix = touched.find(({ kind }) => kind === 'mix');
	if (mix && mix.id !== batchId) await endBulkOf(tx, mix, at);
}
