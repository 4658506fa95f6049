import type { Lag, Problem } from '../problem.ts';
import type { Alike } from './alike.ts';
import { found } from './by-name.ts';
import type { CompiledEdge, CompiledWindow } from './compiled.ts';

/** A lag by the places of its tasks, with its window for every pair of their modes. */
export function edgeOf(
	{ before: first, after: second, from, windows }: Lag,
	{ horizon, tasks }: Problem,
	taskIndex: ReadonlyMap<string, number>,
	alike: Alike
): CompiledEdge {
	const before = found(taskIndex, first);
	const after = found(taskIndex, second);
	const beforeModes = tasks[before]?.modes ?? [];
	const afterModes = tasks[after]?.modes ?? [];
	const table: (CompiledWindow | null)[] = [];
	let leastOfAll = horizon;
	let mostOfAll = -horizon;
	for (const { id: one } of beforeModes)
		for (const { id: other } of afterModes) {
			let fitting: Lag['windows'][number] | null = null;
			for (let at = 0; at < windows.length && fitting === null; at += 1) {
				const choice = windows[at] as Lag['windows'][number];
				if ((choice.beforeMode ?? one) === one && (choice.afterMode ?? other) === other)
					fitting = choice;
			}
			const window = fitting?.window ? alike.window(fitting.window) : null;
			table.push(window);
			if (window === null) continue;
			leastOfAll = Math.min(leastOfAll, window.hardLeast);
			mostOfAll = Math.max(mostOfAll, window.hardMost);
		}
	const columns = afterModes.length;
	let sameForBefore = true;
	let sameForAfter = true;
	for (let at = 0; at < table.length; at += 1) {
		if (table[at] !== table[at % columns]) sameForBefore = false;
		if (table[at] !== table[at - (at % columns)]) sameForAfter = false;
	}
	let tight = true;
	for (const { window } of windows) if (window?.most === null) tight = false;
	return {
		before,
		after,
		fromStart: from === 'start',
		table,
		afterModes: columns,
		sameForBefore,
		sameForAfter,
		tight,
		leastOfAll,
		mostOfAll
	};
}
