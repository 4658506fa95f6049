import { randomBytes, randomUUID } from 'node:crypto';
import { startApplication } from '../../scripts/parts/application.mjs';
import { freePort } from '../../scripts/parts/ports.mjs';
import { keyFingerprint } from '../../src/lib/server/auth/device.ts';
import { setClock } from '../../src/lib/server/db/bakery.ts';
import type { Db } from '../../src/lib/server/db/client.ts';
import { putDevice } from '../../src/lib/server/db/devices.ts';
import { cookieOf } from '../integration/signed-in.ts';
import { NOW_MS, testDatabase, type TestDatabase } from '../integration/test-database.ts';

/** The built application on a demo of its own, with a device let in. */
export interface HardBakery {
	readonly origin: string;
	readonly database: TestDatabase;
	/** The head baker's session. */
	readonly cookie: string;
	readonly deviceKey: string;
	readonly pid: number;
	readonly said: () => string;
	readonly hasEnded: () => boolean;
	readonly close: () => Promise<void>;
}

export async function openHardBakery(
	/** What was done there before its clock is set and it is opened. */
	prepare: (db: Db) => Promise<void> = () => Promise.resolve()
): Promise<HardBakery> {
	const database = await testDatabase();
	await prepare(database.db);
	await setClock(database.db, { anchorRealMs: Date.now(), anchorBakeryMs: NOW_MS, rate: 1 });
	const deviceKey = randomBytes(32).toString('base64url');
	await database.db.transaction().execute((tx) =>
		putDevice(tx, {
			id: randomUUID(),
			name: 'Fuzz device',
			keySha256: keyFingerprint(deviceKey),
			commandId: null,
			sensors: [
				{
					id: randomUUID(),
					name: 'Fuzz probe',
					kind: 'room-probe',
					placeId: null,
					deckId: null,
					reportEverySeconds: 60
				}
			]
		})
	);
	const application = await startApplication({
		port: await freePort(0),
		databaseUrl: database.url,
		quiet: true
	});
	const cookie = await cookieOf(database.db);
	let ended = false;
	void application.ended.then(() => (ended = true));
	return {
		origin: application.origin,
		database,
		cookie,
		deviceKey,
		pid: application.pid,
		said: application.said,
		hasEnded: () => ended,
		close: async () => {
			await application.stop();
			await database.drop();
		}
	};
}
