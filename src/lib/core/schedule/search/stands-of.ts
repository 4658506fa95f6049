import type { Plan } from '../plan.ts';
import type { Compiled } from './compiled.ts';
import type { Stand } from './state.ts';

/** A plan told by name as stands of a compiled problem, in order of time; what the problem does not know is left out. */
export function standsOf(model: Compiled, plan: Plan): readonly Stand[] {
	const { problem, batch } = model;
	const tasks = new Map(problem.tasks.map(({ id }, at) => [id, at]));
	const units = new Map(
		batch.flatMap(({ machine }) => machine.units.map(({ id }) => id)).map((id, at) => [id, at])
	);
	const pools = new Map([...problem.pools, ...problem.machines].map(({ id }, at) => [id, at]));
	const indicesOf = (given: readonly (readonly string[])[]) =>
		given.map((names) =>
			names.flatMap((name) => {
				const pool = pools.get(name);
				return pool === undefined ? [] : [pool];
			})
		);
	const attendedBy = new Map(
		plan.loads.flatMap(({ tasks: members, given }) =>
			members.map((member) => [member, indicesOf(given)] as const)
		)
	);
	const stands = plan.placed.flatMap((placed): Stand[] => {
		const task = tasks.get(placed.task);
		if (task === undefined) return [];
		const at = problem.tasks[task]?.modes.findIndex(({ id }) => id === placed.mode) ?? -1;
		if (at < 0) return [];
		const mode = (model.firstMode[task] ?? 0) + at;
		const given = indicesOf(placed.given);
		const demands = problem.tasks[task]?.modes[at]?.demands ?? [];
		const same =
			given.length === demands.length &&
			demands.every(
				({ amount, pools: may }, k) =>
					given[k]?.length === amount &&
					placed.given[k]?.every((name) => may.includes(name)) === true
			);
		return [
			{
				task,
				mode,
				start: placed.start,
				unit: placed.unit === null ? -1 : (units.get(placed.unit) ?? -1),
				given: same ? given : null,
				attended: attendedBy.get(placed.task) ?? null
			}
		];
	});
	return stands.sort((a, b) => a.start - b.start || a.task - b.task);
}
