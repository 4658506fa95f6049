import { test } from 'node:test';
import assert from 'node:assert/strict';
import { cpSync, mkdirSync, mkdtempSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import os from 'node:os';
import path from 'node:path';
import { PROJECT } from '../../scripts/parts/places.mjs';
import { run } from '../../scripts/parts/run.mjs';

const CONFIG = '.dependency-cruiser.cjs';
interface Rule {
	readonly name: string;
}
const { forbidden } = createRequire(import.meta.url)(path.join(PROJECT, CONFIG)) as {
	forbidden: Rule[];
};

/** For each rule: a file that breaks it, and what it wrongly imports. */
const BREAKERS: Record<string, readonly [file: string, imports: string]> = {
	'no-circle': ['src/lib/core/units/circle-a.ts', './circle-b.ts'],
	'core-imports-only-core': ['src/lib/core/units/reads-files.ts', 'node:fs'],
	'units-at-the-bottom': ['src/lib/core/units/knows-heat.ts', '../heat/index.ts'],
	'core-formula-keeps-to-itself': ['src/lib/core/formula/knows-heat.ts', '../heat/index.ts'],
	'core-heat-keeps-to-itself': ['src/lib/core/heat/knows-formula.ts', '../formula/index.ts'],
	'core-fermentation-keeps-to-itself': [
		'src/lib/core/fermentation/knows-heat.ts',
		'../heat/index.ts'
	],
	'core-baking-keeps-to-itself': ['src/lib/core/baking/knows-heat.ts', '../heat/index.ts'],
	'core-schedule-keeps-to-itself': [
		'src/lib/core/schedule/knows-formula.ts',
		'../formula/index.ts'
	],
	'core-learning-keeps-to-itself': ['src/lib/core/learning/knows-mixing.ts', '../mixing/index.ts'],
	'core-sheeting-keeps-to-itself': ['src/lib/core/sheeting/knows-heat.ts', '../heat/index.ts'],
	'core-production-keeps-to-itself': ['src/lib/core/production/knows-heat.ts', '../heat/index.ts'],
	'core-ripening-keeps-to-itself': ['src/lib/core/ripening/knows-heat.ts', '../heat/index.ts'],
	'core-mixing-keeps-to-itself': ['src/lib/core/mixing/knows-planning.ts', '../planning/index.ts'],
	'core-culture-keeps-to-itself': ['src/lib/core/culture/knows-heat.ts', '../heat/index.ts'],
	'core-bench-keeps-to-itself': ['src/lib/core/bench/knows-formula.ts', '../formula/index.ts'],
	'core-results-keeps-to-itself': ['src/lib/core/results/knows-formula.ts', '../formula/index.ts'],
	'core-tracing-keeps-to-itself': [
		'src/lib/core/tracing/knows-planning.ts',
		'../planning/index.ts'
	],
	'core-stock-keeps-to-itself': ['src/lib/core/stock/knows-formula.ts', '../formula/index.ts'],
	'core-weighing-keeps-to-itself': ['src/lib/core/weighing/knows-heat.ts', '../heat/index.ts'],
	'core-planning-keeps-to-itself': [
		'src/lib/core/planning/knows-learning.ts',
		'../learning/index.ts'
	],
	'core-folder-by-its-index': ['src/lib/core/mixing/back-door.ts', '../heat/ice.ts'],
	'contracts-lean-on-core': ['src/lib/contracts/knows-ui.ts', '../ui/thing.ts'],
	'commands-are-told-by-their-types': ['src/lib/contracts/commands.ts', '../server/secret.ts'],
	'devices-lean-on-core-and-contracts': ['src/lib/devices/peeks.ts', '../server/secret.ts'],
	'database-packages-in-server-db': ['src/lib/client/queries.ts', 'kysely'],
	'pg-only-in-the-client': ['src/lib/server/services/own-pool.ts', 'pg'],
	'server-is-entered-by-server-files': ['src/lib/client/peeks.ts', '../server/secret.ts'],
	'server-knows-no-interface': ['src/lib/server/services/draws.ts', '../../ui/thing.ts'],
	'features-never-import-one-another': ['src/lib/features/plan/borrows.ts', '../water/thing.ts'],
	'features-are-above': ['src/lib/ribbons/looks-up.ts', '../features/water/thing.ts'],
	'ui-has-no-trade': ['src/lib/ui/knows-dough.ts', '../core/formula/index.ts'],
	'wording-leans-on-core-and-contracts': ['src/lib/wording/knows-ui.ts', '../ui/thing.ts'],
	'ribbons-lean-on-ui-and-wording': ['src/lib/ribbons/knows-client.ts', '../client/thing.ts'],
	'sheets-lean-on-client-and-wording': ['src/lib/sheets/looks-up.ts', '../features/water/thing.ts'],
	'formats-lean-on-core': ['src/lib/formats/knows-ui.ts', '../ui/thing.ts'],
	'fields-lean-on-client-and-wording': ['src/lib/fields/looks-up.ts', '../features/water/thing.ts'],
	'core-bakery-keeps-to-itself': ['src/lib/core/bakery/knows-heat.ts', '../heat/index.ts'],
	'workers-import-core-contracts-formats': [
		'src/lib/workers/ships-server.worker.ts',
		'../server/secret.ts'
	],
	'workers-write-no-tables': ['src/lib/workers/writes-tables.worker.ts', 'csv-stringify/sync'],
	'no-unresolved': ['src/lib/client/lost.ts', './nowhere.ts']
};

/** What the breakers import. */
const TARGETS = [
	'src/lib/core/heat/index.ts',
	'src/lib/core/heat/ice.ts',
	'src/lib/core/formula/index.ts',
	'src/lib/core/learning/index.ts',
	'src/lib/core/mixing/index.ts',
	'src/lib/core/planning/index.ts',
	'src/lib/ui/thing.ts',
	'src/lib/client/thing.ts',
	'src/lib/server/secret.ts',
	'src/lib/features/water/thing.ts'
];

test('every direction rule has a breaker', () => {
	assert.deepEqual(forbidden.map((rule) => rule.name).sort(), Object.keys(BREAKERS).sort());
});

test('every direction rule is seen to catch what breaks it, in Svelte files too', async () => {
	const tree = mkdtempSync(path.join(os.tmpdir(), 'jovet-rules-'));
	try {
		const write = (file: string, text: string) => {
			mkdirSync(path.join(tree, path.dirname(file)), { recursive: true });
			writeFileSync(path.join(tree, file), text);
		};
		for (const file of TARGETS) write(file, 'export const thing = 1;\n');
		for (const [file, imports] of Object.values(BREAKERS)) write(file, `import '${imports}';\n`);
		write('src/lib/core/units/circle-b.ts', "import './circle-a.ts';\n");
		write(
			'src/lib/features/plan/Borrows.svelte',
			'<script lang="ts">\n\timport \'../water/thing.ts\';\n</script>\n'
		);
		write(
			'src/lib/features/plan/Worker.svelte',
			'<script lang="ts">\n\timport \'../../server/secret.ts?worker\';\n</script>\n'
		);
		for (const file of [CONFIG, 'tsconfig.depcruise.json', 'package.json'])
			cpSync(path.join(PROJECT, file), path.join(tree, file));
		symlinkSync(path.join(PROJECT, 'node_modules'), path.join(tree, 'node_modules'));
		const { output } = await run(
			'npx',
			['--no-install', 'depcruise', 'src', '--config', CONFIG, '--output-type', 'json'],
			{ cwd: tree }
		);
		const { summary } = JSON.parse(output.slice(output.indexOf('{'))) as {
			summary: { violations: { from: string; rule: { name: string } }[] };
		};
		const caught = new Set(
			summary.violations.map((violation) => `${violation.rule.name} ${violation.from}`)
		);
		for (const [rule, [file]] of Object.entries(BREAKERS))
			assert.ok(caught.has(`${rule} ${file}`), `${rule} did not catch ${file}`);
		assert.ok(caught.has('features-never-import-one-another src/lib/features/plan/Borrows.svelte'));
		assert.ok(caught.has('server-is-entered-by-server-files src/lib/features/plan/Worker.svelte'));
	} finally {
		rmSync(tree, { recursive: true, force: true });
	}
});
