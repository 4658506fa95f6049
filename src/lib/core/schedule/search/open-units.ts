import type { CompiledBatchMachine, CompiledPortion } from './compiled.ts';
import type { Row } from '../kernel/row.ts';
import type { Load } from './loads.ts';
import { keepApart } from './setup.ts';
import type { State } from './state.ts';

/** What is known of one machine for portions that are alike, and for which starts. */
interface Known {
	readonly unitAt: Row;
	from: number;
	to: number;
	/** The machine's loads as they were then. */
	change: number;
}

/**
 * By start, a unit of a batch machine on which a load of its own would stand free of all others: recovery, change of
 * level, and in a shared chamber the loads of other units too. Kept until a load of the machine changes, since several
 * portions of one kind are looked at in a row.
 */
export class OpenUnits {
	/** By machine and sort of portion. */
	private readonly known: (Known | null)[][];
	/** For a portion whose unit is decided. */
	private readonly own: Known;
	/** How many starts have no unit yet. */
	private unmarked = 0;
	private turn = 0;

	constructor(private readonly state: State) {
		const { model } = state;
		const size = model.horizon + 1;
		this.known = [];
		for (let at = 0; at < model.batch.length; at += 1) this.known.push([]);
		this.own = { unitAt: state.kernel.row(size), from: 0, to: -1, change: -1 };
	}

	/** Valid within [from, to]; -1 where no unit is free. */
	at(machine: number, portion: CompiledPortion, pinned: number, from: number, to: number) {
		const change = this.state.loads.changes[machine] as number;
		let known = this.own;
		if (pinned < 0) {
			const ofMachine = this.known[machine] as (Known | null)[];
			known = ofMachine[portion.sort] ??= {
				unitAt: this.state.kernel.row(this.state.model.horizon + 1),
				from: 0,
				to: -1,
				change: -1
			};
			if (known.change === change) {
				if (known.from <= from && known.to >= to) return known.unitAt;
				if (known.from < from) from = known.from;
				if (known.to > to) to = known.to;
			}
		}
		this.look(machine, portion, pinned, known.unitAt, from, to);
		known.from = from;
		known.to = to;
		known.change = change;
		return known.unitAt;
	}

	private look(
		machineAt: number,
		portion: CompiledPortion,
		pinned: number,
		unitAt: Row,
		from: number,
		to: number
	): void {
		const { model } = this.state;
		const batch = model.batch[machineAt] as CompiledBatchMachine;
		const { machine, firstUnit } = batch;
		const length = machine.loading + portion.length + machine.unloading;
		this.state.kernel.fill(unitAt, -1, from, to);
		this.unmarked = to - from + 1;
		// Units that are free alike are taken by turns: what one of them bars, the other may not.
		this.turn = (this.turn + 1) % batch.units;
		for (let k = 0; k < batch.units && this.unmarked > 0; k += 1) {
			const unit = firstUnit + ((k + this.turn) % batch.units);
			if ((pinned >= 0 && pinned !== unit) || portion.notOn?.has(unit)) continue;
			if ((model.unitCapacity[unit] as number) < portion.size) continue;
			this.markFree(batch, unit, portion, length, unitAt, from, to);
		}
		if (machine.shared) this.blockOtherLevels(batch, portion, length, unitAt, from, to);
	}

	/** Takes out the starts at which a load of another level is on, or too close, in the shared chamber. */
	private blockOtherLevels(
		batch: CompiledBatchMachine,
		portion: CompiledPortion,
		length: number,
		unitAt: Row,
		from: number,
		to: number
	): void {
		const { machine, setups, firstUnit, units } = batch;
		const { range } = portion;
		for (let unit = firstUnit; unit < firstUnit + units; unit += 1) {
			const loads = this.state.loads.ofUnit[unit] as Load[];
			for (let k = 0; k < loads.length; k += 1) {
				const load = loads[k] as Load;
				if (!keepApart(machine, load, range, false)) continue;
				const before = setups.between(range, load);
				const after = setups.between(load, range);
				const together = !keepApart(machine, load, range, true);
				const low = Math.max(from, load.start - length - before + 1);
				const high = Math.min(to, load.end + after - 1);
				const kept = together && load.start >= low && load.start <= high;
				const unitThere = kept ? (unitAt[load.start] as number) : -1;
				this.state.kernel.fill(unitAt, -1, low, high);
				if (kept) unitAt[load.start] = unitThere;
			}
		}
	}

	/** Writes the unit at the starts at which a load of its own would stand free of the unit's others. */
	private markFree(
		batch: CompiledBatchMachine,
		unit: number,
		portion: CompiledPortion,
		length: number,
		unitAt: Row,
		from: number,
		to: number
	): void {
		const { setups } = batch;
		const loads = this.state.loads.ofUnit[unit] as Load[];
		const { range } = portion;
		const recovery = this.state.model.unitRecovery[unit] as number;
		let open = from;
		for (let k = 0; k < loads.length; k += 1) {
			const load = loads[k] as Load;
			const before = Math.max(recovery, setups.between(range, load));
			const after = Math.max(recovery, setups.between(load, range));
			const close = Math.min(to, load.start - length - before);
			if (open <= close) this.mark(unit, unitAt, open, close);
			if (load.end + after > open) open = load.end + after;
			if (open > to) return;
		}
		if (open <= to) this.mark(unit, unitAt, open, to);
	}

	private mark(unit: number, unitAt: Row, from: number, to: number): void {
		this.unmarked -= this.state.kernel.markUnit(unitAt, unit, from, to);
	}
}
