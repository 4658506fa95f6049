import type { Changeovers } from './changeovers.ts';
import type { CompiledBatchMachine, CompiledMode } from './compiled.ts';
import { withPortion } from './setup.ts';
import type { Stand, State } from './state.ts';

/** Puts a task where it stood if everything there still allows it; false, and nothing changed, where it does not. */
export function tryStand(state: State, stand: Stand): boolean {
	const { model } = state;
	const mode = model.modes[stand.mode] as CompiledMode;
	const { task, start } = stand;
	if (!mode.allowed || start < (model.earliest[task] as number)) return false;
	if (start > (model.latest[task] as number)) return false;
	if (mode.portion && !fitsLoad(state, stand, mode)) return false;
	if (!mode.portion && start + mode.length > model.horizon) return false;
	if (mode.machine >= 0 && !keepsChangeovers(state, stand, mode)) return false;
	const { broken } = state;
	const { overdrawn } = state.pools;
	state.putBack(stand);
	if (state.broken <= broken && state.pools.overdrawn <= overdrawn) return true;
	state.remove(task);
	return false;
}

function fitsLoad(state: State, { task, unit, start }: Stand, mode: CompiledMode): boolean {
	const { portion } = mode;
	const { model, loads } = state;
	if (!portion || unit < 0) return false;
	const pinned = model.pinnedUnit[task] as number;
	if (pinned >= 0 && pinned !== unit) return false;
	if (portion.notOn?.has(unit)) return false;
	const at = model.unitMachine[unit] as number;
	if (!portion.machines.includes(at)) return false;
	if ((model.unitCapacity[unit] as number) < portion.size) return false;
	const { machine } = model.batch[at] as CompiledBatchMachine;
	const load = loads.at(unit, start);
	if (load && !loads.takes(load, portion, state.portionOf)) return false;
	const longest = Math.max(portion.length, load?.longest ?? 0);
	const end = start + machine.loading + longest + machine.unloading;
	if (end > model.horizon) return false;
	return loads.fits(unit, start, end, withPortion(load, portion), load);
}

function keepsChangeovers(state: State, { start }: Stand, mode: CompiledMode): boolean {
	const { model } = state;
	for (let other = 0; other < model.tasks; other += 1) {
		const began = state.start[other] as number;
		if (began < 0) continue;
		const its = state.modeAt(state.mode[other] as number);
		if (its.machine !== mode.machine) continue;
		const changeovers = model.changing[mode.machine] as Changeovers;
		const gap =
			began <= start
				? start - (state.end[other] as number) - changeovers.between(its.family, mode.family)
				: began - start - mode.length - changeovers.between(mode.family, its.family);
		if (gap < 0) return false;
	}
	return true;
}
