import type { Plan, Problem } from '../../src/lib/core/schedule/index.ts';

/** What was begun before a time happened as it was planned, and is pinned. */
function happened(problem: Problem, plan: Plan, until: number): Problem {
	const placed = new Map(plan.placed.map((one) => [one.task, one]));
	return {
		...problem,
		tasks: problem.tasks.map((task) => {
			const one = placed.get(task.id);
			return one && one.start < until
				? { ...task, pin: { start: one.start, mode: one.mode, unit: one.unit } }
				: task;
		})
	};
}

/**
 * A night at a time: what began before it is as it was, and one dough that is on its way turns out quicker, so that its
 * wish comes sooner. null where none is on its way then.
 */
export function changedNight(problem: Problem, plan: Plan, at: number): Problem | null {
	const startOf = new Map(plan.placed.map(({ task, start }) => [task, start]));
	const rising = problem.lags.find(
		({ before, after }) =>
			after.startsWith('div') &&
			(startOf.get(before) ?? Infinity) < at &&
			(startOf.get(after) ?? 0) >= at + 2
	);
	if (!rising) return null;
	const began = happened(problem, plan, at);
	return {
		...began,
		lags: began.lags.map((lag) =>
			lag.before === rising.before && lag.after.startsWith('div')
				? {
						...lag,
						windows: lag.windows.map((choice) => ({
							...choice,
							window: choice.window && {
								...choice.window,
								least: choice.window.least - 3,
								wish: (choice.window.wish ?? 0) - 3
							}
						}))
					}
				: lag
		)
	};
}
