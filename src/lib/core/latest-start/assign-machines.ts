import type { Problem, Task } from './problem.ts';

/**
 * Chooses a machine for every task that needs one, in order of start: the first that is free, or, when
 * none is, the one that is free soonest, so that the overlap is as short as it can be.
 *
 * Range: starts for every task. Source: greedy interval partitioning. Failures: none; overlaps are told
 * by `overlapsOf`.
 * Example: two bakes at one time on two decks get a deck each.
 */
export function assignMachines(
	problem: Problem,
	starts: ReadonlyMap<string, number>
): ReadonlyMap<string, string> {
	const freeFrom = new Map<string, number>();
	const chosen = new Map<string, string>();
	const start = (task: Task) => starts.get(task.id) ?? 0;
	const needing = problem.tasks.filter((task) => task.machines.length > 0);
	for (const task of [...needing].sort((a, b) => start(a) - start(b) || (a.id < b.id ? -1 : 1))) {
		const free = (machine: string) => freeFrom.get(machine) ?? -Infinity;
		const machine =
			task.machines.find((machine) => free(machine) <= start(task)) ??
			[...task.machines].sort((a, b) => free(a) - free(b))[0];
		if (machine === undefined) continue;
		chosen.set(task.id, machine);
		freeFrom.set(machine, Math.max(free(machine), start(task) + task.minutes));
	}
	return chosen;
}
