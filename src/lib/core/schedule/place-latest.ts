import { fail, ok, type Result } from '../result.ts';
import type { Problem, Task } from './problem.ts';

export type PlaceFailure =
	| { readonly kind: 'circle'; readonly tasks: readonly string[] }
	| { readonly kind: 'no-deadline'; readonly tasks: readonly string[] };

export interface PlaceProgress {
	readonly done: number;
	readonly total: number;
}

/**
 * Gives each task the latest start that keeps every least gap and deadline.
 *
 * Model: longest paths backwards over the links; a start is floored to the task's grid. Machines do
 * not limit it. It yields its progress, so that a caller can stop between slices.
 * Precondition: links name known tasks. Range: any acyclic problem in which every task leads to a
 * deadline. Source: backward pass of the critical path method (kelley-walker-1959).
 * Failures: `circle`, `no-deadline`, with the tasks concerned.
 * Example: a bake of 42 min due by minute 300 on a grid of 1 starts at 258.
 */
export function* placeLatest(
	problem: Problem
): Generator<PlaceProgress, Result<ReadonlyMap<string, number>, PlaceFailure>> {
	const tasks = new Map(problem.tasks.map((task) => [task.id, task]));
	const latestEnd = new Map<string, number>();
	for (const { task, endBy } of problem.deadlines)
		latestEnd.set(task, Math.min(endBy, latestEnd.get(task) ?? Infinity));
	const followers = countFollowers(problem);
	const incoming = linksByAfter(problem);
	const ready = problem.tasks.filter((task) => !followers.get(task.id)).map((task) => task.id);
	const starts = new Map<string, number>();
	const open: string[] = [];
	while (ready.length > 0) {
		const id = ready.pop() as string;
		const task = tasks.get(id) as Task;
		const end = latestEnd.get(id);
		if (end === undefined) open.push(id);
		else {
			const start = Math.floor((end - task.minutes) / task.grid) * task.grid;
			starts.set(id, start);
			for (const link of incoming.get(id) ?? []) {
				const before = start - link.leastGap;
				latestEnd.set(link.before, Math.min(before, latestEnd.get(link.before) ?? Infinity));
			}
		}
		for (const link of incoming.get(id) ?? []) {
			const left = (followers.get(link.before) ?? 0) - 1;
			followers.set(link.before, left);
			if (left === 0) ready.push(link.before);
		}
		yield { done: starts.size + open.length, total: tasks.size };
	}
	if (open.length > 0) return fail({ kind: 'no-deadline', tasks: open });
	if (starts.size < tasks.size)
		return fail({ kind: 'circle', tasks: [...tasks.keys()].filter((id) => !starts.has(id)) });
	return ok(starts);
}

function countFollowers(problem: Problem): Map<string, number> {
	const counts = new Map<string, number>();
	for (const { before } of problem.links) counts.set(before, (counts.get(before) ?? 0) + 1);
	return counts;
}

function linksByAfter(problem: Problem): Map<string, Problem['links'][number][]> {
	const grouped = new Map<string, Problem['links'][number][]>();
	for (const link of problem.links)
		grouped.set(link.after, [...(grouped.get(link.after) ?? []), link]);
	return grouped;
}
