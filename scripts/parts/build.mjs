// Builds the application unless the build at hand is of these very sources, and prepares its types.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { waitForLock } from './lock.mjs';
import { CACHE, PROJECT } from './places.mjs';
import { step } from './progress.mjs';
import { mustRun } from './run.mjs';

const STAMP = path.join(PROJECT, 'build', '.jovet-sources');
const SOURCES = [
	'src',
	'static',
	'package-lock.json',
	'svelte.config.js',
	'vite.config.ts',
	'tsconfig.json'
];

export async function buildApplication() {
	// The demo and the tests may want the build at the same time; the second finds it done.
	const unlock = await waitForLock('build', CACHE);
	try {
		await buildIfChanged();
	} finally {
		unlock();
	}
}

/** Writes the types that SvelteKit generates; never while a build reads what lies beside them. */
export async function prepareTypes() {
	const unlock = await waitForLock('build', CACHE);
	try {
		await step('preparing types', () =>
			mustRun('npx', ['--no-install', 'svelte-kit', 'sync'], { cwd: PROJECT })
		);
	} finally {
		unlock();
	}
}

async function buildIfChanged() {
	const sources = fingerprint();
	if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === sources) return;
	await step('building the application', () =>
		mustRun('npx', ['--no-install', 'vite', 'build', '--logLevel', 'warn'], { cwd: PROJECT })
	);
	writeFileSync(STAMP, sources);
}

function fingerprint() {
	const hash = createHash('sha256');
	const visit = (/** @type {string} */ relative) => {
		const full = path.join(PROJECT, relative);
		if (!existsSync(full)) return;
		try {
			for (const name of readdirSync(full).sort()) visit(path.join(relative, name));
		} catch {
			hash.update(relative).update(readFileSync(full));
		}
	};
	for (const one of SOURCES) visit(one);
	return hash.digest('hex');
}
