import { batchKey, type BakeDayInput, type BatchRef, type DayPlan } from '../planning/index.ts';
import type { DropId } from '../identity.ts';
import type { PortionRef } from './result-entry.ts';

/** A further batch, begun now. */
export interface Rescue {
	/** When it would be packed, if it went as long as the one that was short. */
	readonly readyMs: number;
	/** The drops with this product that it would still be ready for. */
	readonly drops: readonly DropId[];
	/** What goes into it that has to be there already: its pre-ferments and preparations, by name. */
	readonly takes: readonly string[];
}

/**
 * When a further batch of a portion would be ready if it was mixed now, and which drops it would still make.
 *
 * Model: it takes as long as the planned one from the first hand on its mix to its last work; hands and ovens are taken as free, which only
 * a plan can tell. Range: a portion of the plan. Source: our default. Failures: null where the plan has no such portion.
 * Example: mixed at 22:00 and packed at 04:00 by the plan: one begun at 01:00 is ready at 07:00.
 */
export function rescueOf(
	input: Pick<BakeDayInput, 'orders' | 'drops' | 'builds'>,
	plan: Pick<DayPlan, 'tasks'>,
	portion: PortionRef,
	nowMs: number
): Rescue | null {
	const mix = batchKey({ kind: 'mix', ...portion });
	const own = batchKey({ kind: 'portion', ...portion });
	const isOf = (batch: BatchRef, key: string) =>
		batch.kind === 'load'
			? batchKey({ ...batch, kind: 'portion' }) === key
			: batchKey(batch) === key;
	const begins = plan.tasks.filter(({ batch }) => isOf(batch, mix)).map(({ startMs }) => startMs);
	const ends = plan.tasks.filter(({ batch }) => isOf(batch, own)).map(({ endMs }) => endMs);
	if (begins.length === 0 || ends.length === 0) return null;
	const readyMs = nowMs + Math.max(...ends) - Math.min(...begins);
	const ordered = new Set(
		input.orders
			.filter(({ productId, pieces }) => productId === portion.productId && pieces > 0)
			.map(({ dropId }) => dropId)
	);
	return {
		readyMs,
		drops: input.drops
			.filter(({ id, readyByMs }) => ordered.has(id) && readyByMs >= readyMs)
			.map(({ id }) => id),
		takes: [
			...new Set(
				input.builds
					.filter(({ takenByDoughs }) => takenByDoughs.includes(portion.formulaId))
					.map(({ name }) => name)
			)
		]
	};
}
