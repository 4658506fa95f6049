import {
	NEVER,
	type CompiledBatchMachine,
	type CompiledEdge,
	type CompiledPortion
} from './compiled.ts';
import type { Row } from '../kernel/row.ts';
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
	private readonly best: Row;
	private readonly later: Row;
	/** By start, -1 where a load would be attended; and for one demand of it. */
	private readonly attendedAt: Row;
	private readonly met: Row;
	/** While true nothing is charged that others may share: being on costs nothing, and a load may be longer. */
	free = false;

	constructor(private readonly state: State) {
		this.open = new OpenUnits(state);
		this.best = state.kernel.row(state.model.horizon + 1);
		this.later = state.kernel.row(state.model.horizon + 1);
		this.attendedAt = state.kernel.row(state.model.horizon + 1);
		this.met = state.kernel.row(state.model.horizon + 1);
	}

	/** Adds to `row` over [from, to] what the best unit costs with what follows from its end (`ends`). */
	fill(
		u: number,
		portion: CompiledPortion,
		row: Row,
		units: Row,
		ends: Row,
		from: number,
		to: number
	): void {
		if (from > to) return;
		const { state } = this;
		const { kernel } = state;
		kernel.fill(units, -1, from, to);
		const pinned = state.model.pinnedUnit[u] as number;
		const { best } = this;
		kernel.fill(best, NEVER, from, to);
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
		kernel.add(row, best, from, to);
	}

	private tryMachine(
		at: number,
		portion: CompiledPortion,
		pinned: number,
		row: Row,
		best: Row,
		units: Row,
		ends: Row,
		from: number,
		to: number
	): void {
		const { state } = this;
		const { horizon } = state.model;
		const batch = state.model.batch[at] as CompiledBatchMachine;
		const { machine, firstUnit } = batch;
		const lastUnit = firstUnit + batch.units;
		const length = machine.loading + portion.length + machine.unloading;
		const { first, end } = state.loads.on(at);
		const unitAt = this.open.at(at, portion, pinned, from, to);
		const onPrice = this.free ? 0 : machine.onPrice;
		const last = Math.min(to, horizon - length);
		// One demand of one pool from the load's start on, as most have, is looked up in place.
		const only = batch.attended.length === 1 ? batch.attended[0] : undefined;
		const handsFrom = only?.demand.from ?? 0;
		const handsTo = only?.demand.to ?? 0;
		const within = handsFrom >= 0 && handsFrom <= length;
		const quick = only && !only.ofEnd && only.demand.view >= 0 && within;
		const hands = quick ? state.pools.view(only.demand.view) : null;
		if (hands === null) this.markAttended(batch, length, from, last);
		const follows = this.free ? this.leastOfEnds(ends, from, last, length, portion) : ends;
		const isOff = end < 0;
		state.kernel.ownLoads(
			row,
			follows,
			length,
			unitAt,
			hands,
			handsFrom,
			handsTo,
			hands === null ? this.attendedAt : null,
			best,
			units,
			from,
			last,
			isOff ? 0 : first,
			isOff ? horizon : end - length,
			onPrice,
			isOff ? Math.min(NEVER, onPrice * (length + machine.preheat)) : 0
		);
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

	/** By end, the least of what follows from there or a little later: a portion may stay for a longer one of its load. */
	private leastOfEnds(
		ends: Row,
		from: number,
		to: number,
		length: number,
		{ tolerance }: CompiledPortion
	): Row {
		const { later } = this;
		for (let end = from + length; end <= to + length; end += 1) {
			let least = ends[end] as number;
			for (let t = end + 1; t <= end + tolerance && t < ends.length; t += 1)
				least = Math.min(least, ends[t] as number);
			later[end] = least;
		}
		return later;
	}

	/** Marks the starts at which all that a load of a length wants is there: demand by demand, and pool by pool. */
	private markAttended(
		{ attended }: CompiledBatchMachine,
		length: number,
		from: number,
		to: number
	): void {
		const { attendedAt, met, state } = this;
		state.kernel.fill(attendedAt, -1, from, to);
		for (let at = 0; at < attended.length; at += 1) {
			const { demand, ofEnd } = attended[at] as CompiledBatchMachine['attended'][number];
			const anchor = ofEnd ? length : 0;
			markMet(state, demand, anchor, met, from, to);
			state.kernel.bothMarked(attendedAt, met, from, to);
		}
	}

	private tryJoin(
		batch: CompiledBatchMachine,
		load: Load,
		portion: CompiledPortion,
		lastEnd: number,
		best: Row,
		units: Row,
		ends: Row
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
			if (ofEnd && !state.pools.meets(demand, end)) return false;
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
