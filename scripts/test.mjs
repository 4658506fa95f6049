// npm test: installs what is missing, then checks and tests everything.
//
//   npm test -- unit integration                  runs only the named parts: checks, unit, integration, journey, hard
//   npm test -- tests/integration/orders.test.ts  runs only the named test files
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { buildApplication, prepareTypes } from './parts/build.mjs';
import {
	findChromium,
	installChromium,
	installPackages,
	installPostgres
} from './parts/install.mjs';
import { takeLock } from './parts/lock.mjs';
import { CACHE, DATA, PROJECT } from './parts/places.mjs';
import { clusterFolder, startCluster } from './parts/postgres.mjs';
import { Plain, reportAndExit, say, step } from './parts/progress.mjs';
import { mustRun } from './parts/run.mjs';

/** Every test file below a folder. @param {string} folder */
function testFiles(folder) {
	const full = path.join(PROJECT, folder);
	if (!existsSync(full)) return [];
	return readdirSync(full, { recursive: true, encoding: 'utf8' })
		.filter((name) => name.endsWith('.test.ts'))
		.map((name) => path.join(folder, name))
		.sort();
}

const PARTS = ['checks', 'unit', 'integration', 'journey', 'hard'];

let passed = 0;
let failed = 0;

/**
 * Runs test files with Node's own runner; gives how many passed and failed, and what went wrong. Files that share most of what
 * they read run in one process; a file that keeps something of its own open, a browser, gets a process.
 * @param {string} what
 * @param {string[]} files
 * @param {Record<string, string>} env
 * @param {'together' | 'alone'} how
 */
async function testsOf(what, files, env, how) {
	const args = ['--import', 'tsx', '--test-reporter=tap'];
	if (how === 'together') args.push('tests/together.mjs');
	else args.push('--test', '--test-concurrency=1');
	const { code, output } = await capture(process.execPath, [...args, ...files], {
		...process.env,
		...env
	});
	const count = (/** @type {string} */ word) =>
		Number(new RegExp(`^# ${word} (\\d+)$`, 'm').exec(output)?.[1] ?? 0);
	if (count('skipped') > 0) say(`  ${count('skipped')} skipped, each says why in its name`);
	const problem =
		code !== 0
			? failures(output)
			: count('tests') === 0
				? `The ${what} tests ran no test:\n${output.slice(-4000)}`
				: null;
	return { passed: count('pass'), failed: count('fail') + count('cancelled'), problem };
}

/** @param {string} what @param {string[]} files */
const titleOf = (what, files) =>
	`${what} tests (${files.length === 1 ? path.basename(files[0] ?? '', '.test.ts') : `${files.length} files`})`;

/** @param {Awaited<ReturnType<typeof testsOf>>} result */
function tally(result) {
	passed += result.passed;
	failed += result.failed;
	if (result.problem !== null) throw new Plain(result.problem);
}

/** @param {string} what @param {string[]} files @param {Record<string, string>} env @param {'together' | 'alone'} how */
async function runTests(what, files, env, how) {
	await step(titleOf(what, files), async () => tally(await testsOf(what, files, env, how)));
}

/** So many journeys may be run a second time: more than that is no chance. */
const MOST_SECOND_RUNS = 2;

/**
 * Journeys that failed once. A real browser, PostgreSQL and two journeys at a time on two cores: what a journey meets there once in
 * hundreds of runs is mostly a fault all the same, of the test or of the application, but no reason to throw away a day's work unseen.
 * @type {{ file: string, first: Awaited<ReturnType<typeof testsOf>> }[]}
 */
const stumbled = [];

/** @param {string} file @param {Record<string, string>} env */
async function runJourney(file, env) {
	const first = await step(
		titleOf('journey', [file]),
		() => testsOf('journey', [file], env, 'alone'),
		isSound
	);
	if (first.problem === null) tally(first);
	else stumbled.push({ file, first });
}

/** @param {Awaited<ReturnType<typeof testsOf>>} result */
function isSound({ problem }) {
	return problem === null;
}

/**
 * Runs again by themselves what stumbled, when nothing else runs. What passes then is told with what went wrong at first.
 * @param {Record<string, string>} env
 */
async function runStumbledAgain(env) {
	/** @type {unknown[]} */
	const wrong = [];
	for (const { file, first } of stumbled) {
		say(`\n${file}, at its first run:\n${first.problem}`);
		const second =
			stumbled.length > MOST_SECOND_RUNS
				? first
				: await step(`once more: ${file}`, () => testsOf('journey', [file], env, 'alone'), isSound);
		try {
			tally(second);
			say(`UNSTEADY: ${file} failed beside others and passed by itself. Find out why.`);
		} catch (reason) {
			wrong.push(reason);
		}
	}
	return wrong;
}

/** The failing part of a TAP report. @param {string} output */
function failures(output) {
	const blocks = output
		.split(/^(?=\s*(?:not )?ok \d+ )/m)
		.filter((block) => /^\s*not ok /.test(block));
	return blocks.map((block) => block.slice(0, 2500)).join('\n') || output.slice(-6000);
}

