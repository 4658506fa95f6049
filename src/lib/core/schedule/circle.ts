import type { Mode, Problem, Task } from './problem.ts';

/** One step of a chain of constraints that cannot all be kept: `by` units are asked for, together more than there is. */
export interface Link {
	readonly kind: 'lag-least' | 'lag-most' | 'earliest' | 'latest' | 'pin' | 'horizon';
	/** The lag, or the task whose bound it is. */
	readonly of: string;
	/** The task before and after; null for the beginning of time. */
	readonly from: string | null;
	readonly to: string | null;
	/** The task `to` starts at least so many units after `from` (which may be negative). */
	readonly by: number;
}

/**
 * Looks for a circle of lags and bounds that no start times can keep, whatever the resources; null where there is none.
 *
 * Model: the temporal network of the hard windows, at the shortest lengths and widest windows of all modes, so that what
 * is found clashes in every mode; Bellman and Ford's longest paths, a circle of positive length is the clash.
 * Range: a problem without faults. Source: Dechter, Meiri and Pearl (1991). Failures: none.
 * Example: a task that starts at least 5 after another, which starts at least 3 after it: a circle of 8.
 */
export function circleOf(problem: Problem): readonly Link[] | null {
	const links = linksOf(problem);
	const index = new Map<string | null, number>([
		[null, 0],
		...problem.tasks.map(({ id }, at) => [id, at + 1] as const)
	]);
	const from = Int32Array.from(links, (link) => index.get(link.from) ?? 0);
	const to = Int32Array.from(links, (link) => index.get(link.to) ?? 0);
	const by = Int32Array.from(links, (link) => link.by);
	const latest = new Float64Array(index.size);
	/** By node, the link that moved it last; -1 while nothing did. */
	const movedBy = new Int32Array(index.size).fill(-1);
	for (let sweep = 0; sweep <= index.size; sweep += 1) {
		let moved = false;
		for (let at = 0; at < by.length; at += 1) {
			const node = to[at] as number;
			const reached = (latest[from[at] as number] as number) + (by[at] as number);
			if (reached <= (latest[node] as number)) continue;
			latest[node] = reached;
			movedBy[node] = at;
			moved = true;
		}
		if (!moved) return null;
		// What moved each other in a circle will do so for ever: no need to wait until every sweep was made.
		const on = nodeOnCircle(movedBy, from);
		if (on >= 0) return walkRound(on, movedBy, from).map((at) => links[at] as Link);
	}
	return null;
}

/** A node that moved itself through others; -1 where there is none. */
function nodeOnCircle(movedBy: Int32Array, from: Int32Array): number {
	const seenFrom = new Int32Array(movedBy.length).fill(-1);
	for (let start = 0; start < movedBy.length; start += 1) {
		let at = start;
		while ((seenFrom[at] ?? 0) < 0 && (movedBy[at] ?? -1) >= 0) {
			seenFrom[at] = start;
			at = from[movedBy[at] ?? 0] ?? 0;
		}
		if (seenFrom[at] === start && (movedBy[at] ?? -1) >= 0) return at;
	}
	return -1;
}

/** The links of the circle that a node is on, in the order of time. */
function walkRound(start: number, movedBy: Int32Array, from: Int32Array): number[] {
	const round: number[] = [];
	let at = start;
	do {
		const link = movedBy[at] ?? 0;
		round.unshift(link);
		at = from[link] ?? 0;
	} while (at !== start);
	return round;
}

function linksOf(problem: Problem): readonly Link[] {
	const links: Link[] = [];
	const lengths = new Map(problem.tasks.map((task) => [task.id, lengthsOf(problem, task)]));
	for (const task of problem.tasks) {
		const { id, pin } = task;
		const [shortest] = lengths.get(id) ?? [0, 0];
		links.push({ kind: 'earliest', of: id, from: null, to: id, by: task.earliest ?? 0 });
		if (task.latest !== null)
			links.push({ kind: 'latest', of: id, from: id, to: null, by: -task.latest });
		links.push({ kind: 'horizon', of: id, from: id, to: null, by: shortest - problem.horizon });
		if (pin?.start === undefined || pin.start === null) continue;
		links.push({ kind: 'pin', of: id, from: null, to: id, by: pin.start });
		links.push({ kind: 'pin', of: id, from: id, to: null, by: -pin.start });
	}
	for (const { id, before, after, from, windows } of problem.lags) {
		const given = windows.flatMap(({ window }) => (window ? [window] : []));
		const isFirm = given.every(({ outside, firmLeast }) => outside === null || firmLeast);
		if (given.length === 0 || !isFirm) continue;
		const [shortest, longest] = from === 'start' ? [0, 0] : (lengths.get(before) ?? [0, 0]);
		const least = Math.min(...given.map((window) => window.least));
		links.push({ kind: 'lag-least', of: id, from: before, to: after, by: shortest + least });
		if (given.some(({ most, outside }) => most === null || outside !== null)) continue;
		const most = Math.max(...given.map((window) => window.most ?? 0));
		links.push({ kind: 'lag-most', of: id, from: after, to: before, by: -(longest + most) });
	}
	return links;
}

/** The shortest and longest a task can take in any of its modes. */
function lengthsOf(problem: Problem, task: Task): readonly [number, number] {
	const all = task.modes
		.filter(({ id }) => (task.pin?.mode ?? id) === id)
		.flatMap((mode) => lengthsOfMode(problem, mode));
	return all.length === 0 ? [0, 0] : [Math.min(...all), Math.max(...all)];
}

function lengthsOfMode(problem: Problem, mode: Mode): readonly number[] {
	const { batch } = mode;
	if (!batch) return [mode.length ?? 0];
	return problem.batchMachines
		.filter(({ id }) => batch.machines.includes(id))
		.flatMap(({ loading, unloading }) => {
			const own = batch.length + loading + unloading;
			// Others of its load may keep it longer.
			return [own, own + batch.lengthTolerance];
		});
}
