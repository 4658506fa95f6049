// npm run demo: installs what is missing, builds, starts PostgreSQL and the application with demo data.
//
//   --at 2027-03-27T14:00   sets the bakery's clock when the demo data is first loaded
//   --speed 60              lets that clock run so many times as fast: a night in minutes
//   --no-plan               leaves the next night without a plan, where one would have been accepted by now
//   --fresh                 forgets the demo's data and starts anew
//   --port 4310             the port to serve on
//   --processes 2           so many processes of the application share the work
//   --weather hot           a hot night instead of the season's own weather
//   --no-probes             leaves the simulated probes out: temperatures are typed
import { randomBytes } from 'node:crypto';
import { readOptions } from './parts/options.mjs';
import { startProbes } from './parts/probes.mjs';
import { Plain, reportAndExit } from './parts/progress.mjs';
import { readPort, readProcesses, serve } from './parts/serve.mjs';

/** Faster than this nobody could follow. */
const MOST_SPEED = 600;

async function main() {
	const values = readOptions(
		{
			at: { type: 'string' },
			speed: { type: 'string', default: '1' },
			'no-plan': { type: 'boolean', default: false },
			fresh: { type: 'boolean', default: false },
			port: { type: 'string', default: process.env.PORT ?? '4310' },
			processes: { type: 'string', default: '1' },
			weather: { type: 'string', default: 'usual' },
			'no-probes': { type: 'boolean', default: false }
		},
		process.argv.slice(2)
	);
	const port = readPort(values.port);
	if (values.at !== undefined && !/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/.test(values.at))
		throw new Plain(
			`--at wants a local date and time such as 2027-03-27T14:00, not "${values.at}".`
		);
	const speed = Number(values.speed);
	if (!(speed >= 1 && speed <= MOST_SPEED))
		throw new Plain(`--speed wants a number from 1 to ${MOST_SPEED}, not "${values.speed}".`);
	if (speed !== 1 && values.at === undefined)
		throw new Plain(
			'--speed wants --at too: a clock that runs fast begins at a moment of its own.'
		);
	if (!['usual', 'hot'].includes(values.weather))
		throw new Plain(`--weather wants "usual" or "hot", not "${values.weather}".`);
	// A new key with every start: nothing that lets anybody in is kept.
	const key = randomBytes(32).toString('base64url');
	const withProbes = !values['no-probes'];
	await serve({
		name: 'demo',
		busy: 'The demo is already running on this data folder',
		folder: 'demo-postgres',
		databasePort: 54_310,
		port,
		portMayMove: true,
		processes: readProcesses(values.processes),
		fresh: values.fresh,
		starting: 'starting Jovet with the Saltmarrow demo',
		env: {
			JOVET_DEMO: 'saltmarrow',
			...(values.at ? { JOVET_DEMO_AT: values.at } : {}),
			...(speed === 1 ? {} : { JOVET_DEMO_SPEED: String(speed) }),
			...(values['no-plan'] ? {} : { JOVET_DEMO_PLANNED: 'yes' }),
			...(withProbes ? { JOVET_DEMO_DEVICE_KEY: key } : {})
		},
		...(withProbes
			? {
					beside: (/** @type {string} */ origin) =>
						startProbes({ address: origin, key, args: ['--weather', values.weather] })
				}
			: {})
	});
}

main().catch(reportAndExit);
