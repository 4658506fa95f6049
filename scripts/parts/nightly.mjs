// A backup a day by itself, while Jovet runs, with a number of them kept.
import { statSync } from 'node:fs';
import path from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { backUp, backupsIn, keepNewest, nameOfBackup } from './backups.mjs';
import { say } from './progress.mjs';

const HOUR_MS = 3_600_000;

/**
 * @typedef {{ folder: string, keep: number, everyMs?: number, lookMs?: number }} Nightly `everyMs`: a newer one than this is
 *   new enough; `lookMs`: how often that is looked at
 */

/**
 * Takes a backup whenever the newest is a day old, until it is told to end. One that goes wrong is told, and tried again at
 * the next look; nothing else waits for it.
 * @param {() => string} url where the server answers now
 * @param {Nightly} nightly
 * @param {AbortSignal} until
 */
export async function keepBackedUp(
	url,
	{ folder, keep, everyMs = 24 * HOUR_MS, lookMs = HOUR_MS / 6 },
	until
) {
	while (!until.aborted) {
		const [newest] = backupsIn(folder);
		const ageMs = newest === undefined ? Infinity : Date.now() - statSync(newest).mtimeMs;
		if (ageMs >= everyMs)
			try {
				const { file, bytes } = await backUp(url(), path.join(folder, nameOfBackup(new Date())));
				keepNewest(folder, keep);
				say(`  backed up to ${file} (${(bytes / 1e6).toFixed(1)} MB)`);
			} catch (error) {
				say(
					`  the day's backup did not come about; it is tried again: ${error instanceof Error ? error.message : String(error)}`
				);
			}
		await pause(lookMs, undefined, { signal: until }).catch(() => undefined);
	}
}
