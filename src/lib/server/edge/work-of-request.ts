import { AsyncLocalStorage } from 'node:async_hooks';
import { holdWorkBy, WorkAllowance } from '../../core/work.ts';

/**
 * What one request may ask for. The water of an ordinary night takes some hundreds, that of a date as full as one can
 * be some thousands, a room of restless doughs some hundred thousands; all of it is about three seconds of a processor.
 */
const MOST_UNITS = 1_000_000;
/** A request that kept the processor busy for longer than this, while no other was there, is told in the log. */
const WORTH_TELLING_MS = 1000;

/** Requests that are being answered, and how many were begun so far: who was alone saw neither change. */
let [inside, begun] = [0, 0];

const allowances = new AsyncLocalStorage<WorkAllowance>();
holdWorkBy(() => allowances.getStore() ?? null);

/** Does the work of a request within its allowance, and tells the log of one that was long at it. */
export async function allowWork<T>(
	name: string,
	work: (allowance: WorkAllowance) => Promise<T>,
	worthTellingMs = WORTH_TELLING_MS
): Promise<T> {
	const allowance = new WorkAllowance(MOST_UNITS);
	const before = process.cpuUsage();
	begun += 1;
	inside += 1;
	const turn = inside === 1 ? begun : null;
	try {
		return await allowances.run(allowance, () => work(allowance));
	} finally {
		inside -= 1;
		const { user, system } = process.cpuUsage(before);
		const busyMs = Math.round((user + system) / 1000);
		if (busyMs > worthTellingMs && turn === begun)
			console.warn(
				`${name} took ${busyMs} ms of processor time (${allowance.spent} units of work)`
			);
	}
}
