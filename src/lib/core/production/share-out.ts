import type { ProductId } from '../identity.ts';
import type { Mass } from '../units/index.ts';
import type { Demand, Lot } from './demand.ts';

/**
 * Shares the pieces of one dough out over `count` mixes: the earliest drops come from the first mix,
 * and drops due at one time are spread in proportion, product by product.
 *
 * Model: demands lie on a line by due time, weighed by dough; each mix takes an equal stretch; pieces
 * stay whole. Range: count of 1 or more, pieces whole and above 0, every product with a weight.
 * Source: our default. Failures: none.
 * Example: 40 x 900 g and 24 x 520 g for one drop in two mixes are 20 and 12 pieces in each.
 */
export function shareOut(
	demands: readonly Demand[],
	weights: ReadonlyMap<ProductId, Mass>,
	count: number
): readonly (readonly Lot[])[] {
	const mixes: Demand[][] = Array.from({ length: count }, () => []);
	const weightOf = (demand: Demand) => weights.get(demand.productId)?.grams ?? 0;
	const massOf = (group: readonly Demand[]) =>
		group.reduce((total, demand) => total + demand.pieces * weightOf(demand), 0);
	const total = massOf(demands);
	let before = 0;
	for (const group of byDueTime(demands)) {
		const mass = massOf(group);
		for (const demand of group) {
			let placed = 0;
			for (let mix = 0; mix < count; mix += 1) {
				const end = (total * (mix + 1)) / count;
				const share = mass > 0 ? Math.min(1, Math.max(0, (end - before) / mass)) : 1;
				const upTo = mix === count - 1 ? demand.pieces : Math.round(demand.pieces * share);
				if (upTo > placed) mixes[mix]?.push({ ...demand, pieces: upTo - placed });
				placed = Math.max(placed, upTo);
			}
		}
		before += mass;
	}
	return mixes.map(lotsOf);
}

function byDueTime(demands: readonly Demand[]): readonly (readonly Demand[])[] {
	const groups = new Map<number, Demand[]>();
	for (const demand of demands)
		groups.set(demand.dueMs, [...(groups.get(demand.dueMs) ?? []), demand]);
	return [...groups].sort(([a], [b]) => a - b).map(([, group]) => group);
}

function lotsOf(demands: readonly Demand[]): readonly Lot[] {
	const lots = new Map<ProductId, Lot>();
	for (const { productId, dropId, dueMs, pieces } of demands) {
		const lot = lots.get(productId) ?? { productId, pieces: 0, drops: [] };
		lots.set(productId, {
			productId,
			pieces: lot.pieces + pieces,
			drops: [...lot.drops, { dropId, dueMs, pieces }]
		});
	}
	return [...lots.values()];
}
