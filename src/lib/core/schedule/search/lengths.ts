import { NEVER, type CompiledMode } from './compiled.ts';

/** By task, how long its modes that are allowed can be. */
export interface Lengths {
	/** NEVER where none is allowed. */
	readonly shortest: Int32Array;
	/** In a load that is longer than a portion of it, too: it stays as long as the longest of its load. */
	readonly longest: Int32Array;
}

export function lengthsOf(modes: readonly CompiledMode[], tasks: number): Lengths {
	const shortest = new Int32Array(tasks).fill(NEVER);
	const longest = new Int32Array(tasks);
	for (let m = 0; m < modes.length; m += 1) {
		const { task, length, portion, allowed } = modes[m] as CompiledMode;
		if (!allowed) continue;
		const stretched = length + (portion ? portion.tolerance : 0);
		if (length < (shortest[task] as number)) shortest[task] = length;
		if (stretched > (longest[task] as number)) longest[task] = stretched;
	}
	return { shortest, longest };
}
