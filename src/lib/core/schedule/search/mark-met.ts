import type { Row } from '../kernel/row.ts';
import type { CompiledDemand } from './compiled.ts';
import type { State } from './state.ts';

/**
 * By start within [from, to], -1 where a demand is met that counts from so long after it, 0 where it is not: pool by pool over
 * all starts, which makes one of several people as fast as one.
 */
export function markMet(
	state: State,
	demand: CompiledDemand,
	anchor: number,
	met: Row,
	from: number,
	to: number
): void {
	const { horizon } = state.model;
	const { view, choice, amount } = demand;
	const begin = anchor + demand.from;
	const end = anchor + demand.to;
	if (view < 0 && amount > 1) {
		for (let t = from; t <= to; t += 1) met[t] = state.pools.meets(demand, t + anchor) ? -1 : 0;
		return;
	}
	state.kernel.fill(met, 0, from, to);
	const first = Math.max(from, -begin);
	const last = Math.min(to, horizon - end);
	const pools = view < 0 ? choice.length : 1;
	for (let p = 0; p < pools; p += 1) {
		const own = view < 0 ? ((choice[p] as readonly number[])[0] as number) : view;
		const blocked = state.pools.view(own);
		state.kernel.markFree(met, blocked, begin, end, first, last);
	}
}
