// npm run bench: figures of speed as ratios, side by side in one run.
import { rmSync } from 'node:fs';
import path from 'node:path';
import { prepareTypes } from './parts/build.mjs';
import { installPackages, installPostgres } from './parts/install.mjs';
import { DATA, PROJECT } from './parts/places.mjs';
import { clusterFolder, startCluster } from './parts/postgres.mjs';
import { reportAndExit, step } from './parts/progress.mjs';
import { mustRun } from './parts/run.mjs';

async function main() {
	await installPackages();
	await installPostgres();
	await prepareTypes();
	const folder = await clusterFolder(path.join(DATA, 'bench-postgres'));
	// Durable like real data: what is measured is what a bakery would have.
	const cluster = await step('starting PostgreSQL for the measurements', () =>
		startCluster({ folder, forTests: false, port: 0 })
	);
	try {
		await mustRun(process.execPath, ['--import', 'tsx', 'bench/bench.ts'], {
			cwd: PROJECT,
			env: { ...process.env, JOVET_TEST_DATABASE: cluster.url },
			show: true
		});
	} finally {
		await cluster.stop();
		rmSync(folder, { recursive: true, force: true });
	}
}

main().catch(reportAndExit);