/** A test that never ends is a failure with a name, not a night of waiting. */
const SILENCE_MS = 15 * 60_000;

/**
 * @param {string} program
 * @param {string[]} args
 * @param {NodeJS.ProcessEnv} env
 * @returns {Promise<{ code: number, output: string }>}
 */
function capture(program, args, env) {
	return new Promise((resolve, reject) => {
		const child = spawn(program, args, { cwd: PROJECT, env, stdio: ['ignore', 'pipe', 'pipe'] });
		let output = '';
		const silent = setTimeout(() => {
			output += `\nnot ok 0 - nothing was heard of these tests for ${SILENCE_MS / 60_000} minutes; the last lines:\n${output.slice(-1500)}`;
			child.kill('SIGKILL');
		}, SILENCE_MS);
		const take = (/** @type {Buffer} */ chunk) => {
			output += chunk.toString();
			silent.refresh();
		};
		child.stdout.on('data', take);
		child.stderr.on('data', take);
		child.on('error', reject);
		child.on('close', (code) => {
			clearTimeout(silent);
			resolve({ code: code ?? 1, output });
		});
	});
}

/**
 * Does jobs by two hands, as the machine has at least two cores: each takes the next when it is done with one.
 * What goes wrong in one does not keep the others from being done.
 * @param {(() => Promise<unknown>)[]} jobs
 * @returns {Promise<unknown[]>} what went wrong
 */
async function byTwoHands(jobs) {
	const waiting = [...jobs];
	/** @type {unknown[]} */
	const wrong = [];
	const hand = async () => {
		for (let job = waiting.shift(); job; job = waiting.shift())
			await job().catch((reason) => wrong.push(reason));
	};
	await Promise.all([hand(), hand()]);
	return wrong;
}

/**
 * The same job, whoever asks for it first; it is done once, and what goes wrong in it is told once.
 * @param {() => Promise<unknown>} job
 * @returns {() => Promise<unknown>}
 */
function once(job) {
	/** @type {Promise<unknown> | null} */
	let done = null;
	return () => (done ??= job());
}

/** @param {string} what @param {string} tool @param {string[]} args */
function check(what, tool, args) {
	return step(what, () => mustRun('npx', ['--no-install', tool, ...args], { cwd: PROJECT }));
}

/**
 * Types of a part, by the native compiler: two packages bring a `tsc`, so it is called by its own path.
 * @param {string} what @param {string} config
 */
function checkTypes(what, config) {
	const compiler = path.join(PROJECT, 'node_modules/@typescript/native/bin/tsc');
	return step(what, () =>
		mustRun(process.execPath, [compiler, '-p', config, '--noEmit'], { cwd: PROJECT })
	);
}

/** Rules that want types, over what svelte-check left of each component; none of them left is a failure, not a success. */
async function checkComponents() {
	const left = '.svelte-kit/.svelte-check/svelte/src';
	const components = readdirSync(path.join(PROJECT, left), { recursive: true, encoding: 'utf8' })
		.filter((name) => path.basename(name).startsWith('++') && name.endsWith('.svelte.ts'))
		.map((name) => path.join(left, name));
	if (components.length === 0) throw new Plain(`svelte-check left no component in ${left}.`);
	await check('lint of components by their types', 'oxlint', [
		'--config',
		'oxlint.components.json',
		...components
	]);
}

function checkLint() {
	return check('lint', 'eslint', [
		'.',
		'--cache',
		'--cache-strategy',
		'content',
		'--cache-location',
		path.join(CACHE, 'eslint/')
	]);
}

/** Everything else that is read and not run; one that fails does not hide what the next would say. */
async function checkTheRest() {
	const checks = [
		() =>
			check('formatting', 'prettier', [
				'--check',
				'.',
				'--log-level',
				'warn',
				'--cache',
				'--cache-strategy',
				'content'
			]),
		() => check('lint by types', 'oxlint', ['.']),
		() => checkTypes('types of the core alone', 'tsconfig.core.json'),
		() => checkTypes('types of tests and scripts', 'tsconfig.tests.json'),
		() => checkTypes('types of the service worker', 'src/service-worker/tsconfig.json'),
		() =>
			check('types of the interface', 'svelte-check', [
				'--tsconfig',
				'tsconfig.json',
				'--fail-on-warnings',
				'--tsgo'
			]),
		checkComponents,
		() =>
			check('directions', 'depcruise', [
				'src',
				'--config',
				'.dependency-cruiser.cjs',
				'--output-type',
				'err'
			]),
		() => check('unused files and exports', 'knip', [])
	];
	/** @type {string[]} */
	const wrong = [];
	for (const one of checks)
		await one().catch((reason) =>
			wrong.push(reason instanceof Error ? reason.message : String(reason))
		);
	if (wrong.length > 0) throw new Plain(wrong.join('\n\n'));
}

/** Test files by how long they are, which is about how long they take. @param {string[]} files */
function longestFirst(files) {
	const size = (/** @type {string} */ file) => statSync(path.join(PROJECT, file)).size;
	return files.toSorted((a, b) => size(b) - size(a));
}

