// Installs what is missing: npm packages by the lockfile, PostgreSQL and Chromium from Debian's packages.
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { PROJECT } from './places.mjs';
import { Plain, step } from './progress.mjs';
import { isOnPath, mustRun, run } from './run.mjs';

const STAMP = path.join(PROJECT, 'node_modules', '.jovet-lockfile');

/** Installs the npm packages unless those of this very lockfile are there. */
export async function installPackages() {
	const lockfile = createHash('sha256')
		.update(readFileSync(path.join(PROJECT, 'package-lock.json')))
		.digest('hex');
	if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === lockfile) return;
	await step('installing npm packages by the lockfile', () =>
		mustRun('npm', ['ci', '--no-audit', '--no-fund'], { cwd: PROJECT })
	);
	writeFileSync(STAMP, lockfile);
}

/** The folder of PostgreSQL's programs, of a version or else the newest, or null. @param {string | null} [wanted] */
export function findPostgres(wanted = null) {
	const root = '/usr/lib/postgresql';
	const found = existsSync(root) ? readdirSync(root) : [];
	const versions = wanted === null ? found : found.filter((version) => version === wanted);
	for (const version of versions.sort((a, b) => Number(b) - Number(a))) {
		const folder = path.join(root, version, 'bin');
		if (existsSync(path.join(folder, 'initdb')) && Number(version) >= 15) return folder;
	}
	return null;
}

/** The browser of the tests, or null. */
export function findChromium() {
	const named = process.env.JOVET_CHROMIUM;
	if (named) return named;
	return ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find((one) => existsSync(one)) ?? null;
}

export async function installPostgres() {
	if (findPostgres()) return;
	await installDebianPackage('postgresql', 'PostgreSQL 15 or newer');
	if (!findPostgres())
		throw new Plain(
			'PostgreSQL was installed, but /usr/lib/postgresql has no version 15 or newer.'
		);
}

export async function installChromium() {
	if (findChromium()) return;
	await installDebianPackage('chromium', 'Chromium, for the tests');
	if (!findChromium())
		throw new Plain('Chromium was installed, but /usr/bin/chromium is not there.');
}

/**
 * @param {string} name
 * @param {string} what
 */
async function installDebianPackage(name, what) {
	const prefix = await rootPrefix();
	if (!prefix || !(await isOnPath('apt-get')))
		throw new Plain(
			`${what} is missing, and this command may not install it.\n` +
				`Install Debian's package "${name}" and start again:\n\n  sudo apt-get install ${name}\n`
		);
	const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
	const apt = (/** @type {string[]} */ ...args) => {
		const [program, ...rest] = [...prefix, 'apt-get', ...args];
		return mustRun(/** @type {string} */ (program), rest, { env });
	};
	await step(`installing ${what} (Debian's package ${name})`, async () => {
		await apt('update', '-qq');
		await apt('install', '-y', '-qq', '--no-install-recommends', name);
	});
}

/** What to put before a command that needs root: nothing, sudo without a question, or null. */
async function rootPrefix() {
	if (process.getuid?.() === 0) return [];
	if ((await isOnPath('sudo')) && (await run('sudo', ['-n', 'true'])).code === 0)
		return ['sudo', '-n'];
	return null;
}
