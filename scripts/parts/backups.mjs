// Backups of a bakery's database: one file each, taken while it is in use, as all of it was at one moment.
import { createHash } from 'node:crypto';
import {
	chmodSync,
	closeSync,
	createReadStream,
	existsSync,
	fsyncSync,
	mkdirSync,
	openSync,
	readdirSync,
	readFileSync,
	renameSync,
	rmSync,
	statSync,
	writeFileSync
} from 'node:fs';
import path from 'node:path';
import { findPostgres } from './install.mjs';
import { Plain } from './progress.mjs';
import { run } from './run.mjs';

const ENDING = '.backup';
/** Beside each backup stands what its bytes add up to: a damaged one is known before anything is done with it. */
const SUM = '.sha256';

/** @param {string} name a program of PostgreSQL */
function program(name) {
	const bin = findPostgres();
	if (!bin) throw new Plain("PostgreSQL is not installed (Debian's package postgresql).");
	return path.join(bin, name);
}

/**
 * Where a server answers, as its programs are told: the password stands in no list of processes.
 * @param {string} url
 */
function reached(url) {
	const { hostname, port, username, password } = new URL(url);
	return {
		args: ['--host', hostname, '--port', port, '--username', username, '--no-password'],
		env: { ...process.env, PGPASSWORD: decodeURIComponent(password), PGCONNECT_TIMEOUT: '10' }
	};
}

/** @param {string} file */
async function sumOf(file) {
	const hash = createHash('sha256');
	for await (const piece of createReadStream(file)) hash.update(piece);
	return hash.digest('hex');
}

/** @param {string} file */
function flush(file) {
	const opened = openSync(file, 'r');
	fsyncSync(opened);
	closeSync(opened);
}

/**
 * Writes a backup of a running database to a file: under another name until it is whole, read once more, and added up.
 * What goes wrong leaves nothing of it, and no earlier backup touched.
 * @param {string} url the server
 * @param {string} file
 */
export async function backUp(url, file) {
	if (existsSync(file)) throw new Plain(`${file} is there already; nothing was written over it.`);
	try {
		mkdirSync(path.dirname(file), { recursive: true, mode: 0o700 });
	} catch (error) {
		throw new Plain(
			`The folder ${path.dirname(file)} cannot be made: ${error instanceof Error ? error.message : String(error)}`
		);
	}
	const part = `${file}.part`;
	const { args, env } = reached(url);
	try {
		const dumped = await run(
			program('pg_dump'),
			[...args, '--format=custom', '--compress=6', `--file=${part}`, 'postgres'],
			{ env }
		);
		if (dumped.code !== 0)
			throw new Plain(`The backup was not written: ${lastLines(dumped.output)}`);
		const listed = await run(program('pg_restore'), ['--list', part]);
		if (listed.code !== 0 || !/ TABLE DATA public bakery /.test(listed.output))
			throw new Plain(`The backup cannot be read back, so it is none: ${lastLines(listed.output)}`);
		chmodSync(part, 0o600);
		flush(part);
		writeFileSync(`${file}${SUM}`, `${await sumOf(part)}  ${path.basename(file)}\n`, {
			mode: 0o600
		});
		renameSync(part, file);
		flush(path.dirname(file));
		return { file, bytes: statSync(file).size };
	} catch (error) {
		rmSync(part, { force: true });
		if (!existsSync(file)) rmSync(`${file}${SUM}`, { force: true });
		throw error;
	}
}

/** @param {string} output */
function lastLines(output) {
	return output.trim().split('\n').slice(-3).join(' ').slice(0, 600);
}

/**
 * What is wrong with a backup; null for one that is as it was written. One without its sum is not known to be.
 * @param {string} file
 */
export async function damageOf(file) {
	if (!existsSync(file)) return `There is no file ${file}.`;
	const beside = `${file}${SUM}`;
	if (existsSync(beside)) {
		const [wanted] = readFileSync(beside, 'utf8').split(' ');
		if ((await sumOf(file)) !== wanted)
			return `${file} is not as it was written (its bytes add up to something else than ${beside} says). Take another.`;
	}
	const listed = await run(program('pg_restore'), ['--list', file]);
	if (listed.code !== 0 || !/ TABLE DATA public bakery /.test(listed.output))
		return `${file} is no backup of a bakery, or not a whole one.`;
	return null;
}

/**
 * Puts a backup into an empty database, all of it or nothing.
 * @param {string} url
 * @param {string} file
 */
export async function putBack(url, file) {
	const { args, env } = reached(url);
	const restored = await run(
		program('pg_restore'),
		[
			...args,
			'--dbname=postgres',
			'--single-transaction',
			'--exit-on-error',
			'--no-owner',
			'--no-privileges',
			file
		],
		{ env }
	);
	if (restored.code !== 0)
		throw new Plain(`The backup could not be put back: ${lastLines(restored.output)}`);
}

/** A name that says when, and that sorts by it. @param {Date} now */
export function nameOfBackup(now) {
	return `jovet-${now.toISOString().slice(0, 19).replaceAll(':', '-')}${ENDING}`;
}

/** The backups of a folder that were named here, newest first. @param {string} folder */
export function backupsIn(folder) {
	if (!existsSync(folder)) return [];
	return readdirSync(folder)
		.filter((name) => /^jovet-\d{4}-\d{2}-\d{2}T[\d-]{8}\.backup$/.test(name))
		.sort()
		.reverse()
		.map((name) => path.join(folder, name));
}

/**
 * Keeps so many of the newest; what somebody else put there stays.
 * @param {string} folder
 * @param {number} most
 */
export function keepNewest(folder, most) {
	for (const file of backupsIn(folder).slice(most)) {
		rmSync(file, { force: true });
		rmSync(`${file}${SUM}`, { force: true });
	}
}
