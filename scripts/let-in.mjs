// npm run let-in: for whoever runs this machine, where a head baker cannot come in any more. Makes an address at which a
// person chooses a new password, once and within a day, while Jovet runs.
//
//   --name "Wren Ashby"   whom to let in; otherwise the head baker
//   --address http://...  where Jovet is served, if not at the usual place
import { existsSync } from 'node:fs';
import path from 'node:path';
import { headBaker } from '../src/lib/server/auth/actor.ts';
import { makePasswordKey } from '../src/lib/server/auth/doors.ts';
import { openDatabase } from '../src/lib/server/db/client.ts';
import { loadEntries } from '../src/lib/server/db/entries.ts';
import { readOptions } from './parts/options.mjs';
import { DATA } from './parts/places.mjs';
import { clusterFolder, runningServer, serverUrl } from './parts/postgres.mjs';
import { Plain, reportAndExit, say } from './parts/progress.mjs';

/** The address of the running server in one of the data's folders; null where none runs. @param {string} name */
async function urlIn(name) {
	const wanted = path.join(DATA, name);
	if (!existsSync(DATA)) return null;
	const folder = await clusterFolder(wanted);
	const running = runningServer(path.join(folder, 'data'));
	return running ? `${serverUrl(folder, running.port)}/postgres` : null;
}

async function main() {
	const values = readOptions(
		{
			name: { type: 'string' },
			address: { type: 'string', default: 'http://127.0.0.1:4320' }
		},
		process.argv.slice(2)
	);
	const url = await urlIn('bakery-postgres');
	if (url === null)
		throw new Plain('Jovet does not run on this data folder. Start it with "npm start" first.');
	const db = openDatabase(url, (error) => say(`  the connection was lost: ${error.message}`));
	try {
		const people = (await loadEntries(db, 'newest', ['person'])).of('person');
		const { name } = values;
		const person =
			name === undefined ? await headBaker(db) : people.find((one) => one.name === name);
		if (!person)
			throw new Plain(
				name === undefined
					? 'There is no bakery in this data folder yet.'
					: `There is nobody called "${name}" here: ${people.map((one) => one.name).join(', ')}.`
			);
		const key = await makePasswordKey(db, person.id, null, Date.now());
		say(
			`${person.name} chooses a new password, once and within a day, at\n  ${values.address}/let-in/${key}`
		);
	} finally {
		await db.destroy();
	}
}

main().catch(reportAndExit);
