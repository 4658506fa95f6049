// One command at a time on one data folder. The lock dies with its process.
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { DATA } from './places.mjs';
import { Plain } from './progress.mjs';

/**
 * Takes a named lock or says who holds it; gives the release.
 * @param {string} name
 * @param {string} busy
 */
export function takeLock(name, busy) {
	mkdirSync(DATA, { recursive: true });
	const file = path.join(DATA, `${name}.lock`);
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
 */
export async function waitForLock(name) {
	for (;;) {
		try {
			return takeLock(name, 'busy');
		} catch (error) {
			if (!(error instanceof Plain)) throw error;
			await new Promise((resolve) => setTimeout(resolve, 300));
		}
	}
}
