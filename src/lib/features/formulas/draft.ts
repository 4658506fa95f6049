import type { Formula, Preparation } from '../../core/formula/index.ts';

/** A state of the sheet: the formula and the builds that were changed on the way to it. */
export interface Draft {
	readonly formula: Formula;
	readonly preparations: readonly Preparation[];
}
