import { readdir, stat, statfs } from 'node:fs/promises';
import path from 'node:path';
import type { BackupSeen } from '../contracts/bakery-views.ts';

/** When the newest backup in a folder was written, and how many lie there; null where none is taken by itself. */
export async function backupSeen(
	folder: string | undefined,
	nowMs: number
): Promise<BackupSeen | null> {
	if (!folder) return null;
	const names = await readdir(folder).catch(() => []);
	const kept = names.filter((name) => name.endsWith('.backup')).sort();
	const newest = kept.at(-1);
	// One that is taken away while it is looked at is none.
	const found = newest ? await stat(path.join(folder, newest)).catch(() => null) : null;
	// Before the first backup there is no such folder yet; the one above it lies on the same disk.
	const disk = await statfs(folder)
		.catch(() => statfs(path.dirname(folder)))
		.catch(() => null);
	return {
		lastMs: found?.mtimeMs ?? null,
		kept: kept.length,
		freeBytes: disk ? disk.bavail * disk.bsize : null,
		nowMs
	};
}
