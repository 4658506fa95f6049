// One command at a time on one data folder, one build at a time in one project. The lock dies with its process.
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { DATA } from './places.mjs';
import { Plain } from './progress.mjs';

/**
 * Takes a named lock or says who holds it; gives the release.
 * @param {string} name
 * @param {string} busy
 * @param {string} [folder] what it is a lock on
 */
export function takeLock(name, busy, folder = DATA) {
	mkdirSync(folder, { recursive: true });
	const file = path.join(folder, `${name}.lock`);
	for (;;) {
		try {
			writeFileSync(file, String(process.pid), { flag: 'wx' });
			return () => rmSync(file, { force: true });
		} catch (error) {
			if (/** @type {NodeJS.ErrnoException} */ (error).code !== 'EEXIST') throw error;
			const holder = Number(readFileSync(file, 'utf8'));
			if (holder !== process.pid && isNode(holder)) throw new Plain(`${busy} (process ${holder}).`);
			rmSync(file, { force: true });
		}
	}
}

/** @param {number} pid */
function isNode(pid) {
	try {
		return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('node');
	} catch {
		return false;
	}
}

/**
 * Takes a named lock as soon as whoever holds it is done.
 * @param {string} name
 * @param {string} folder what it is a lock on
 */
export async function waitForLock(name, folder) {
	for (;;) {
		try {
			return takeLock(name, 'busy', folder);
		} catch (error) {
			if (!(error instanceof Plain)) throw error;
			await new Promise((resolve) => setTimeout(resolve, 300));
		}
	}
}
