import { test } from 'node:test';
import assert from 'node:assert/strict';
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { chmodSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { startApplication } from '../../scripts/parts/application.mjs';
import { freePort } from '../../scripts/parts/ports.mjs';
import { startCluster } from '../../scripts/parts/postgres.mjs';
import type { CommandOutcome } from '../../src/lib/contracts/commands.ts';
import { openDatabase } from '../../src/lib/server/db/client.ts';
import { demoPeople } from '../../src/lib/server/demo/demo-people.ts';
import { cookieOf } from '../integration/signed-in.ts';
import { TOMORROW } from '../integration/test-database.ts';
import { askFrom } from './ask-from.ts';

const SIZE_MB = 320;
/** So little is left that the next table that grows has no room. */
const LEFT_BYTES = 64 * 1024;

/** A disk of a few hundred megabytes, where this machine lets us have one. */
const home = mkdtempSync(path.join(os.tmpdir(), 'jovet-small-disk-'));
chmodSync(home, 0o755);
const mounted =
	spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${SIZE_MB}m,mode=755`, 'tmpfs', home]).status ===
	0;

test(
	'a disk that fills up is told, nothing that was acknowledged is lost, and with room again all goes on',
	{ skip: mounted ? false : 'a small disk cannot be mounted here' },
	async (t) => {
		const cluster = await startCluster({
			folder: path.join(home, 'pg'),
			forTests: false,
			port: 0
		});
		const databaseUrl = `${cluster.url}/postgres`;
		const application = await startApplication({
			port: await freePort(0),
			databaseUrl,
			env: { JOVET_DEMO: 'saltmarrow' },
			quiet: true
		});
		const { origin } = application;
		const db = openDatabase(databaseUrl, () => undefined);
		const ballast = path.join(home, 'ballast');
		try {
			const cookie = await cookieOf(db);
			const acknowledged: string[] = [];
			const type = async (celsius: number) => {
				const id = randomUUID();
				const { status, text } = await askFrom(`${origin}/commands`, {
					method: 'POST',
					headers: { 'content-type': 'application/json', origin, cookie },
					body: JSON.stringify({
						kind: 'take-reading',
						id,
						occurredAtMs: Date.now(),
						quantity: 'room',
						preparationId: null,
						celsius,
						instrument: 'typed',
						correctsId: null
					})
				});
				const outcome = JSON.parse(text) as CommandOutcome;
				if (outcome.outcome === 'done') acknowledged.push(id);
				return { status, outcome };
			};
			assert.equal((await type(21)).outcome.outcome, 'done');
			const { bavail, bsize } = statfsSync(home);
			writeFileSync(ballast, Buffer.alloc(bavail * bsize - LEFT_BYTES));
			let refused = null;
			for (let n = 0; n < 3000 && !refused; n += 1) {
				const { status, outcome } = await type(15 + (n % 20));
				if (outcome.outcome === 'refused') refused = { status, refusal: outcome.refusal };
			}
			assert.deepEqual(refused, { status: 503, refusal: { kind: 'storage', is: 'full' } });
			// What is there can be read; a form says it too.
			const page = await askFrom(`${origin}/bake/${TOMORROW}/bakery`, { headers: { cookie } });
			assert.equal(page.status, 200);
			const { password } = demoPeople();
			const form = await askFrom(`${origin}/sign-in`, {
				method: 'POST',
				headers: {
					accept: 'text/html',
					origin,
					'content-type': 'application/x-www-form-urlencoded'
				},
				body: `name=Ilo+Venn&password=${encodeURIComponent(password)}`
			});
			assert.ok(form.status === 303 || /is full/.test(form.text), `${form.status}`);
			t.diagnostic(`${acknowledged.length} were acknowledged before it was full`);

			rmSync(ballast);
			assert.equal((await type(22)).outcome.outcome, 'done', 'it goes on by itself');
			const stored = await db.selectFrom('reading').select('id').execute();
			const ids = new Set(stored.map(({ id }) => id));
			for (const id of acknowledged) assert.ok(ids.has(id), `${id} is stored`);
		} finally {
			rmSync(ballast, { force: true });
			await db.destroy();
			await application.stop();
			await cluster.stop();
			spawnSync('umount', [home]);
			rmSync(home, { recursive: true, force: true });
		}
	}
);
