import type { BatchMachine, Problem } from '../problem.ts';
import type { Changeovers } from './changeovers.ts';
import type { LagPiece, LagPrice } from '../kernel/row.ts';
import type { Lengths } from './lengths.ts';
import type { RowSlots } from './row-slots.ts';
import type { LevelRange, Setups } from './setup.ts';
import type { Components } from './components.ts';

export { NEVER } from '../kernel/row.ts';

export interface CompiledWindow extends LagPrice {
	readonly tier: number;
	readonly pieces: readonly LagPiece[];
	readonly holds: readonly {
		readonly pool: number;
		readonly amount: number;
		readonly view: number;
	}[];
}

export interface CompiledDemand {
	readonly from: number;
	readonly to: number;
	readonly amount: number;
	readonly pools: readonly number[];
	/** The view of the only pool, or -1 where there is a choice. */
	readonly view: number;
	/** By pool, the views of 1, 2, ... of it; for a choice. */
	readonly choice: readonly (readonly number[])[];
	/** Of a pool that never runs out while it is there: only its calendar counts. */
	readonly plenty: boolean;
}

export interface CompiledPortion {
	readonly machines: readonly number[];
	/** Units that it cannot go on; null for none. */
	readonly notOn: ReadonlySet<number> | null;
	readonly size: number;
	readonly kind: number;
	readonly level: number;
	/** The level it leaves the machine at. */
	readonly leaves: number;
	/** The same, as a load of its own. */
	readonly range: LevelRange;
	readonly length: number;
	readonly tolerance: number;
	/** The same number for portions that as a load of their own could stand on the same units at the same times. */
	readonly sort: number;
}

export interface CompiledMode {
	readonly task: number;
	/** For a portion the length on the first machine that takes it, when nothing else is in the load. */
	readonly length: number;
	readonly demands: readonly CompiledDemand[];
	/** Index among `changing` of the machine, where families matter; -1 otherwise. */
	readonly machine: number;
	readonly family: string;
	readonly portion: CompiledPortion | null;
	readonly allowed: boolean;
	readonly price: number;
	/** True where it is the same portion at the same price as the task's first mode, and wants nothing else. */
	readonly likeFirst: boolean;
}

export interface CompiledEdge {
	readonly before: number;
	readonly after: number;
	readonly fromStart: boolean;
	/** By mode of before times modes of after plus mode of after; null forbids. */
	readonly table: readonly (CompiledWindow | null)[];
	readonly afterModes: number;
	/** True where the window is the same whatever the mode of the task before. */
	readonly sameForBefore: boolean;
	readonly sameForAfter: boolean;
	/** True where every window has a most: the two move together. */
	readonly tight: boolean;
	readonly leastOfAll: number;
	readonly mostOfAll: number;
}

export interface CompiledBatchMachine {
	readonly machine: BatchMachine;
	readonly setups: Setups;
	readonly firstUnit: number;
	readonly units: number;
	readonly attended: readonly { readonly demand: CompiledDemand; readonly ofEnd: boolean }[];
	/** True where somebody is to be chosen for a load. */
	readonly choosable: boolean;
}

export interface CompiledPrice {
	readonly ofStart: boolean;
	readonly at: number;
	readonly early: number;
	readonly late: number;
	readonly away: number;
	readonly tier: number;
}

export interface CompiledSpan {
	readonly tasks: readonly number[];
	readonly floor: number;
	readonly until: number | null;
	readonly price: number;
	readonly tier: number;
}

/** The problem with names turned into indices and lists into arrays; it never changes. */
export interface Compiled {
	readonly problem: Problem;
	readonly horizon: number;
	readonly tasks: number;
	readonly firstMode: Int32Array;
	readonly modes: readonly CompiledMode[];
	readonly lengths: Lengths;
	readonly earliest: Int32Array;
	readonly latest: Int32Array;
	readonly pinnedUnit: Int32Array;
	readonly pinned: Uint8Array;
	readonly edges: readonly CompiledEdge[];
	readonly out: readonly (readonly number[])[];
	readonly into: readonly (readonly number[])[];
	readonly prices: readonly (readonly CompiledPrice[])[];
	readonly spans: readonly CompiledSpan[];
	readonly spansOf: readonly (readonly number[])[];
	/** How much of each pool is there at each unit of time. */
	readonly there: readonly Int16Array[];
	readonly views: readonly { readonly pool: number; readonly amount: number }[];
	readonly changing: readonly Changeovers[];
	readonly batch: readonly CompiledBatchMachine[];
	readonly unitMachine: Int32Array;
	readonly unitCapacity: Int32Array;
	/** The least time between two loads of a unit. */
	readonly unitRecovery: Int32Array;
	readonly components: Components;
	/** Which rows of prices modes have together. */
	readonly slots: RowSlots;
}
