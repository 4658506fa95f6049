// npm run backup: writes all of the bakery's data to one file, as it is at one moment, also while Jovet runs. Ends with 0
// when the backup is whole, with 1 when there is none: fit for a timer.
//
//   --to /mnt/disk/jovet.backup   the file; otherwise one with the date and time in .data/backups
//   --keep 30                     of those with a date and time in .data/backups, keeps so many of the newest
import { existsSync } from 'node:fs';
import path from 'node:path';
import { backUp, keepNewest, nameOfBackup } from './parts/backups.mjs';
import { installPostgres } from './parts/install.mjs';
import { readOptions } from './parts/options.mjs';
import { BACKUPS, DATA, MOST_BACKUPS } from './parts/places.mjs';
import { clusterFolder, runningServer, serverUrl, startCluster } from './parts/postgres.mjs';
import { Plain, reportAndExit, say, step } from './parts/progress.mjs';

async function main() {
	const values = readOptions(
		{ to: { type: 'string' }, keep: { type: 'string', default: String(MOST_BACKUPS) } },
		process.argv.slice(2)
	);
	const keep = Number(values.keep);
	if (!Number.isInteger(keep) || keep < 1)
		throw new Plain(`--keep wants a number from 1 on, not "${values.keep}".`);
	const file = path.resolve(values.to ?? path.join(BACKUPS, nameOfBackup(new Date())));
	await installPostgres();
	const folder = await clusterFolder(path.join(DATA, 'bakery-postgres'));
	if (!existsSync(path.join(folder, 'data', 'PG_VERSION')))
		throw new Plain(`There is no bakery in ${folder} to back up. "npm start" begins one.`);
	const running = runningServer(path.join(folder, 'data'));
	// Where Jovet stands still its database is woken for it, and sent to sleep again.
	const woken = running ? null : await startCluster({ folder, forTests: false, port: 54_320 });
	try {
		const url = woken?.url ?? serverUrl(folder, running?.port ?? 0);
		const { bytes } = await step(`backing up to ${file}`, () => backUp(url, file));
		say(`  ${(bytes / 1e6).toFixed(1)} MB, read back and added up`);
		if (values.to === undefined) keepNewest(BACKUPS, keep);
	} finally {
		await woken?.stop();
	}
}

main().catch(reportAndExit);
