import type { Window } from '../schedule/index.ts';
import type { BatchRef } from './batch-ref.ts';
import type { Begun, MixTrace } from './input.ts';
import type { OpenWait } from './night-problem.ts';
import type { WaitWindow } from './wait-window.ts';

/** Where a chain has come to: the last task, and how long what is made may or must wait from there. */
export interface ChainEnd {
	readonly task: string;
	readonly batch: BatchRef;
	readonly window: WaitWindow;
	/** The wait that goes on; null where dough lies on the bench. */
	readonly wait: OpenWait | null;
	/** The window from where the wait began, where tasks stand within it. */
	readonly guard: { readonly task: string; readonly window: WaitWindow } | null;
	/** The run that what waits comes from, in minutes: what was shaped first is so much older. */
	readonly ageMinutes: number;
	/** The mixer's tasks in it so far, which a later one of the chain goes on with. */
	readonly mixedBy: string | null;
	/** The room that what waits takes in the place where it stands. */
	readonly stays: Holds;
	/** It exists: its windows are used outside where nothing else will do. */
	readonly isSoft: boolean;
	/** It found no place: it may wait longer than it should. */
	readonly isRelaxed: boolean;
}

export interface ChainMaking {
	readonly begun: Begun | null;
	/** The room it takes where it waits. */
	readonly room: number;
	readonly mixerIds: readonly string[];
	readonly leaves: readonly MixTrace[];
}

export interface WrittenChain {
	readonly first: string;
	readonly end: ChainEnd;
}

export type Holds = Window['holds'];

/** What waits, for one of those that take of it: so much of its room is left with that. */
export function withRoom(end: ChainEnd, room: number): ChainEnd {
	return {
		...end,
		stays: end.stays.map(({ pool, amount }) => ({
			pool,
			amount: Math.min(amount, Math.max(1, room))
		}))
	};
}

/** What stands while it waits: in what, and with how much room of a place. */
export interface Standing {
	readonly holds: Holds;
	readonly room: number;
}
