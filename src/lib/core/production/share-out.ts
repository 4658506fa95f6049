import type { ProductId } from '../identity.ts';
import type { Mass } from '../units/index.ts';
import type { Demand, Portion } from './demand.ts';
import { portionsOf } from './made.ts';

/**
 * Shares the pieces of one dough out over `count` mixes: the earliest drops come from the first mix,
 * and drops due at one time are spread in proportion, product by product.
 *
 * Model: demands lie on a line by due time, weighed by dough; each mix takes an equal stretch, its end
 * moved to the end of a due time that lies within `snap` of a mix; pieces stay whole.
 * Range: count of 1 or more, pieces whole and above 0, every product with a weight, snap from 0 to 0.5.
 * Source: our default. Failures: none.
 * Example: 40 x 900 g and 24 x 520 g for one drop in two mixes are 20 and 12 pieces in each.
 */
export function shareOut(
	demands: readonly Demand[],
	weights: ReadonlyMap<ProductId, Mass>,
	count: number,
	snap = 0
): readonly (readonly Portion[])[] {
	const mixes: Demand[][] = Array.from({ length: count }, () => []);
	const weightOf = (demand: Demand) => weights.get(demand.productId)?.grams ?? 0;
	const massOf = (group: readonly Demand[]) =>
		group.reduce((total, demand) => total + demand.pieces * weightOf(demand), 0);
	const total = massOf(demands);
	const groups = byDueTime(demands);
	const ends = mixEnds(total, count, groups.map(massOf), snap);
	let before = 0;
	for (const group of groups) {
		const mass = massOf(group);
		for (const demand of group) {
			let placed = 0;
			for (let mix = 0; mix < count; mix += 1) {
				const end = ends[mix] ?? total;
				const share = mass > 0 ? Math.min(1, Math.max(0, (end - before) / mass)) : 1;
				const upTo = mix === count - 1 ? demand.pieces : Math.round(demand.pieces * share);
				if (upTo > placed) mixes[mix]?.push({ ...demand, pieces: upTo - placed });
				placed = Math.max(placed, upTo);
			}
		}
		before += mass;
	}
	return mixes.map(portionsOf);
}

/** Where each mix ends on the line of dough. */
function mixEnds(
	total: number,
	count: number,
	groupMasses: readonly number[],
	snap: number
): readonly number[] {
	const each = total / count;
	let sum = 0;
	const dueEnds = groupMasses.map((mass) => (sum += mass));
	return Array.from({ length: count }, (_, mix) => {
		const even = each * (mix + 1);
		const near = dueEnds.find((end) => Math.abs(end - even) <= snap * each);
		return near ?? even;
	});
}

function byDueTime(demands: readonly Demand[]): readonly (readonly Demand[])[] {
	const groups = new Map<number, Demand[]>();
	for (const demand of demands)
		groups.set(demand.dueMs, [...(groups.get(demand.dueMs) ?? []), demand]);
	return [...groups].sort(([a], [b]) => a - b).map(([, group]) => group);
}
