import { fail, ok, type Result } from '../result.ts';
import type { Link, Problem, Task } from './problem.ts';

export type PlaceFailure =
	| { readonly kind: 'circle'; readonly tasks: readonly string[] }
	| { readonly kind: 'no-deadline'; readonly tasks: readonly string[] };

export interface PlaceProgress {
	readonly done: number;
	readonly total: number;
}

/** How often a task may be moved before its links are taken to contradict each other (our default). */
const MOST_MOVES = 200;

/**
 * Gives each task the latest start that keeps every least gap, every deadline and, where a link pulls,
 * its most gap.
 *
 * Model: latest times only ever fall, from the deadlines backwards over least gaps and forwards over
 * pulling most gaps, until nothing moves; a start is floored to the task's grid. What happened already
 * stays, and what comes before it ends by then; soft gaps do not count. Machines do not limit it. It yields its progress, so that a caller can stop between slices.
 * Precondition: links name known tasks. Range: every task leads to a deadline and the least gaps have
 * no circle; when pulling gaps contradict the least gaps they are let go, and the checker tells them.
 * Limit: 200 moves of one task. Source: latest times of a temporal network (dechter-1991).
 * Failures: `circle`, `no-deadline`, with the tasks concerned.
 * Example: a bake of 42 min due by minute 300 on a grid of 1 starts at 258.
 */
export function* placeLatest(
	problem: Problem
): Generator<PlaceProgress, Result<ReadonlyMap<string, number>, PlaceFailure>> {
	const pulled = yield* settle(problem, true);
	const settled = pulled ?? (yield* settle(problem, false));
	if (!settled) return fail({ kind: 'circle', tasks: tasksInCircle(problem) });
	const open = problem.tasks.filter((task) => !settled.has(task.id)).map((task) => task.id);
	if (open.length > 0) return fail({ kind: 'no-deadline', tasks: open });
	return ok(settled);
}

/** Lowers latest starts until nothing moves; null when something would move for ever. */
function* settle(
	problem: Problem,
	pulling: boolean
): Generator<PlaceProgress, ReadonlyMap<string, number> | null> {
	const tasks = new Map(problem.tasks.map((task) => [task.id, task]));
	const before = group(
		problem.links.filter((link) => !link.soft),
		(link) => link.after
	);
	const after = group(
		pulling ? problem.links.filter((link) => link.pulls) : [],
		(link) => link.before
	);
	const starts = new Map<string, number>();
	const moves = new Map<string, number>();
	const waiting: string[] = [];
	const lower = (id: string, latestStart: number): boolean => {
		const { grid, fixedStart } = tasks.get(id) as Task;
		if (fixedStart !== null) return true;
		const start = Math.floor(latestStart / grid) * grid;
		if (start >= (starts.get(id) ?? Infinity)) return true;
		starts.set(id, start);
		moves.set(id, (moves.get(id) ?? 0) + 1);
		waiting.push(id);
		return (moves.get(id) ?? 0) <= MOST_MOVES;
	};
	for (const { id, fixedStart } of problem.tasks)
		if (fixedStart !== null) {
			starts.set(id, fixedStart);
			waiting.push(id);
		}
	for (const { task, endBy } of problem.deadlines)
		lower(task, endBy - (tasks.get(task)?.minutes ?? 0));
	for (let id = waiting.shift(); id !== undefined; id = waiting.shift()) {
		const start = starts.get(id) as number;
		const end = start + (tasks.get(id) as Task).minutes;
		for (const link of before.get(id) ?? []) {
			const length = (tasks.get(link.before) as Task).minutes;
			if (!lower(link.before, start - link.leastGap - length)) return null;
		}
		for (const link of after.get(id) ?? [])
			if (link.mostGap !== null && !lower(link.after, end + link.mostGap)) return null;
		yield { done: starts.size, total: tasks.size };
	}
	return starts;
}

function group(links: readonly Link[], by: (link: Link) => string): ReadonlyMap<string, Link[]> {
	const groups = new Map<string, Link[]>();
	for (const link of links) {
		const key = by(link);
		const there = groups.get(key);
		if (there) there.push(link);
		else groups.set(key, [link]);
	}
	return groups;
}

/** What is left when tasks that nothing precedes or nothing follows are taken away again and again. */
function tasksInCircle(problem: Problem): readonly string[] {
	let left = problem.tasks.map((task) => task.id);
	for (;;) {
		const links = problem.links.filter(
			(link) => left.includes(link.before) && left.includes(link.after)
		);
		const still = left.filter(
			(id) => links.some((link) => link.before === id) && links.some((link) => link.after === id)
		);
		if (still.length === left.length) return left;
		left = still;
	}
}
