import { groupBy } from '../group-by.ts';
import type { DropId, ProductId } from '../identity.ts';
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

/** A dough, pre-ferment or preparation of which more or less is made than before, or in other batches. */
export interface MovedRecipe {
	readonly kind: 'mix' | 'pre-ferment' | 'preparation';
	readonly name: string;
	/** In all its batches, and how many there are; 0 where there was or is none. */
	readonly before: { readonly grams: number; readonly count: number };
	readonly after: { readonly grams: number; readonly count: number };
	readonly batches: readonly MovedBatch[];
}

/** One of its batches. */
export interface MovedBatch {
	readonly ordinal: number;
	/** Null where there was none. */
	readonly beforeGrams: number | null;
	/** Null where there is none any more. */
	readonly afterGrams: number | null;
	/** It was begun, and stays as it is. */
	readonly begun: boolean;
}

export interface OrdersMoved {
	readonly orders: readonly MovedOrder[];
	readonly recipes: readonly MovedRecipe[];
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
	const was = groupBy(batchesOf(before), recipeKey, (batch) => batch);
	const is = groupBy(batchesOf(after), recipeKey, (batch) => batch);
	return {
		orders: movedOrders(before, after),
		recipes: [...new Set([...is.keys(), ...was.keys()])].flatMap(
			(key) => movedRecipe(was.get(key) ?? [], is.get(key) ?? []) ?? []
		)
	};
}

function movedRecipe(was: readonly SizedBatch[], is: readonly SizedBatch[]): MovedRecipe | null {
	const one = is[0] ?? was[0];
	if (!one) return null;
	const ordinals = [...new Set([...was, ...is].map(({ ordinal }) => ordinal))].sort(
		(a, b) => a - b
	);
	const batches = ordinals.map((ordinal): MovedBatch => {
		const old = was.find((batch) => batch.ordinal === ordinal);
		const now = is.find((batch) => batch.ordinal === ordinal);
		return {
			ordinal,
			beforeGrams: old?.grams ?? null,
			afterGrams: now?.grams ?? null,
			begun: now?.begun !== null && now?.begun !== undefined
		};
	});
	const moved = batches.some(
		({ beforeGrams, afterGrams }) =>
			beforeGrams === null ||
			afterGrams === null ||
			Math.abs(beforeGrams - afterGrams) >= DUST_GRAMS
	);
	const sum = (all: readonly SizedBatch[]) => ({
		grams: all.reduce((total, { grams }) => total + grams, 0),
		count: all.length
	});
	return moved
		? { kind: one.kind, name: one.name, before: sum(was), after: sum(is), batches }
		: null;
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
	readonly recipeId: string;
	readonly kind: MovedRecipe['kind'];
	readonly name: string;
	readonly ordinal: number;
	readonly grams: number;
	readonly begun: Begun | null;
}

function recipeKey({ kind, recipeId }: SizedBatch): string {
	return `${kind} ${recipeId}`;
}

function batchesOf({ doughs, builds }: BakeDayInput): readonly SizedBatch[] {
	return [
		...doughs.flatMap(({ formulaId, name, mixes }) =>
			mixes.map(({ ordinal, grams, begun }): SizedBatch => ({
				recipeId: formulaId,
				kind: 'mix',
				name,
				ordinal,
				grams,
				begun
			}))
		),
		...builds.map(({ preparationId, ordinal, kind, name, grams, begun }): SizedBatch => ({
			recipeId: preparationId,
			kind: kind === 'build' ? 'pre-ferment' : 'preparation',
			name,
			ordinal,
			grams,
			begun
		}))
	];
}
