import { test } from 'node:test';
import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { COMMANDS } from '../../src/lib/server/commands/registry.ts';
import { NOW_MS } from '../integration/test-database.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { cookieOf } from '../integration/signed-in.ts';
import { corpusOf, poolOf } from './corpus.ts';
import { fuzz } from './fuzz.ts';
import { openHardBakery } from './hard-bakery.ts';
import { routesOfApplication } from './routes.ts';
import { workedNight } from './told-at-the-bench.ts';

/** More by hand: JOVET_FUZZ_REQUESTS=100000 JOVET_FUZZ_SEED=7 npm test -- tests/hard/fuzz.test.ts */
const REQUESTS = Number(process.env.JOVET_FUZZ_REQUESTS ?? 5000);
const SEED = Number(process.env.JOVET_FUZZ_SEED ?? 20_261_124);

/** What a request asks for must not fill the machine. */
const MOST_MEGABYTES = 1000;

function peakMegabytes(pid: number): number {
	const kilobytes = /VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1];
	return Number(kilobytes ?? Infinity) / 1024;
}

test(`${REQUESTS} requests of every kind: none brings it down, holds it up, or is only refused by the database`, async (t) => {
	const bakery = await openHardBakery(workedNight);
	try {
		const routes = routesOfApplication();
		const result = await fuzz(
			{
				origin: bakery.origin,
				cookie: bakery.cookie,
				otherCookies: ['', await cookieOf(bakery.database.db, demoId('person', 'Wenna Tull'))],
				deviceKey: bakery.deviceKey,
				pool: await poolOf(bakery.database.db, NOW_MS),
				corpus: await corpusOf(bakery.database.db),
				routes
			},
			SEED,
			REQUESTS
		);
		t.diagnostic(
			`slowest ${Math.round(result.slowestMs)} ms; answers ${JSON.stringify([...result.statuses].sort(([a], [b]) => a - b))}`
		);
		t.diagnostic(`carried out: ${JSON.stringify([...result.done])}`);
		if (result.findings.length > 0) t.diagnostic(bakery.said());
		assert.deepEqual(result.findings, []);
		assert.equal(bakery.hasEnded(), false, bakery.said());
		const peak = peakMegabytes(bakery.pid);
		t.diagnostic(`resident at most ${Math.round(peak)} MB`);
		assert.ok(peak < MOST_MEGABYTES, `${peak} MB`);
		// A fuzzer that is let in nowhere finds nothing: most commands must have been carried out at least once.
		const reached = COMMANDS.filter((command) => result.done.has(command.kind));
		assert.ok(
			reached.length > COMMANDS.length * 0.8,
			`only ${reached.map((command) => command.kind).join(', ')}`
		);
		assert.doesNotMatch(bakery.said(), /\n\s+at .*\(/, 'no stack stands in the log');
	} finally {
		await bakery.close();
	}
});
