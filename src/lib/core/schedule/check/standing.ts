import type { Placed } from '../plan.ts';
import type { Lag, Mode, Task, Window } from '../problem.ts';

/** A task where it stands, with what it is. */
export interface Standing {
	readonly task: Task;
	readonly mode: Mode;
	readonly placed: Placed;
}

export type Standings = ReadonlyMap<string, Standing>;

/** A lag between two tasks that stand, with its window: null where their modes do not go together. */
export interface LagNow {
	readonly lag: Lag;
	readonly window: Window | null;
	/** When it begins and ends, and how long it is. */
	readonly from: number;
	readonly to: number;
	readonly is: number;
}

export function lagNow(lag: Lag, standing: Standings): LagNow | null {
	const before = standing.get(lag.before);
	const after = standing.get(lag.after);
	if (!before || !after) return null;
	const choice = lag.windows.find(
		({ beforeMode, afterMode }) =>
			(beforeMode === null || beforeMode === before.mode.id) &&
			(afterMode === null || afterMode === after.mode.id)
	);
	const from = lag.from === 'start' ? before.placed.start : before.placed.end;
	const to = after.placed.start;
	return { lag, window: choice?.window ?? null, from, to, is: to - from };
}