/**
 * What was asked for: parts by name, and test files, each of which wants its part's surroundings.
 * @param {string[]} asked
 */
function readArguments(asked) {
	const parts = asked.filter((one) => PARTS.includes(one));
	const files = asked
		.filter((one) => !PARTS.includes(one))
		.map((one) => path.relative(PROJECT, path.resolve(one)));
	for (const file of files)
		if (!file.endsWith('.test.ts') || !existsSync(path.join(PROJECT, file)))
			throw new Plain(
				`"${file}" is neither a part (${PARTS.join(', ')}) nor a test file of this project (*.test.ts).`
			);
	return { parts, files };
}

async function main() {
	const { parts, files } = readArguments(process.argv.slice(2));
	const wanted = (/** @type {string} */ part) =>
		parts.includes(part) || (parts.length === 0 && files.length === 0);
	/** The files of a part that are to run; a part without any is a failure, not a success. @param {string} part @param {string[]} folders */
	const filesOf = (part, ...folders) => {
		const all = folders.flatMap(testFiles);
		if (all.length === 0) throw new Plain(`There are no ${part} tests.`);
		return wanted(part) ? all : all.filter((file) => files.includes(file));
	};
	const unit = filesOf('unit', 'src');
	const integration = filesOf('integration', 'tests/integration', 'tests/rules');
	const journeys = filesOf('journey', 'tests/e2e');
	const hard = filesOf('hard', 'tests/hard');
	const started = performance.now();
	const unlock = takeLock('test', 'The tests are already running on this data folder');
	/** @type {(() => Promise<void>)[]} */
	const stops = [async () => unlock()];
	const stopAll = async () => {
		for (const stop of stops.splice(0).reverse()) await stop();
	};
	for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM']))
		process.on(signal, () => void stopAll().then(() => process.exit(130)));
	try {
		await installPackages();
		await installPostgres();
		if (journeys.length > 0) await installChromium();
		await prepareTypes();
		const folder = await clusterFolder(path.join(DATA, 'test-postgres'));
		const cluster = await step('starting PostgreSQL for the tests', async () => {
			// Tests start from nothing: what an earlier run left is thrown away.
			const old = existsSync(folder)
				? await startCluster({ folder, forTests: true, port: 0 }).catch(() => null)
				: null;
			await old?.stop();
			rmSync(folder, { recursive: true, force: true });
			return startCluster({ folder, forTests: true, port: 0 });
		});
		stops.push(cluster.stop);
		const failuresFolder = path.join(DATA, 'test-failures');
		rmSync(failuresFolder, { recursive: true, force: true });
		mkdirSync(failuresFolder, { recursive: true });
		const env = {
			JOVET_TEST_DATABASE: cluster.url,
			JOVET_TEST_FAILURES: failuresFolder,
			JOVET_CHROMIUM: findChromium() ?? ''
		};
		const wantsBuild =
			journeys.length + hard.length > 0 ||
			integration.some((file) => file.startsWith('tests/rules'));
		// One hand builds while the other tests what needs no build; what needs it waits for it.
		process.env.JOVET_PRECOMPRESS = 'no';
		const built = wantsBuild ? once(buildApplication) : async () => {};
		const onBuilt = (/** @type {() => Promise<unknown>} */ job) => () => built().then(job);
		// The longest first, so that neither hand is left with one at the end.
		/** @type {(() => Promise<unknown>)[]} */
		const jobs = [];
		if (wantsBuild) jobs.push(built);
		if (unit.length > 0) jobs.push(() => runTests('unit', unit, env, 'together'));
		if (wanted('checks')) jobs.push(checkLint, checkTheRest);
		if (integration.length > 0)
			jobs.push(onBuilt(() => runTests('integration', integration, env, 'together')));
		for (const file of longestFirst(hard))
			jobs.push(onBuilt(() => runTests('hard', [file], env, 'alone')));
		// A night that goes by the clock waits more than it works: it goes on beside the rest.
		const byTheClock = journeys.filter((file) => file.endsWith('-at-speed.test.ts'));
		for (const file of longestFirst(journeys.filter((one) => !byTheClock.includes(one))))
			jobs.push(onBuilt(() => runJourney(file, env)));
		const beside = byTheClock.map((file) => onBuilt(() => runJourney(file, env))());
		const [broken, besides] = await Promise.all([byTwoHands(jobs), Promise.allSettled(beside)]);
		broken.push(...besides.flatMap((one) => (one.status === 'rejected' ? [one.reason] : [])));
		broken.push(...(await runStumbledAgain(env)));
		const minutes = ((performance.now() - started) / 60_000).toFixed(1);
		for (const reason of new Set(broken)) reportAndExit(reason);
		if (failed > 0 || broken.length > 0) process.exitCode = 1;
		say(`\n${broken.length === 0 ? 'Everything passed' : 'Something failed'}, in ${minutes} min.`);
		say(`${passed} passed, ${Math.max(failed, broken.length > 0 && failed === 0 ? 1 : 0)} failed`);
	} finally {
		await stopAll();
	}
}

main().catch(reportAndExit);
