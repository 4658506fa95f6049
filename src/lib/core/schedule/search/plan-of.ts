import { isTaken } from './loads.ts';
import type { Placed, Plan, PlannedLoad } from '../plan.ts';
import type { Demand } from '../problem.ts';
import type { State } from './state.ts';

/** Who gives what some demands want, by name: the only pool of each, or those that were chosen. */
function givenBy(
	demands: readonly Demand[],
	chosen: readonly (readonly number[])[] | null | undefined,
	poolNames: readonly string[]
): string[][] {
	const given: string[][] = [];
	for (const [at, { amount, pools }] of demands.entries()) {
		const names: string[] = [];
		if (pools.length === 1) for (let k = 0; k < amount; k += 1) names.push(pools[0] ?? '');
		else for (const pool of chosen?.[at] ?? []) names.push(poolNames[pool] ?? '');
		given.push(names);
	}
	return given;
}

/** What stands, told by name. */
export function planOf(state: State): Plan {
	const { problem, batch, unitMachine, firstMode } = state.model;
	const unitNames: string[] = [];
	for (const { machine } of batch) for (const { id } of machine.units) unitNames.push(id);
	const poolNames: string[] = [];
	for (const { id } of problem.pools) poolNames.push(id);
	for (const { id } of problem.machines) poolNames.push(id);
	const placed: Placed[] = [];
	const missing: string[] = [];
	for (const [u, task] of problem.tasks.entries()) {
		const start = state.start[u] as number;
		if (start < 0) {
			missing.push(task.id);
			continue;
		}
		const mode = task.modes[(state.mode[u] as number) - (firstMode[u] as number)];
		const load = state.load[u];
		placed.push({
			task: task.id,
			mode: mode?.id ?? '',
			start,
			end: state.end[u] as number,
			unit: load ? (unitNames[load.unit] ?? null) : null,
			// A machine is among the demands of the model, not of the mode.
			given: givenBy(mode?.demands ?? [], state.givenTo(u), poolNames)
		});
	}
	const loads: PlannedLoad[] = [];
	for (const [unit, list] of state.loads.ofUnit.entries())
		for (const load of list) {
			if (isTaken(load)) continue;
			const { attended = [] } = batch[unitMachine[unit] as number]?.machine ?? {};
			const tasks: string[] = [];
			for (const u of load.members) tasks.push(problem.tasks[u]?.id ?? '');
			loads.push({
				unit: unitNames[unit] ?? '',
				start: load.start,
				end: load.end,
				tasks,
				given: givenBy(attended, load.given, poolNames)
			});
		}
	return { placed, loads, missing };
}
