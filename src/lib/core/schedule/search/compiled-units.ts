import type { BatchMachine, Problem } from '../problem.ts';
import type { Alike } from './alike.ts';
import type { CompiledBatchMachine } from './compiled.ts';
import { Setups } from './setup.ts';

/** The units of the batch machines, by their places. */
export class Units {
	readonly batch: CompiledBatchMachine[] = [];
	readonly index = new Map<string, number>();
	readonly machineOf: number[] = [];
	readonly capacityOf: number[] = [];
	readonly recoveryOf: number[] = [];

	constructor({ batchMachines }: Problem, alike: Alike) {
		for (let at = 0; at < batchMachines.length; at += 1)
			this.add(batchMachines[at] as BatchMachine, at, alike);
	}

	/** The least that a unit takes. */
	get smallest(): number {
		let smallest = Infinity;
		for (const capacity of this.capacityOf) if (capacity < smallest) smallest = capacity;
		return smallest;
	}

	private add(machine: BatchMachine, at: number, alike: Alike): void {
		const firstUnit = this.machineOf.length;
		for (const unit of machine.units) {
			this.index.set(unit.id, this.machineOf.length);
			this.machineOf.push(at);
			this.capacityOf.push(unit.capacity);
			this.recoveryOf.push(Math.max(machine.recovery, unit.recovery ?? 0));
		}
		const attended: CompiledBatchMachine['attended'][number][] = [];
		let choosable = false;
		for (const demand of machine.attended) {
			const compiled = alike.demand(demand);
			attended.push({ demand: compiled, ofEnd: demand.of === 'end' });
			if (compiled.view < 0) choosable = true;
		}
		const plain = plainMachine(machine);
		const units = machine.units.length;
		const setups = new Setups(plain);
		this.batch.push({ machine: plain, setups, firstUnit, units, attended, choosable });
	}
}

/** Written out, so that whatever the problem was read from, what is asked of a machine at every start is found at once. */
function plainMachine(machine: BatchMachine): BatchMachine {
	const { id, units, shared, tolerance, rise, fall, step, recovery } = machine;
	const { loading, unloading, attended, preheat, onPrice, tier, taken = [] } = machine;
	return {
		id,
		units,
		shared,
		tolerance,
		rise,
		fall,
		step,
		recovery,
		loading,
		unloading,
		attended,
		preheat,
		onPrice,
		tier,
		taken
	};
}
