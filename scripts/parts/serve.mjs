// Serves one bakery on loopback: installs what is missing, builds, starts its PostgreSQL and the application, watches
// over both until it is asked to end.
import { rmSync } from 'node:fs';
import path from 'node:path';
import { buildApplication } from './build.mjs';
import { installPackages, installPostgres } from './install.mjs';
import { keepBackedUp } from './nightly.mjs';
import { keepRunning } from './keep-running.mjs';
import { takeLock } from './lock.mjs';
import { DATA } from './places.mjs';
import { freePort, isFree } from './ports.mjs';
import { clusterFolder, startCluster } from './postgres.mjs';
import { startProcesses } from './processes.mjs';
import { Plain, say, step } from './progress.mjs';

/**
 * @typedef {{
 *   name: string,
 *   busy: string,
 *   folder: string,
 *   databasePort: number,
 *   port: number,
 *   portMayMove: boolean,
 *   processes: number,
 *   fresh?: boolean,
 *   starting: string,
 *   env: Record<string, string>,
 *   network?: () => Promise<import('./network.mjs').Network | null>,
 *   backups?: { folder: string, keep: number },
 *   beside?: (origin: string) => () => Promise<void>
 * }} Served `folder` lies in the data folder; `busy` says that it is served already; `processes`: so many of the
 *   application on the one database; `network`: what it serves beyond loopback; `backups`: one a day is taken there;
 *   `beside` starts what runs with it and gives what stops that.
 */

/** More than this no bakery has a use for. */
const MOST_PROCESSES = 8;

/** @param {string} text what was typed for the number of processes */
export function readProcesses(text) {
	const count = Number(text);
	if (!Number.isInteger(count) || count < 1 || count > MOST_PROCESSES)
		throw new Plain(`--processes wants a number from 1 to ${MOST_PROCESSES}, not "${text}".`);
	return count;
}

/** @param {string} text what was typed for the port */
export function readPort(text) {
	const port = Number(text);
	if (!Number.isInteger(port) || port < 0 || port > 65_535)
		throw new Plain(`--port wants a number from 0 to 65535, not "${text}".`);
	return port;
}

/**
 * Serves until a signal ends it.
 * @param {Served} served
 */
export async function serve(served) {
	const unlock = takeLock(served.name, served.busy);
	const stops = [async () => unlock()];
	const stopAll = async () => {
		for (const stop of stops.splice(0).reverse()) await stop();
	};
	const ending = new AbortController();
	const until = ending.signal;
	const asked = new Promise((resolve) => until.addEventListener('abort', resolve));
	for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM', 'SIGHUP']))
		process.on(signal, () => ending.abort());
	try {
		await installPackages();
		await installPostgres();
		await buildApplication();
		const network = (await served.network?.()) ?? null;
		const folder = await clusterFolder(path.join(DATA, served.folder));
		if (served.fresh) {
			const old = await startCluster({ folder, forTests: false, port: 0 });
			await old.stop();
			rmSync(folder, { recursive: true, force: true });
		}
		if (!served.portMayMove && served.port > 0 && !(await isFree(served.port)))
			throw new Plain(
				`Port ${served.port} is taken by another program. Stop that, or choose another with --port.`
			);
		// Both are watched over: whichever ends is started again. The application finds its database where that is now.
		let { databasePort } = served;
		const database = await step('starting PostgreSQL on loopback', () =>
			keepRunning(
				'PostgreSQL',
				async () => {
					const cluster = await startCluster({ folder, forTests: false, port: databasePort });
					databasePort = cluster.port;
					return cluster;
				},
				{ until }
			)
		);
		stops.push(database.stop);
		if (database.now().adopted)
			say('  the server of an earlier start was still running and is used again');
		const port = await freePort(served.port);
		const application = await step(served.starting, () =>
			startProcesses({
				count: served.processes,
				port,
				databaseUrl: () => `${database.now().url}/postgres`,
				env: { ...served.env, ...network?.env, JOVET_BACKUPS: served.backups?.folder ?? '' },
				until
			})
		);
		stops.push(application.stop);
		const { origin, answering } = application;
		if (network) {
			const { openFrontDoor } = await import('./front-door.mjs');
			const door = await openFrontDoor({ ...network, answering });
			stops.push(door.stop);
		}
		if (served.backups) void keepBackedUp(() => database.now().url, served.backups, until);
		if (served.beside) stops.push(served.beside(origin));
		if (port !== served.port && served.port > 0)
			say(`  port ${served.port} is busy, so another one is used`);
		if (network)
			say(
				`\nOn the network: ${network.names.map((name) => `https://${name}${network.port === 443 ? '' : `:${network.port}`}`).join(', ')}` +
					(network.certificate.authority === null
						? ''
						: `\nA browser warns of it once; the fingerprint of the issuer is\n  ${network.certificate.fingerprint}`)
			);
		say(`\nJovet is at ${origin}\nCtrl-C stops it; the data is kept in ${folder}.\n`);
		await asked;
		await step('stopping', stopAll);
	} finally {
		await stopAll();
	}
}
