// npm start: installs what is missing, builds, starts PostgreSQL and the application on the bakery's own data, which is
// never the demo's and never filled with any of it.
//
// A day's backup is taken by itself into .data/backups while it runs, and two weeks of them are kept.
//
//   --network jovet.lan,192.168.1.20   serves these names and addresses on the bakery's network too, over HTTPS alone
//   --network-port 4321                at this port
//   --certificate FILE --key FILE      with a certificate that was brought along, in place of one made here
//   --processes 2   so many processes of the application share the work: while one is started again, the others answer
//   --port 4320     the port to serve on; a port that is taken is said, and no other is used
import { NETWORK_OPTIONS } from './parts/network-options.mjs';
import { readOptions } from './parts/options.mjs';
import { BACKUPS, MOST_BACKUPS } from './parts/places.mjs';
import { reportAndExit } from './parts/progress.mjs';
import { readPort, readProcesses, serve } from './parts/serve.mjs';

async function main() {
	const values = readOptions(
		{
			port: { type: 'string', default: process.env.PORT ?? '4320' },
			processes: { type: 'string', default: '2' },
			...NETWORK_OPTIONS
		},
		process.argv.slice(2)
	);
	await serve({
		name: 'bakery',
		// What it needs is installed by then.
		network: async () => (await import('./parts/network.mjs')).readNetwork(values),
		busy: 'Jovet is already running on this data folder',
		folder: 'bakery-postgres',
		databasePort: 54_320,
		port: readPort(values.port),
		portMayMove: false,
		processes: readProcesses(values.processes),
		starting: 'starting Jovet',
		backups: { folder: BACKUPS, keep: MOST_BACKUPS },
		// Whatever the surroundings say: a bakery of one's own begins empty.
		env: {
			JOVET_DEMO: '',
			JOVET_DEMO_AT: '',
			JOVET_DEMO_SPEED: '',
			JOVET_DEMO_PLANNED: '',
			JOVET_DEMO_DEVICE_KEY: ''
		}
	});
}

main().catch(reportAndExit);
