// Why a cluster does not start, in plain words with what to do: whoever reads it stands before a bakery without its plan.
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';

/** The version of PostgreSQL that wrote a cluster's data; null where there is none yet. @param {string} data */
export function versionOfData(data) {
	const file = path.join(data, 'PG_VERSION');
	return existsSync(file) ? readFileSync(file, 'utf8').trim() : null;
}

/** @param {string} folder @param {string} version */
export function otherVersion(folder, version) {
	return (
		`The data in ${folder} was written by PostgreSQL ${version}, which is not installed here. Nothing of it was touched.\n` +
		`Install that version (Debian's package postgresql-${version}), or move the folder elsewhere, keep it, and put the newest backup back with "npm run restore".`
	);
}

const DAMAGED =
	/invalid (primary )?checkpoint|valid checkpoint record|incorrect checksum|invalid data in|invalid magic number|is not a valid|could not (open|read|access) (file|directory|status of)|PANIC/i;

/**
 * @param {string} folder of the cluster
 * @param {string} log the file PostgreSQL writes to
 * @param {string} said what it wrote there since it was started
 */
export function whyNotStarted(folder, log, said) {
	const end = `The end of ${log}:\n${said}`;
	if (/No space left on device/i.test(said))
		return `The disk that ${folder} lies on is full, and PostgreSQL does not start. Nothing that was saved is lost: make room there, and start again. ${end}`;
	// What may not be read is whole all the same.
	if (DAMAGED.test(said) && !/Permission denied/i.test(said))
		return (
			`The data in ${folder} is damaged, and PostgreSQL does not start on it. Nothing more was done to it.\n` +
			`Move that folder elsewhere and keep it; "npm run restore" puts the newest backup back, and "npm start" goes on from there. ${end}`
		);
	return `PostgreSQL did not start. ${end}`;
}
