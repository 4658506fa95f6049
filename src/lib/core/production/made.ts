import type { ResolvedFormula, ResolvedStage } from '../formula/index.ts';
import type { BatchId, ProductId } from '../identity.ts';
import type { Mass } from '../units/index.ts';
import type { Demand, Portion } from './demand.ts';

/** A mix that was begun. Its number, its recipe and its mass stay, whatever is ordered afterwards. */
export interface MadeMix {
	readonly batchId: BatchId;
	readonly ordinal: number;
	/** By the revisions it was pinned to. */
	readonly resolved: ResolvedFormula;
	readonly dough: Mass;
	/** What it was to become when it was begun. */
	readonly portions: readonly { readonly productId: ProductId; readonly pieces: number }[];
	/** Pieces that came to nothing and are to be made again: they are no more of it, nor is their dough. */
	readonly again: readonly { readonly productId: ProductId; readonly pieces: number }[];
}

/** A pre-ferment or another preparation that was begun, as it was pinned. */
export interface MadePreparation {
	readonly batchId: BatchId;
	readonly ordinal: number;
	readonly stage: ResolvedStage;
	readonly gross: Mass;
}

/** What made mixes become of what is ordered now, and what they leave to be made. */
export interface Covered {
	/** One for each made mix, in order. */
	readonly mixes: readonly { readonly portions: readonly Portion[]; readonly over: Mass }[];
	readonly left: readonly Demand[];
}

/** Dust of binary sums, in grams of a whole mix. */
const DUST_GRAMS = 1e-3;

/**
 * Shares what is ordered out over the mixes that stand already.
 *
 * Model: each mix first keeps to what it was to become, as far as that is still ordered, earliest drops first;
 * dough whose pieces nobody wants any more then becomes other pieces of the same dough; what is left of it
 * is over, where it makes a piece at all. Pieces stay whole.
 * Range: a positive dough of each mix; demands with a weight each. Source: our default. Failures: none.
 * Example: 20 of 900 g in a mix when only 12 are ordered any more leave 7 200 g over.
 */
export function coverByMade(
	demands: readonly Demand[],
	weights: ReadonlyMap<ProductId, Mass>,
	made: readonly MadeMix[]
): Covered {
	const inOrder = [...demands].sort((a, b) => a.dueMs - b.dueMs);
	const left = inOrder.map((demand) => demand.pieces);
	const gone = ({ again }: MadeMix) =>
		again.reduce((all, one) => all + one.pieces * (weights.get(one.productId)?.grams ?? 0), 0);
	const mixes = made.map((mix) => ({
		taken: inOrder.map(() => 0),
		grams: Math.max(0, mix.dough.grams * (1 - mix.resolved.formula.doughLoss.share) - gone(mix))
	}));
	const take = (mix: (typeof mixes)[number], at: number, most: number) => {
		const weight = weights.get(inOrder[at]?.productId as ProductId)?.grams ?? 0;
		if (weight <= 0) return 0;
		const fits = Math.floor((mix.grams + DUST_GRAMS) / weight);
		const pieces = Math.min(most, left[at] ?? 0, fits);
		mix.taken[at] = (mix.taken[at] ?? 0) + pieces;
		mix.grams -= pieces * weight;
		left[at] = (left[at] ?? 0) - pieces;
		return pieces;
	};
	for (const [index, mix] of mixes.entries())
		for (const { productId, pieces } of made[index]?.portions ?? []) {
			const again = made[index]?.again.find((one) => one.productId === productId)?.pieces ?? 0;
			let wanted = Math.max(0, pieces - again);
			for (const [at, demand] of inOrder.entries())
				if (demand.productId === productId) wanted -= take(mix, at, wanted);
		}
	for (const mix of mixes) for (const at of inOrder.keys()) take(mix, at, Infinity);
	// Equal mixes are each as large as the one with most to cover: less than a piece is nobody's.
	const lightest = Math.min(...[...weights.values()].map((weight) => weight.grams));
	const isOver = (grams: number) =>
		weights.size === 0 ? grams > DUST_GRAMS : grams + DUST_GRAMS >= lightest;
	return {
		mixes: mixes.map(({ taken, grams }) => ({
			portions: portionsOf(
				inOrder.flatMap((demand, at) => {
					const pieces = taken[at] ?? 0;
					return pieces > 0 ? [{ ...demand, pieces }] : [];
				})
			),
			over: { grams: isOver(grams) ? grams : 0 }
		})),
		left: inOrder.flatMap((demand, at) => {
			const pieces = left[at] ?? 0;
			return pieces > 0 ? [{ ...demand, pieces }] : [];
		})
	};
}

/** Demands of one mix brought together by product. */
export function portionsOf(demands: readonly Demand[]): readonly Portion[] {
	const portions = new Map<ProductId, Portion>();
	for (const { productId, dropId, dueMs, pieces } of demands) {
		const portion = portions.get(productId) ?? { productId, pieces: 0, drops: [] };
		portions.set(productId, {
			productId,
			pieces: portion.pieces + pieces,
			drops: [...portion.drops, { dropId, dueMs, pieces }]
		});
	}
	return [...portions.values()];
}
