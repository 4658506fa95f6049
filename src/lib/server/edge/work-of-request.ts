import { AsyncLocalStorage } from 'node:async_hooks';
import { holdWorkBy, WorkAllowance } from '../../core/work.ts';

/**
 * What one request may ask for. The largest page of a bakery with sixty products and twenty drops takes a
 * twentieth of it; all of it keeps one processor busy for about two seconds.
 */
const MOST_UNITS = 2_000_000;
/** A request that kept the processor busy for longer than this is told in the log. */
const WORTH_TELLING_MS = 1000;

const allowances = new AsyncLocalStorage<WorkAllowance>();
holdWorkBy(() => allowances.getStore() ?? null);

/** Does the work of a request within its allowance, and tells the log of one that was long at it. */
export async function allowWork<T>(name: string, work: () => Promise<T>): Promise<T> {
	const allowance = new WorkAllowance(MOST_UNITS);
	const before = process.cpuUsage();
	try {
		return await allowances.run(allowance, work);
	} finally {
		const { user, system } = process.cpuUsage(before);
		const busyMs = Math.round((user + system) / 1000);
		if (busyMs > WORTH_TELLING_MS)
			console.warn(
				`${name}: ${busyMs} ms of processor time went by while it was answered (${allowance.spent} units of its own work)`
			);
	}
}
