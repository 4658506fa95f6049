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
	/** Gives the application that runs another demo, as it was at first. */
	readonly renew: () => Promise<void>;
	readonly close: () => Promise<void>;
}

/** Sets the clock of a demo, lets a device in, and gives what opens its doors. */
async function furnish(db: Db): Promise<{ readonly cookie: string; readonly deviceKey: string }> {
	await setClock(db, { anchorRealMs: Date.now(), anchorBakeryMs: NOW_MS, rate: 1 });
	const deviceKey = randomBytes(32).toString('base64url');
	await db.transaction().execute((tx) =>
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
	return { cookie: await cookieOf(db), deviceKey };
}

export async function openHardBakery(
	/** What was done there before its clock is set and it is opened. */
	prepare: (db: Db) => Promise<void> = () => Promise.resolve()
): Promise<HardBakery> {
	const database = await testDatabase();
	await prepare(database.db);
	let keys = await furnish(database.db);
	const application = await startApplication({
		port: await freePort(0),
		databaseUrl: database.url,
		quiet: true
	});
	let ended = false;
	void application.ended.then(() => (ended = true));
	return {
		origin: application.origin,
		database,
		get cookie() {
			return keys.cookie;
		},
		get deviceKey() {
			return keys.deviceKey;
		},
		pid: application.pid,
		said: application.said,
		hasEnded: () => ended,
		renew: async () => {
			await database.renew();
			keys = await furnish(database.db);
		},
		close: async () => {
			await application.stop();
			await database.drop();
		}
	};
}
