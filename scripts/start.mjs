// npm start: installs what is missing, builds, starts PostgreSQL and the application on the bakery's own data, which is
// never the demo's and never filled with any of it.
//
//   --port 4320   the port to serve on; a port that is taken is said, and no other is used
import { readOptions } from './parts/options.mjs';
import { reportAndExit } from './parts/progress.mjs';
import { readPort, serve } from './parts/serve.mjs';

async function main() {
	const values = readOptions(
		{ port: { type: 'string', default: process.env.PORT ?? '4320' } },
		process.argv.slice(2)
	);
	await serve({
		name: 'bakery',
		busy: 'Jovet is already running on this data folder',
		folder: 'bakery-postgres',
		databasePort: 54_320,
		port: readPort(values.port),
		portMayMove: false,
		starting: 'starting Jovet',
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
