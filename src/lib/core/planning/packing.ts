import type { DropId, ProductId } from '../identity.ts';
import type { DayPlan } from './day-plan.ts';
import type { BakeDayInput } from './input.ts';

/** What one drop gets of one product. */
export interface PackingLine {
	readonly productId: ProductId;
	readonly name: string;
	readonly pieces: number;
	/** When the last portion that is for this drop is packed; null where one of them has no place in the plan. */
	readonly readyMs: number | null;
}

/** What is picked for one drop. */
export interface PackingList {
	readonly drop: DayPlan['drops'][number];
	/** By the hour at which it is ready: what is picked first stands first. */
	readonly lines: readonly PackingLine[];
}

/** Made and ordered pieces of one product. */
export interface PiecesOver {
	readonly productId: ProductId;
	readonly name: string;
	readonly made: number;
	readonly ordered: number;
}

/**
 * The pieces of each drop by product, with the moment from which they can be picked.
 *
 * Range: a told plan with the input it was made from. Source: the orders it was made for. Failures: none; a plan of a
 * time in which orders were not kept with it gives lists without lines.
 * Example: a drop that gets loaves of two mixes is ready with the later one.
 */
export function packingLists(
	{ tasks, drops, unplaced }: Pick<DayPlan, 'tasks' | 'drops' | 'unplaced'>,
	input: BakeDayInput
): readonly PackingList[] {
	const packedMs = (dropId: DropId, productId: ProductId): number | null => {
		const ready = input.doughs.flatMap(({ formulaId, mixes }) =>
			mixes.flatMap(({ ordinal, portions }) =>
				portions
					.filter(
						(portion) =>
							portion.productId === productId &&
							portion.role === 'carries' &&
							portion.dropIds.includes(dropId)
					)
					.map(() => {
						const ofThis = (batch: DayPlan['unplaced'][number]) =>
							(batch.kind === 'portion' || batch.kind === 'load') &&
							batch.formulaId === formulaId &&
							batch.ordinal === ordinal &&
							batch.productId === productId;
						const ends = tasks.filter(({ batch }) => ofThis(batch)).map(({ endMs }) => endMs);
						return ends.length === 0 || unplaced.some(ofThis) ? Infinity : Math.max(...ends);
					})
			)
		);
		const last = Math.max(...ready);
		return Number.isFinite(last) ? last : null;
	};
	return [...drops]
		.sort((a, b) => a.dueMs - b.dueMs)
		.map((drop) => ({
			drop,
			lines: input.orders
				.filter(({ dropId }) => dropId === drop.dropId)
				.map(({ productId, name, pieces }) => ({
					productId,
					name,
					pieces,
					readyMs: packedMs(drop.dropId, productId)
				}))
				.sort(
					(a, b) => (a.readyMs ?? Infinity) - (b.readyMs ?? Infinity) || (a.name < b.name ? -1 : 1)
				)
		}));
}

/**
 * What is made and what is ordered of each product, by name: the difference is for the shelf.
 *
 * Range: any input of the contract. Source: the portions of the mixes. Failures: none.
 * Example: 60 loaves of a mix for 55 that are ordered are 5 over.
 */
export function piecesOver({ doughs, orders, products }: BakeDayInput): readonly PiecesOver[] {
	const found = new Map<ProductId, { name: string; made: number; ordered: number }>();
	const of = (productId: ProductId, name: string) => {
		const known = found.get(productId) ?? { name, made: 0, ordered: 0 };
		found.set(productId, known);
		return known;
	};
	for (const { productId, name, pieces } of orders) of(productId, name).ordered += pieces;
	for (const { portions } of doughs.flatMap(({ mixes }) => mixes))
		for (const { productId, role, pieces } of portions)
			if (role === 'carries')
				of(productId, products.find(({ id }) => id === productId)?.name ?? '').made += pieces;
	return [...found]
		.map(([productId, one]) => ({ productId, ...one }))
		.sort((a, b) => (a.name < b.name ? -1 : 1));
}
