import { isTaken } from './loads.ts';
import type { Placed, Plan, PlannedLoad } from '../plan.ts';
import type { State } from './state.ts';

/** What stands, told by name. */
export function planOf(state: State): Plan {
	const { problem, batch, unitMachine } = state.model;
	const unitNames = batch.flatMap(({ machine }) => machine.units.map(({ id }) => id));
	const poolNames = [...problem.pools, ...problem.machines].map(({ id }) => id);
	const name = (pool: number) => poolNames[pool] ?? '';
	const placed: Placed[] = [];
	const missing: string[] = [];
	problem.tasks.forEach((task, u) => {
		const start = state.start[u] as number;
		if (start < 0) {
			missing.push(task.id);
			return;
		}
		const m = state.mode[u] as number;
		const mode = task.modes[m - (state.model.firstMode[u] as number)];
		const load = state.load[u];
		const given = state.givenTo(u);
		placed.push({
			task: task.id,
			mode: mode?.id ?? '',
			start,
			end: state.end[u] as number,
			unit: load ? (unitNames[load.unit] ?? null) : null,
			// A machine is among the demands of the model, not of the mode.
			given: (mode?.demands ?? []).map(({ amount, pools }, at) =>
				pools.length === 1
					? Array.from({ length: amount }, () => pools[0] ?? '')
					: (given?.[at] ?? []).map(name)
			)
		});
	});
	const loads = state.loads.ofUnit.flatMap((list, unit) =>
		list
			.filter((load) => !isTaken(load))
			.map((load): PlannedLoad => {
				const on = batch[unitMachine[unit] as number];
				return {
					unit: unitNames[unit] ?? '',
					start: load.start,
					end: load.end,
					tasks: load.members.map((u) => problem.tasks[u]?.id ?? ''),
					given: (on?.machine.attended ?? []).map(({ amount, pools }, at) =>
						pools.length === 1
							? Array.from({ length: amount }, () => pools[0] ?? '')
							: (load.given[at] ?? []).map(name)
					)
				};
			})
	);
	return { placed, loads, missing };
}
