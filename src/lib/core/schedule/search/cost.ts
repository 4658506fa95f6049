import { NEVER, type CompiledSpan } from './compiled.ts';
import type { State } from './state.ts';

function priceOfSpan(state: State, at: number): number {
	const span = state.model.spans[at] as CompiledSpan;
	const { tasks, floor, until } = span;
	if (until !== null) {
		const first = state.firstStarts.of(at);
		return first > state.model.horizon ? 0 : span.price * (until - first);
	}
	let first = NEVER;
	let last = -1;
	for (let at = 0; at < tasks.length; at += 1) {
		const u = tasks[at] as number;
		const start = state.start[u] as number;
		if (start < 0 || start < floor) continue;
		if (start < first) first = start;
		const end = state.end[u] as number;
		if (end > last) last = end;
	}
	if (last < 0) return 0;
	return span.price * (last - first);
}

/**
 * The price of all that stands, NEVER where a lag is broken or a pool overdrawn. What does not stand counts nothing.
 */
export function costOf(state: State): number {
	const { model } = state;
	if (state.pools.overdrawn > 0 || state.broken > 0) return NEVER;
	let total = state.priced;
	for (let at = 0; at < model.spans.length; at += 1) total += priceOfSpan(state, at);
	for (let at = 0; at < model.batch.length; at += 1) {
		const machine = model.batch[at]?.machine;
		if (!machine) continue;
		const stretch = state.loads.stretch(at);
		if (stretch >= 0) total += machine.onPrice * (stretch + machine.preheat);
	}
	return total;
}
