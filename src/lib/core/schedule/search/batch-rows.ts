import {
	NEVER,
	type CompiledBatchMachine,
	type CompiledEdge,
	type CompiledPortion
} from './compiled.ts';
import { withPortion } from './setup.ts';
import type { Load } from './loads.ts';
import { markMet } from './mark-met.ts';
import { OpenUnits } from './open-units.ts';
import type { State } from './state.ts';

/**
 * What a portion costs by its start on a batch machine: joining a load that stands, or beginning one of its own where
 * a unit, its recovery, the change of level and the hands allow; and the unit it would go to.
 */
export class BatchRows {
	private readonly open: OpenUnits;
	private readonly best: Int32Array;
	/** By start, whether a load would be attended; and for one demand of it. */
	private readonly attendedAt: Uint8Array;
	private readonly met: Uint8Array;
	/** While true nothing is charged that others may share: being on costs nothing, and a load may be longer. */
	free = false;

	constructor(private readonly state: State) {
		this.open = new OpenUnits(state);
		this.best = new Int32Array(state.model.horizon + 1);
		this.attendedAt = new Uint8Array(state.model.horizon + 1);
		this.met = new Uint8Array(state.model.horizon + 1);
	}

	/** Adds to `row` over [from, to] what the best unit costs with what follows from its end (`ends`). */
	fill(
		u: number,
		portion: CompiledPortion,
		row: Int32Array,
		units: Int16Array,
		ends: Int32Array,
		from: number,
		to: number
	): void {
		if (from > to) return;
		units.fill(-1, from, to + 1);
		const { state } = this;
		const pinned = state.model.pinnedUnit[u] as number;
		const { best } = this;
		best.fill(NEVER, from, to + 1);
		for (let at = 0; at < portion.machines.length; at += 1)
			this.tryMachine(
				portion.machines[at] as number,
				portion,
				pinned,
				row,
				best,
				units,
				ends,
				from,
				to
			);
		for (let t = from; t <= to; t += 1) {
			const price = best[t] as number;
			row[t] = price >= NEVER ? NEVER : Math.min(NEVER, (row[t] as number) + price);
		}
	}

	private tryMachine(
		at: number,
		portion: CompiledPortion,
		pinned: number,
		row: Int32Array,
		best: Int32Array,
		units: Int16Array,
		ends: Int32Array,
		from: number,
		to: number
	): void {
		const { state } = this;
		const batch = state.model.batch[at] as CompiledBatchMachine;
		const { machine, firstUnit } = batch;
		const lastUnit = firstUnit + batch.units;
		const length = machine.loading + portion.length + machine.unloading;
		const { first, end } = state.loads.on(at);
		const unitAt = this.open.at(at, portion, pinned, from, to);
		const onPrice = this.free ? 0 : machine.onPrice;
		const last = Math.min(to, state.model.horizon - length);
		// One demand of one pool from the load's start on, as most have, is looked up in place.
		const only = batch.attended.length === 1 ? batch.attended[0] : undefined;
		const quick = only && !only.ofEnd && only.demand.view >= 0 && only.demand.from >= 0;
		const handsFrom = only?.demand.from ?? 0;
		const handsTo = only?.demand.to ?? 0;
		const hands = quick ? state.pools.view(only.demand.view) : null;
		const { attendedAt } = this;
		if (hands === null) this.markAttended(batch, length, from, last);
		for (let t = from; t <= last; t += 1) {
			const unit = unitAt[t] as number;
			// A row's own prices come on top, so what they forbid already needs no look.
			if (unit < 0 || (row[t] as number) >= NEVER) continue;
			let price = this.free
				? leastUntil(ends, t + length, portion.tolerance)
				: (ends[t + length] as number);
			if (price >= (best[t] as number)) continue;
			if (hands !== null) {
				if ((hands[t + handsFrom] as number) < t + handsTo) continue;
			} else if (attendedAt[t] === 0) continue;
			if (end < 0) price += onPrice * (length + machine.preheat);
			else {
				if (t < first) price += onPrice * (first - t);
				if (t + length > end) price += onPrice * (t + length - end);
			}
			if (price >= (best[t] as number)) continue;
			best[t] = price;
			units[t] = unit;
		}
		for (let unit = firstUnit; unit < lastUnit; unit += 1) {
			if ((pinned >= 0 && pinned !== unit) || portion.notOn?.has(unit)) continue;
			const loads = state.loads.ofUnit[unit] as Load[];
			for (let k = 0; k < loads.length; k += 1) {
				const load = loads[k] as Load;
				if (load.start < from) continue;
				if (load.start > to) break;
				this.tryJoin(batch, load, portion, end, best, units, ends);
			}
		}
	}

