import {
	NEVER,
	type CompiledBatchMachine,
	type CompiledEdge,
	type CompiledPortion
} from './compiled.ts';
import { keepApart, setupFrom, withPortion } from './setup.ts';
import { isTaken, type Load } from './loads.ts';
import { markMet } from './mark-met.ts';
import type { State } from './state.ts';

/**
 * What a portion costs by its start on a batch machine: joining a load that stands, or beginning one of its own where
 * a unit, its recovery, the change of level and the hands allow; and the unit it would go to.
 */
export class BatchRows {
	private readonly blocked: Uint8Array;
	private readonly unitAt: Int16Array;
	private readonly best: Int32Array;
	/** By start, whether a load would be attended; and for one demand of it. */
	private readonly attendedAt: Uint8Array;
	private readonly met: Uint8Array;
	/** How many starts have no unit yet. */
	private unmarked = 0;
	private turn = 0;
	/** While true, being on costs nothing. */
	free = false;

	constructor(private readonly state: State) {
		this.blocked = new Uint8Array(state.model.horizon + 1);
		this.unitAt = new Int16Array(state.model.horizon + 1);
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
		const { state, unitAt } = this;
		const batch = state.model.batch[at] as CompiledBatchMachine;
		const { machine, firstUnit } = batch;
		const lastUnit = firstUnit + batch.units;
		const length = machine.loading + portion.length + machine.unloading;
		const { shared } = machine;
		let first = NEVER;
		let end = -1;
		for (let unit = firstUnit; unit < lastUnit; unit += 1) {
			const loads = state.loads.ofUnit[unit] as Load[];
			for (let k = 0; k < loads.length; k += 1) {
				const load = loads[k] as Load;
				if (isTaken(load)) continue;
				if (load.start < first) first = load.start;
				if (load.end > end) end = load.end;
			}
		}
		if (shared) this.blockOtherLevels(batch, portion, length, from, to);
		unitAt.fill(-1, from, to + 1);
		this.unmarked = to - from + 1;
		// Units that are free alike are taken by turns: what one of them bars, the other may not.
		this.turn = (this.turn + 1) % batch.units;
		for (let k = 0; k < batch.units && this.unmarked > 0; k += 1) {
			const unit = firstUnit + ((k + this.turn) % batch.units);
			if ((pinned >= 0 && pinned !== unit) || portion.notOn?.has(unit)) continue;
			if ((state.model.unitCapacity[unit] as number) < portion.size) continue;
			this.markFree(batch, unit, portion, length, from, to);
		}
		const onPrice = this.free ? 0 : machine.onPrice;
		const last = Math.min(to, state.model.horizon - length);
		const { blocked } = this;
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
			let price = ends[t + length] as number;
			if (price >= (best[t] as number) || (shared && blocked[t] === 1)) continue;
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

	/** Marks the starts at which a load of another level is on, or too close, in the shared chamber. */
	private blockOtherLevels(
		batch: CompiledBatchMachine,
		portion: CompiledPortion,
		length: number,
		from: number,
		to: number
	): void {
		const { machine, firstUnit, units } = batch;
		const { range } = portion;
		const { blocked } = this;
		blocked.fill(0, from, to + 1);
		for (let unit = firstUnit; unit < firstUnit + units; unit += 1) {
			const loads = this.state.loads.ofUnit[unit] as Load[];
			for (let k = 0; k < loads.length; k += 1) {
				const load = loads[k] as Load;
				if (!keepApart(machine, load, range, false)) continue;
				const before = setupFrom(machine, range, load);
				const after = setupFrom(machine, load, range);
				const together = !keepApart(machine, load, range, true);
				const low = Math.max(from, load.start - length - before + 1);
				const high = Math.min(to, load.end + after - 1);
				for (let t = low; t <= high; t += 1) if (!together || t !== load.start) blocked[t] = 1;
			}
		}
	}

	/** Writes the unit at the starts at which a load of its own would stand free of the unit's others. */
	private markFree(
		batch: CompiledBatchMachine,
		unit: number,
		portion: CompiledPortion,
		length: number,
		from: number,
		to: number
	): void {
		const { machine } = batch;
		const loads = this.state.loads.ofUnit[unit] as Load[];
		const { range } = portion;
		const recovery = this.state.model.unitRecovery[unit] as number;
		let open = from;
		for (let k = 0; k < loads.length; k += 1) {
			const load = loads[k] as Load;
			const before = Math.max(recovery, setupFrom(machine, range, load));
			const after = Math.max(recovery, setupFrom(machine, load, range));
			const close = Math.min(to, load.start - length - before);
			if (open <= close) this.mark(unit, open, close);
			if (load.end + after > open) open = load.end + after;
			if (open > to) return;
		}
		if (open <= to) this.mark(unit, open, to);
	}

	private mark(unit: number, from: number, to: number): void {
		const { unitAt } = this;
		let marked = 0;
		for (let t = from; t <= to; t += 1) {
			if ((unitAt[t] as number) >= 0) continue;
			unitAt[t] = unit;
			marked += 1;
		}
		this.unmarked -= marked;
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
