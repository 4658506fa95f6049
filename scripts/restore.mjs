// npm run restore: puts a backup back where there is no bakery, looks at what is there then, and starts Jovet on it once. Ends
// with 0 when all of that went well; otherwise with 1, and the place is as empty as it was.
//
//   --from .data/backups/jovet-2027-03-28T12-00-00.backup   the backup; otherwise the newest in .data/backups
import { existsSync, rmSync } from 'node:fs';
import path from 'node:path';
import { startApplication } from './parts/application.mjs';
import { backupsIn, damageOf, putBack } from './parts/backups.mjs';
import { buildApplication } from './parts/build.mjs';
import { installPackages, installPostgres } from './parts/install.mjs';
import { takeLock } from './parts/lock.mjs';
import { readOptions } from './parts/options.mjs';
import { BACKUPS, DATA } from './parts/places.mjs';
import { freePort } from './parts/ports.mjs';
import { clusterFolder, startCluster } from './parts/postgres.mjs';
import { Plain, reportAndExit, say, step } from './parts/progress.mjs';

async function main() {
	const values = readOptions({ from: { type: 'string' } }, process.argv.slice(2));
	const from = values.from ?? backupsIn(BACKUPS)[0];
	if (from === undefined)
		throw new Plain(`There is no backup in ${BACKUPS}. Name one with --from.`);
	const file = path.resolve(from);
	await installPackages();
	await installPostgres();
	const unlock = takeLock('bakery', 'Jovet is running on this data folder; stop it first');
	try {
		const folder = await clusterFolder(path.join(DATA, 'bakery-postgres'));
		if (existsSync(path.join(folder, 'data', 'PG_VERSION')))
			throw new Plain(
				`There is a bakery in ${folder} already, and nothing is put over it. Move that folder elsewhere first, and keep it until you have looked at what was restored.`
			);
		const damage = await step(`looking at ${file}`, () => damageOf(file));
		if (damage !== null) throw new Plain(damage);
		await buildApplication();
		const cluster = await startCluster({ folder, forTests: false, port: 54_320 });
		let whole = false;
		try {
			await step('putting it back', () => putBack(cluster.url, file));
			await step('starting Jovet on it once', async () => {
				const application = await startApplication({
					port: await freePort(0),
					databaseUrl: `${cluster.url}/postgres`,
					env: { JOVET_DEMO: '' },
					quiet: true
				});
				await application.stop();
			});
			whole = true;
		} finally {
			await cluster.stop();
			if (!whole) rmSync(folder, { recursive: true, force: true });
		}
		say(`\nThe bakery is back in ${folder}. "npm start" goes on with it.`);
	} finally {
		unlock();
	}
}

main().catch(reportAndExit);
