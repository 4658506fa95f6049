import type { Compiled, CompiledPortion } from './compiled.ts';
import { keepApart, rangeOf, type LevelRange } from './setup.ts';

/** Portions that started together on one unit. */
export interface Load extends LevelRange {
	readonly unit: number;
	readonly start: number;
	end: number;
	size: number;
	/** The longest stay of its portions. */
	longest: number;
	readonly members: number[];
	/** The pools that gave what the load needs, by its demands. */
	readonly given: number[][];
	/** What of its end nobody attends any more since it became shorter: such a plan does not hold. */
	unattended: number;
}

/** More than any unit takes: nothing joins what is no part of the problem. */
const FULL = 1 << 28;

/** True of what takes a unit and is no part of the problem: it has no portions, and stays where it is. */
export function isTaken(load: Load): boolean {
	return load.members.length === 0;
}

/** A load that begins; made in one place, so that all have one shape and what reads them is fast. */
export function loadOf(
	unit: number,
	start: number,
	end: number,
	size: number,
	{ low, high, leavesLow, leavesHigh }: LevelRange,
	longest: number,
	members: number[]
): Load {
	return {
		unit,
		start,
		end,
		size,
		low,
		high,
		leavesLow,
		leavesHigh,
		longest,
		members,
		given: [],
		unattended: 0
	};
}

/** The loads of every unit of the batch machines, each unit's in order of time. */
export class Loads {
	readonly ofUnit: Load[][];
	/** By machine, counts the changes of its loads: what was worked out from them holds while it stays. */
	readonly changes: Int32Array;
	private readonly stretches: { first: number; end: number; change: number }[];

	constructor(private readonly model: Compiled) {
		this.ofUnit = [];
		for (let unit = 0; unit < model.unitMachine.length; unit += 1) this.ofUnit.push([]);
		this.changes = new Int32Array(model.batch.length);
		this.stretches = [];
		for (let at = 0; at < model.batch.length; at += 1)
			this.stretches.push({ first: 0, end: 0, change: -1 });
		for (const { machine, firstUnit } of model.batch)
			for (const { unit, from, to, level, leaves } of machine.taken ?? [])
				this.add(
					loadOf(
						firstUnit + machine.units.findIndex(({ id }) => id === unit),
						from,
						to,
						FULL,
						rangeOf({ level, leaves }),
						0,
						[]
					)
				);
	}

	/** The load that starts on a unit at a time. */
	at(unit: number, start: number): Load | null {
		const loads = this.ofUnit[unit] as Load[];
		for (let at = 0; at < loads.length; at += 1) {
			const load = loads[at] as Load;
			if (load.start === start) return load;
			if (load.start > start) return null;
		}
		return null;
	}

	add(load: Load): void {
		const loads = this.ofUnit[load.unit] as Load[];
		let at = loads.length;
		while (at > 0 && (loads[at - 1] as Load).start > load.start) at -= 1;
		loads.splice(at, 0, load);
		this.touch(load);
	}

	drop(load: Load): void {
		const loads = this.ofUnit[load.unit] as Load[];
		loads.splice(loads.indexOf(load), 1);
		this.touch(load);
	}

	/** To be called when a load's end or levels changed. */
	touch({ unit }: Load): void {
		const machine = this.model.unitMachine[unit] as number;
		this.changes[machine] = (this.changes[machine] as number) + 1;
	}

	/** From the first load's start to the last one's end, and -1 where the machine stays off. */
	stretch(machine: number): number {
		const { first, end } = this.on(machine);
		return end < 0 ? -1 : end - first;
	}

	/** The first start and the last end of a machine's loads; an end of -1 where it stays off. */
	on(machine: number): { readonly first: number; readonly end: number } {
		const known = this.stretches[machine] as { first: number; end: number; change: number };
		const change = this.changes[machine] as number;
		if (known.change === change) return known;
		const { firstUnit, units } = this.batch(machine);
		known.first = 1 << 28;
		known.end = -1;
		known.change = change;
		for (let unit = firstUnit; unit < firstUnit + units; unit += 1) {
			const loads = this.ofUnit[unit] as Load[];
			for (let at = 0; at < loads.length; at += 1) {
				const load = loads[at] as Load;
				if (isTaken(load)) continue;
				if (load.start < known.first) known.first = load.start;
				if (load.end > known.end) known.end = load.end;
			}
		}
		return known;
	}

	/**
	 * True where a load of these levels over [start, end) stands free of all others on the machine but `but`:
	 * recovery and change of level on its own unit, change of level on the others where they share it.
	 */
	fits(unit: number, start: number, end: number, range: LevelRange, but: Load | null): boolean {
		const machineAt = this.model.unitMachine[unit] as number;
		const { machine, setups, firstUnit, units } = this.batch(machineAt);
		for (let other = firstUnit; other < firstUnit + units; other += 1) {
			const own = other === unit;
			if (!own && !machine.shared) continue;
			const loads = this.ofUnit[other] as Load[];
			for (let at = 0; at < loads.length; at += 1) {
				const load = loads[at] as Load;
				if (load === but) continue;
				if (!own && !keepApart(machine, load, range, load.start === start)) continue;
				const earlier = load.start <= start;
				let gap = own ? (this.model.unitRecovery[unit] as number) : 0;
				const setup = earlier ? setups.between(load, range) : setups.between(range, load);
				if (setup > gap) gap = setup;
				if (earlier ? load.end + gap > start : end + gap > load.start) return false;
			}
		}
		return true;
	}

	/** True where a portion may join a load, time and followers aside. */
	takes(
		load: Load,
		portion: CompiledPortion,
		portionOf: (task: number) => CompiledPortion
	): boolean {
		const capacity = this.model.unitCapacity[load.unit] as number;
		if (load.size + portion.size > capacity) return false;
		const { machine } = this.batch(this.model.unitMachine[load.unit] as number);
		for (let at = 0; at < load.members.length; at += 1) {
			const other = portionOf(load.members[at] as number);
			if (other.kind !== portion.kind) return false;
			if (Math.abs(other.level - portion.level) > machine.tolerance) return false;
			if (Math.abs(other.leaves - portion.leaves) > machine.tolerance) return false;
			if (Math.abs(other.length - portion.length) > Math.min(other.tolerance, portion.tolerance))
				return false;
		}
		return true;
	}

	private batch(machine: number) {
		const found = this.model.batch[machine];
		if (!found) throw new Error('no such batch machine');
		return found;
	}
}
