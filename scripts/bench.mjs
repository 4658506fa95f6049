// npm run bench: figures of speed as ratios, side by side in one run, then memory while the bakery is in use, and what a hundred
// tablets cost.
//
//   npm run bench -- soak       only the memory; JOVET_SOAK_MINUTES=10 for longer
//   npm run bench -- schedule   only the scheduling engine
//   npm run bench -- tablets    only the tablets; JOVET_TABLETS_MINUTES=10 for longer
//   npm run bench -- day        a day and night at sixty times its speed, which takes 24 minutes: only where it is asked for
import { rmSync } from 'node:fs';
import path from 'node:path';
import { buildApplication, prepareTypes } from './parts/build.mjs';
import {
	findChromium,
	installChromium,
	installPackages,
	installPostgres
} from './parts/install.mjs';
import { readNames } from './parts/options.mjs';
import { DATA, PROJECT } from './parts/places.mjs';
import { clusterFolder, startCluster } from './parts/postgres.mjs';
import { reportAndExit, step } from './parts/progress.mjs';
import { mustRun } from './parts/run.mjs';

const FIGURES = ['bench', 'schedule', 'soak', 'tablets'];
const WITH_THE_APPLICATION = ['soak', 'tablets', 'day'];

async function main() {
	const asked = process.argv.slice(2);
	const files = readNames([...FIGURES, 'day'], asked.length === 0 ? FIGURES : asked, 'figure');
	await installPackages();
	await installPostgres();
	await prepareTypes();
	if (files.some((file) => WITH_THE_APPLICATION.includes(file))) await buildApplication();
	if (files.includes('schedule')) await installChromium();
	const folder = await clusterFolder(path.join(DATA, 'bench-postgres'));
	// Durable like real data: what is measured is what a bakery would have.
	const cluster = await step('starting PostgreSQL for the measurements', () =>
		startCluster({ folder, forTests: false, port: 0 })
	);
	try {
		for (const file of files)
			await mustRun(process.execPath, ['--import', 'tsx', `bench/${file}.ts`], {
				cwd: PROJECT,
				env: {
					...process.env,
					JOVET_TEST_DATABASE: cluster.url,
					JOVET_CHROMIUM: findChromium() ?? ''
				},
				show: true
			});
	} finally {
		await cluster.stop();
		rmSync(folder, { recursive: true, force: true });
	}
}

main().catch(reportAndExit);
