import { test } from 'node:test';
import assert from 'node:assert/strict';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { startApplication } from '../../scripts/parts/application.mjs';
import { keepRunning } from '../../scripts/parts/keep-running.mjs';
import { freePort } from '../../scripts/parts/ports.mjs';
import { runningServer, startCluster } from '../../scripts/parts/postgres.mjs';
import { openDatabase } from '../../src/lib/server/db/client.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { Hand } from './hand.ts';
import { cookieOf } from '../integration/signed-in.ts';

/** More by hand: JOVET_KILL_ROUNDS=200 npm test -- tests/hard/kills.test.ts */
const ROUNDS = Number(process.env.JOVET_KILL_ROUNDS ?? 20);
const PAUSES = { firstMs: 50, longestMs: 1000, steadyMs: 2000 };
const DROPS = ['Ferry', 'Shop and cafés', 'School'].map((name) => demoId('drop', name));

test(`${ROUNDS} kills of application and database in turn lose nothing that was acknowledged`, async (t) => {
	const home = mkdtempSync(path.join(os.tmpdir(), 'jovet-kills-'));
	chmodSync(home, 0o755);
	const folder = path.join(home, 'pg');
	let databasePort = 0;
	const database = await keepRunning(
		'PostgreSQL',
		async () => {
			const cluster = await startCluster({ folder, forTests: false, port: databasePort });
			databasePort = cluster.port;
			return cluster;
		},
		{ pauses: PAUSES }
	);
	const port = await freePort(0);
	let ends = 0;
	let said = '';
	const application = await keepRunning(
		'Jovet',
		async () => {
			const started = await startApplication({
				port,
				databaseUrl: `${database.now().url}/postgres`,
				env: { JOVET_DEMO: 'saltmarrow' },
				quiet: true
			});
			void started.ended.then((how) => {
				ends += 1;
				said = `${how}: ${started.said()}`;
			});
			return started;
		},
		{ pauses: PAUSES }
	);
	const { origin } = application.now();
	const givingUp = new AbortController();
	const db = openDatabase(`${database.now().url}/postgres`, () => undefined);
	const cookie = await cookieOf(db);
	const hands = DROPS.map((dropId) => new Hand(origin, dropId, cookie, givingUp.signal));
	try {
		for (const hand of hands) await hand.begin(db);
		let over = false;
		const typing = Promise.all(hands.map((hand) => hand.type(() => over)));
		let killed = 0;
		for (let round = 1; round <= ROUNDS; round += 1) {
			await Promise.race([Promise.all(hands.map((hand) => hand.hears(3))), typing]);
			if (round % 2 === 0) {
				killed += 1;
				process.kill(application.now().pid, 'SIGKILL');
			} else if (round % 4 === 1) {
				const running = runningServer(path.join(folder, 'data'));
				if (running) process.kill(running.pid, 'SIGKILL');
			} else await database.now().stop();
		}
		await Promise.race([Promise.all(hands.map((hand) => hand.hears(3))), typing]);
		over = true;
		await typing;
		assert.equal(ends, killed, `the application ended by itself: ${said}`);

		for (const hand of hands) await hand.assertNothingLost(db);
		t.diagnostic(
			`${hands.reduce((sum, hand) => sum + hand.acknowledged.length, 0)} commands were acknowledged`
		);
	} finally {
		givingUp.abort();
		await db.destroy();
		await application.stop();
		await database.stop();
		rmSync(home, { recursive: true, force: true });
	}
});
