import { MINUTE_MS } from '../time/index.ts';

/** Plans are made on a grid of so many minutes; a bake lasts its own minutes on it (our default). */
export const GRID_MINUTES = 5;

const UNIT_MS = GRID_MINUTES * MINUTE_MS;

/** The grid of one plan: whole units of five minutes since an instant on it. */
export class Grid {
	/** `zeroMs` is an instant on a whole unit. */
	constructor(readonly zeroMs: number) {}

	/** The unit an instant lies in. */
	floor(ms: number): number {
		return Math.floor((ms - this.zeroMs) / UNIT_MS);
	}

	/** The first unit that does not begin before an instant. */
	ceil(ms: number): number {
		return Math.ceil((ms - this.zeroMs) / UNIT_MS);
	}

	/** The unit that begins nearest to an instant. */
	nearest(ms: number): number {
		return Math.round((ms - this.zeroMs) / UNIT_MS);
	}

	/** When a unit begins. */
	ms(unit: number): number {
		return this.zeroMs + unit * UNIT_MS;
	}
}

/** The whole hour before an instant: a zero for a grid. */
export function hourBefore(ms: number): number {
	return Math.floor(ms / (60 * MINUTE_MS)) * 60 * MINUTE_MS;
}

/** Whole units that a length in minutes fills. */
export function unitsFilled(minutes: number): number {
	return Math.ceil(minutes / GRID_MINUTES - 1e-9);
}

/** Whole units that fit into a length in minutes. */
export function unitsWithin(minutes: number): number {
	return Math.floor(minutes / GRID_MINUTES + 1e-9);
}
