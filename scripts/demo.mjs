// npm run demo: installs what is missing, builds, starts PostgreSQL and the application with demo data.
//
//   --at 2027-03-27T14:00   sets the bakery's clock when the demo data is first loaded
//   --fresh                 forgets the demo's data and starts anew
//   --port 4310             the port to serve on
//   --weather hot           a hot night instead of the season's own weather
//   --no-probes             leaves the simulated probes out: temperatures are typed
import { randomBytes } from 'node:crypto';
import { rmSync } from 'node:fs';
import path from 'node:path';
import { startApplication } from './parts/application.mjs';
import { buildApplication } from './parts/build.mjs';
import { installPackages, installPostgres } from './parts/install.mjs';
import { keepRunning } from './parts/keep-running.mjs';
import { takeLock } from './parts/lock.mjs';
import { DATA } from './parts/places.mjs';
import { readOptions } from './parts/options.mjs';
import { freePort } from './parts/ports.mjs';
import { clusterFolder, startCluster } from './parts/postgres.mjs';
import { startProbes } from './parts/probes.mjs';
import { Plain, reportAndExit, say, step } from './parts/progress.mjs';

async function main() {
	const values = readOptions(
		{
			at: { type: 'string' },
			fresh: { type: 'boolean', default: false },
			port: { type: 'string', default: process.env.PORT ?? '4310' },
			weather: { type: 'string', default: 'usual' },
			'no-probes': { type: 'boolean', default: false }
		},
		process.argv.slice(2)
	);
	const wanted = Number(values.port);
	if (!Number.isInteger(wanted) || wanted < 0 || wanted > 65_535)
		throw new Plain(`--port wants a number from 0 to 65535, not "${values.port}".`);
	if (values.at !== undefined && !/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(values.at))
		throw new Plain(
			`--at wants a local date and time such as 2027-03-27T14:00, not "${values.at}".`
		);

	if (!['usual', 'hot'].includes(values.weather))
		throw new Plain(`--weather wants "usual" or "hot", not "${values.weather}".`);

	const unlock = takeLock('demo', 'The demo is already running on this data folder');
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
		const folder = await clusterFolder(path.join(DATA, 'demo-postgres'));
		if (values.fresh) {
			const old = await startCluster({ folder, forTests: false, port: 0 });
			await old.stop();
			rmSync(folder, { recursive: true, force: true });
		}
		// Both are watched over: whichever ends is started again. The application finds its database where that is now.
		let databasePort = 54_310;
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
		const port = await freePort(wanted);
		// A new key with every start: nothing that lets anybody in is kept.
		const key = randomBytes(32).toString('base64url');
		const application = await step('starting Jovet with the Saltmarrow demo', () =>
			keepRunning(
				'Jovet',
				() =>
					startApplication({
						port,
						databaseUrl: `${database.now().url}/postgres`,
						env: {
							JOVET_DEMO: 'saltmarrow',
							...(values.at ? { JOVET_DEMO_AT: values.at } : {}),
							...(values['no-probes'] ? {} : { JOVET_DEMO_DEVICE_KEY: key })
						}
					}),
				{ until }
			)
		);
		stops.push(application.stop);
		const { origin } = application.now();
		if (!values['no-probes'])
			stops.push(startProbes({ address: origin, key, args: ['--weather', values.weather] }));
		if (port !== wanted) say(`  port ${wanted} is busy, so another one is used`);
		say(`\nJovet is at ${origin}\nCtrl-C stops it; the data is kept in ${folder}.\n`);
		await asked;
		await step('stopping', stopAll);
	} finally {
		await stopAll();
	}
}

main().catch(reportAndExit);
