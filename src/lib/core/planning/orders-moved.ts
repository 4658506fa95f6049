import type { DropId, ProductId } from '../identity.ts';
import { batchKey } from './batch-ref.ts';
import type { BakeDayInput, Begun } from './input.ts';

/** Pieces of one product for one drop, before and now. */
export interface MovedOrder {
	readonly dropId: DropId;
	readonly drop: string;
	readonly productId: ProductId;
	readonly product: string;
	readonly before: number;
	readonly after: number;
}

/** A mix, pre-ferment or preparation that is larger or smaller than before, new, or not wanted any more. */
export interface MovedBatch {
	readonly kind: 'mix' | 'pre-ferment' | 'preparation';
	readonly name: string;
	readonly ordinal: number;
	/** How many of it there are now. */
	readonly count: number;
	/** Null where there was none. */
	readonly beforeGrams: number | null;
	/** Null where there is none any more. */
	readonly afterGrams: number | null;
}

export interface OrdersMoved {
	readonly orders: readonly MovedOrder[];
	readonly batches: readonly MovedBatch[];
	/** Those that were begun and stay as they are, though what takes from them moved. */
	readonly begun: readonly Pick<MovedBatch, 'kind' | 'name' | 'ordinal' | 'count'>[];
}

/** A change of less than this is dust of rounding. */
const DUST_GRAMS = 0.5;

/**
 * Tells what changed in the orders of a date since a plan was made, and what that moves in the bowls.
 *
 * Model: numbers by product and drop, and batches by what they are and their number, held against each other; a batch that
 * was begun keeps its mass, so that what is wanted more shows as a further one. Range: two inputs of one date. Source:
 * definition. Failures: none.
 * Example: 10 loaves more for the ferry make mix 1 of their dough 9.2 kg larger and its levain 1.5 kg.
 */
export function ordersMoved(before: BakeDayInput, after: BakeDayInput): OrdersMoved {
	const orders = movedOrders(before, after);
	const was = new Map(batchesOf(before).map((batch) => [batch.key, batch]));
	const is = batchesOf(after);
	const now = new Set(is.map(({ key }) => key));
	const told = ({ kind, name, ordinal, count }: SizedBatch) => ({ kind, name, ordinal, count });
	const batches = [
		...is.flatMap((batch): MovedBatch[] => {
			const old = was.get(batch.key);
			if (old && Math.abs(old.grams - batch.grams) < DUST_GRAMS) return [];
			return [{ ...told(batch), beforeGrams: old?.grams ?? null, afterGrams: batch.grams }];
		}),
		...[...was.values()]
			.filter(({ key }) => !now.has(key))
			.map((batch): MovedBatch => ({
				...told(batch),
				beforeGrams: batch.grams,
				afterGrams: null
			}))
	];
	const names = new Set(batches.map(({ kind, name }) => `${kind} ${name}`));
	return {
		orders,
		batches,
		begun: is
			.filter(({ begun, kind, name }) => begun && names.has(`${kind} ${name}`))
			.filter(({ key, grams }) => Math.abs((was.get(key)?.grams ?? 0) - grams) < DUST_GRAMS)
			.map(told)
	};
}

function movedOrders(before: BakeDayInput, after: BakeDayInput): readonly MovedOrder[] {
	const drops = new Map([...before.drops, ...after.drops].map(({ id, name }) => [id, name]));
	const keyOf = (order: BakeDayInput['orders'][number]) => `${order.dropId} ${order.productId}`;
	const was = new Map(before.orders.map((order) => [keyOf(order), order]));
	const is = new Map(after.orders.map((order) => [keyOf(order), order]));
	return [...new Set([...was.keys(), ...is.keys()])].flatMap((key): MovedOrder[] => {
		const [old, now] = [was.get(key), is.get(key)];
		const one = now ?? old;
		const [from, to] = [old?.pieces ?? 0, now?.pieces ?? 0];
		if (!one || from === to) return [];
		return [
			{
				dropId: one.dropId,
				drop: drops.get(one.dropId) ?? '',
				productId: one.productId,
				product: one.name,
				before: from,
				after: to
			}
		];
	});
}

interface SizedBatch {
	readonly key: string;
	readonly kind: MovedBatch['kind'];
	readonly name: string;
	readonly ordinal: number;
	readonly count: number;
	readonly grams: number;
	readonly begun: Begun | null;
}

function batchesOf(input: BakeDayInput): readonly SizedBatch[] {
	const mixes = input.doughs.flatMap(({ formulaId, name, mixes: all }) =>
		all.map(({ ordinal, count, grams, begun }): SizedBatch => ({
			key: batchKey({ kind: 'mix', formulaId, ordinal }),
			kind: 'mix',
			name,
			ordinal,
			count,
			grams,
			begun
		}))
	);
	const builds = input.builds.map(
		({ preparationId, ordinal, kind, name, grams, begun }): SizedBatch => ({
			key: batchKey({ kind: 'preparation', preparationId, ordinal }),
			kind: kind === 'build' ? 'pre-ferment' : 'preparation',
			name,
			ordinal,
			count: input.builds.filter((other) => other.preparationId === preparationId).length,
			grams,
			begun
		})
	);
	return [...mixes, ...builds];
}
