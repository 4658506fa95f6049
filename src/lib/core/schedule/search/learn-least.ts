import { NEVER } from './compiled.ts';
import type { Values } from './values.ts';

/**
 * Fills `least` and `wished` from an empty plan: every task alone, with nothing in its way and nothing charged for
 * what tasks share. To be called once, before anything stands; what stands later can only make it dearer.
 */
export function learnLeast(values: Values): void {
	const { model } = values.state;
	values.batch.free = true;
	for (const members of model.components.members) {
		values.lookAt(members[0] as number, 0, model.horizon, NEVER - 1);
		for (const u of members) {
			let least = NEVER;
			const leastAt = new Int32Array(model.horizon + 1).fill(NEVER);
			for (let m = model.firstMode[u] as number; m < (model.firstMode[u + 1] as number); m += 1) {
				const row = values.rows[m] as Int32Array;
				for (let t = values.low[u] as number; t <= (values.high[u] as number); t += 1) {
					const price = row[t] as number;
					if (price < (leastAt[t] as number)) leastAt[t] = price;
					if (price >= least) continue;
					least = price;
					values.wished[u] = t;
				}
			}
			values.least[u] = least >= NEVER ? 0 : least;
			values.leastAt[u] = leastAt;
		}
	}
	values.batch.free = false;
}
