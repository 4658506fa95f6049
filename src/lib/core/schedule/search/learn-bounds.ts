import type { Values } from './values.ts';

/** Stands for a task that was not looked at, because what it hangs from can start nowhere. */
const UNSEEN = -1;

/**
 * Learns the bounds from an empty plan: every task alone, with nothing in its way and nothing charged for what tasks
 * share. To be called once, before anything stands; stops for breath after each component, with nothing else to be asked
 * of these values until it is through.
 */
export function* learnBounds(values: Values): Generator<void, void> {
	const { model } = values.state;
	values.batch.free = true;
	for (const members of model.components.members) {
		for (const u of members) values.low[u] = UNSEEN;
		values.lookAt(members[0] as number, 0, model.horizon, Infinity);
		for (const u of members) {
			const low = values.low[u] as number;
			const modes = values.rows.slice(model.firstMode[u], model.firstMode[u + 1]);
			if (low !== UNSEEN) values.bounds.learn(u, modes, low, values.high[u] as number);
		}
		yield;
	}
	values.batch.free = false;
}
