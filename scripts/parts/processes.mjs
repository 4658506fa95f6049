// The processes of the application on one database. Behind a door of their own where there are several: while one of them is
// started again, the others answer.
import { startApplication } from './application.mjs';
import { keepRunning } from './keep-running.mjs';
import { freePort } from './ports.mjs';

const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]'];

/**
 * @typedef {{
 *   count: number,
 *   port: number,
 *   databaseUrl: () => string,
 *   env: Record<string, string>,
 *   quiet?: boolean,
 *   until?: AbortSignal,
 *   pauses?: import('./keep-running.mjs').Pauses
 * }} Processes `port`: where all of them are reached on loopback; `databaseUrl`: where their database is now
 *
 * @typedef {Awaited<ReturnType<typeof startApplication>>} Application
 */

/**
 * Starts them one after the other, so that the first alone brings the data to its version, and keeps them running.
 * @param {Processes} options
 * @returns {Promise<{
 *   origin: string,
 *   answering: import('./pass-on.mjs').Answering,
 *   running: () => readonly (Application | null)[],
 *   stop: () => Promise<void>
 * }>}
 */
export async function startProcesses(options) {
	const { count, port } = options;
	const origin = `http://127.0.0.1:${port}`;
	/** @type {Awaited<ReturnType<typeof keepOne>>[]} */
	const kept = [];
	/** @type {import('./front-door.mjs').Open | null} */
	let door = null;
	const stop = async () => {
		await door?.stop();
		await Promise.all(kept.map((one) => one.stop()));
	};
	const running = () => kept.map((one) => one.running());
	const answering = () => running().map((one) => one?.origin ?? null);
	try {
		for (let n = 1; n <= count; n += 1) kept.push(await keepOne(n, options));
		if (count > 1) {
			const { openOwnDoor } = await import('./front-door.mjs');
			door = await openOwnDoor({ port, answering });
		}
	} catch (error) {
		await stop();
		throw error;
	}
	return { origin, answering, running, stop };
}

/**
 * @param {number} n which of them
 * @param {Processes} options
 */
async function keepOne(n, { count, port, databaseUrl, env, quiet = false, until, pauses }) {
	const isAlone = count === 1;
	const own = isAlone ? port : await freePort(0);
	const names = [env.JOVET_NAMES ?? process.env.JOVET_NAMES ?? ''];
	// Behind a door it is asked by the door's address.
	if (!isAlone) names.push(...LOOPBACK.map((name) => `${name}:${port}`));
	return keepRunning(
		isAlone ? 'Jovet' : `Jovet (process ${n} of ${count})`,
		() =>
			startApplication({
				port: own,
				databaseUrl: databaseUrl(),
				env: {
					...env,
					JOVET_NAMES: names.filter((one) => one !== '').join(','),
					...(isAlone ? {} : { ORIGIN: `http://127.0.0.1:${port}` }),
					...(n === 1 ? {} : { JOVET_BESIDE: 'yes' })
				},
				quiet
			}),
		{ ...(until ? { until } : {}), ...(pauses ? { pauses } : {}) }
	);
}
