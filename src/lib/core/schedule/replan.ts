import type { Placed, Plan } from './plan.ts';
import type { Price, Problem } from './problem.ts';

/**
 * The problem with a price on moving what a plan has placed: once for each task that does not start where it did.
 * What is pinned costs nothing, since it cannot move. Range: a price of at least 0. Failures: none.
 */
export function withPriceOnMoving(
	problem: Problem,
	plan: Plan,
	{ price, tier }: { readonly price: number; readonly tier: number }
): Problem {
	const known = new Map(problem.tasks.map((task) => [task.id, task]));
	const added = plan.placed.flatMap((placed): Price[] => {
		const task = known.get(placed.task);
		if (!task || (task.pin?.start ?? null) !== null) return [];
		return [
			{
				id: `stay ${task.id}`,
				task: task.id,
				of: 'start',
				at: placed.start,
				early: 0,
				late: 0,
				away: price,
				tier
			}
		];
	});
	return { ...problem, prices: [...problem.prices, ...added] };
}

/**
 * The problem with the windows of some tasks softened: what physically exists is never dropped from a plan, it is used
 * outside its window at a steep price for each unit. `exists` says of which tasks the lags from them are softened.
 * Failures: none.
 */
export function withSoftWindows(
	problem: Problem,
	exists: (task: string) => boolean,
	price: number
): Problem {
	return {
		...problem,
		lags: problem.lags.map((lag) =>
			exists(lag.before)
				? {
						...lag,
						windows: lag.windows.map((choice) => ({
							...choice,
							window: choice.window && {
								...choice.window,
								outside: Math.max(price, choice.window.price)
							}
						}))
					}
				: lag
		)
	};
}

/** How one plan differs from another, for somebody to accept. */
export interface Difference {
	readonly moved: readonly { readonly before: Placed; readonly after: Placed }[];
	readonly added: readonly Placed[];
	readonly dropped: readonly Placed[];
	readonly kept: number;
}

/** Tells what is elsewhere, otherwise or by others in a plan than in the one before it. Failures: none. */
export function differenceOf(before: Plan, after: Plan): Difference {
	const was = new Map(before.placed.map((placed) => [placed.task, placed]));
	const is = new Set(after.placed.map(({ task }) => task));
	const moved: { before: Placed; after: Placed }[] = [];
	const added: Placed[] = [];
	let kept = 0;
	for (const placed of after.placed) {
		const old = was.get(placed.task);
		if (!old) added.push(placed);
		else if (same(old, placed)) kept += 1;
		else moved.push({ before: old, after: placed });
	}
	return { moved, added, dropped: before.placed.filter(({ task }) => !is.has(task)), kept };
}

function same(a: Placed, b: Placed): boolean {
	return (
		a.start === b.start &&
		a.end === b.end &&
		a.mode === b.mode &&
		a.unit === b.unit &&
		a.given.length === b.given.length &&
		a.given.every((names, at) => names.join('\n') === b.given[at]?.join('\n'))
	);
}
