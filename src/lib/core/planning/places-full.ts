import type { BatchRef } from './batch-ref.ts';
import type { DayPlan, DayTask } from './day-plan.ts';
import type { BakeDayInput } from './input.ts';
import { peakOf, usesElsewhere, type Use } from './peak-of-uses.ts';
import { PARTS_OF_A_TRAY, roomOfDough, roomOfPieces } from './room-of-places.ts';

/** A place in which more waits at once than it has room for. */
export interface PlaceFull {
	readonly name: string;
	/** In trays. */
	readonly room: number;
	readonly wanted: number;
	/** When most is in it. */
	readonly atMs: number;
}

/**
 * Where a plan puts more into a place than it has room for.
 *
 * Model: what waits in a place takes its room there from leg to leg; a portion until the first of it is taken on, so that
 * nothing is told that is not so. What other dates have there is counted while this one has something there. Range: a described plan and what it was made from. Source: our default. Failures: none.
 * Example: 60 loaves at 6 to a tray in a prover of 8 trays: 10 wanted.
 */
export function placesFull(plan: DayPlan, input: BakeDayInput): readonly PlaceFull[] {
	const staying = placeStays(plan, input);
	return input.bakery.places.flatMap(({ id, name, trays }) => {
		const peak = peakOf(
			staying.filter(({ placeId }) => placeId === id),
			usesElsewhere('place', id, input)
		);
		return peak && peak.wanted > trays * PARTS_OF_A_TRAY
			? [{ name, room: trays, wanted: Math.ceil(peak.wanted / PARTS_OF_A_TRAY), atMs: peak.atMs }]
			: [];
	});
}

/** Room, in parts of a tray, that something takes in a place from one moment to another. */
export interface PlaceStay extends Use {
	readonly placeId: string;
	readonly batch: BatchRef;
}

/** Every stay of a plan in a place that can run out of room. */
export function placeStays(plan: DayPlan, input: BakeDayInput): readonly PlaceStay[] {
	const places = new Set(input.bakery.places.map(({ id }) => id));
	return plan.tasks
		.flatMap((task) => staysOf(task, input))
		.filter(({ placeId }) => places.has(placeId));
}

function staysOf(task: DayTask, input: BakeDayInput): readonly PlaceStay[] {
	if (task.step.kind !== 'wait') return [];
	const count = roomOf(task.batch, input);
	return task.step.legs.flatMap(({ named }, leg) => {
		const fromMs = leg === 0 ? task.startMs : task.movesMs[leg - 1];
		const toMs = task.movesMs[leg] ?? task.endMs;
		return named && fromMs !== undefined && fromMs < toMs
			? [{ placeId: named.id, batch: task.batch, fromMs, toMs, count }]
			: [];
	});
}

function roomOf(batch: BatchRef, input: BakeDayInput): number {
	if (batch.kind === 'preparation') {
		const build = input.builds.find(
			(one) => one.preparationId === batch.preparationId && one.ordinal === batch.ordinal
		);
		return roomOfDough(build?.grams ?? 0);
	}
	const mix = input.doughs
		.find(({ formulaId }) => formulaId === batch.formulaId)
		?.mixes.find(({ ordinal }) => ordinal === batch.ordinal);
	if (batch.kind === 'mix') return roomOfDough(mix?.grams ?? 0);
	const product = input.products.find(({ id }) => id === batch.productId);
	const pieces =
		batch.kind === 'load'
			? batch.pieces
			: (mix?.portions.find(({ productId }) => productId === batch.productId)?.pieces ?? 0);
	return product ? roomOfPieces(pieces, product.piecesPerTray) : 0;
}