	/** Marks the starts at which all that a load of a length wants is there: demand by demand, and pool by pool. */
	private markAttended(
		{ attended }: CompiledBatchMachine,
		length: number,
		from: number,
		to: number
	): void {
		const { attendedAt, met, state } = this;
		attendedAt.fill(1, from, to + 1);
		for (let at = 0; at < attended.length; at += 1) {
			const { demand, ofEnd } = attended[at] as CompiledBatchMachine['attended'][number];
			const anchor = ofEnd ? length : 0;
			markMet(state, demand, anchor, met, from, to);
			for (let t = from; t <= to; t += 1) if (met[t] === 0) attendedAt[t] = 0;
		}
	}

	private tryJoin(
		batch: CompiledBatchMachine,
		load: Load,
		portion: CompiledPortion,
		lastEnd: number,
		best: Int32Array,
		units: Int16Array,
		ends: Int32Array
	): void {
		const { state } = this;
		const { machine } = batch;
		const longer = portion.length - load.longest;
		const end = longer > 0 ? load.end + longer : load.end;
		if (end > state.model.horizon) return;
		let price = ends[end] as number;
		if (price >= NEVER) return;
		if (end > lastEnd) price += machine.onPrice * (end - lastEnd);
		if (price >= (best[load.start] as number)) return;
		if (!state.loads.takes(load, portion, state.portionOf)) return;
		const { range } = portion;
		const widens =
			range.low < load.low ||
			range.high > load.high ||
			range.leavesLow < load.leavesLow ||
			range.leavesHigh > load.leavesHigh;
		if (
			(longer > 0 || widens) &&
			!state.loads.fits(load.unit, load.start, end, withPortion(load, portion), load)
		)
			return;
		if (longer > 0 && !this.mayEndAt(batch, load, end)) return;
		best[load.start] = price;
		units[load.start] = load.unit;
	}

	/** True where a load may end later: for what attends its end, and for what follows its portions. */
	private mayEndAt(batch: CompiledBatchMachine, load: Load, end: number): boolean {
		const { state } = this;
		const { attended } = batch;
		for (let at = 0; at < attended.length; at += 1) {
			const { demand, ofEnd } = attended[at] as CompiledBatchMachine['attended'][number];
			if (ofEnd && !state.meets(demand, end)) return false;
		}
		for (let at = 0; at < load.members.length; at += 1) {
			const out = state.model.out[load.members[at] as number] as readonly number[];
			for (let k = 0; k < out.length; k += 1) {
				const edge = state.model.edges[out[k] as number] as CompiledEdge;
				const start = state.start[edge.after] as number;
				if (start >= 0 && !edge.fromStart && start - end < edge.leastOfAll) return false;
			}
		}
		return true;
	}
}

/** The least of what follows from an end, or from a later one: a portion may stay for a longer one of its load. */
function leastUntil(ends: Int32Array, end: number, later: number): number {
	let least = ends[end] as number;
	for (let t = end + 1; t <= end + later && t < ends.length; t += 1)
		least = Math.min(least, ends[t] as number);
	return least;
}
