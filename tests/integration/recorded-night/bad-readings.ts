import assert from 'node:assert/strict';
import { keyFingerprint } from '../../../src/lib/server/auth/device.ts';
import type { Db } from '../../../src/lib/server/db/client.ts';
import { findDeviceByKey } from '../../../src/lib/server/db/devices.ts';
import { takeDeviceReadings } from '../../../src/lib/server/services/take-device-readings.ts';
import { NOW_MS } from '../test-database.ts';
import { nightId } from './night.ts';

/** What the device's other readings were told. */
export async function badReadings(db: Db, key: string): Promise<unknown> {
	const device = await findDeviceByKey(db, keyFingerprint(key));
	assert.ok(device, 'the probes are let in');
	const good = {
		id: nightId('good reading'),
		sensor: 'core-probe',
		celsius: 25,
		measuredAt: new Date(NOW_MS + 40 * 60_000).toISOString()
	};
	const readings = [
		good,
		null,
		{ ...good, celsius: 900 },
		{ ...good, id: nightId('reading of a cellar'), sensor: 'cellar' },
		{ ...good, id: nightId('reading of tomorrow'), measuredAt: '2026-11-25T14:00:00Z' },
		{ ...good, id: nightId('reading of the past'), measuredAt: '1999-12-31T23:59:00Z' }
	];
	const answer = await takeDeviceReadings(db, device, readings, NOW_MS + 40 * 60_000);
	return [answer, await takeDeviceReadings(db, device, [good], NOW_MS + 41 * 60_000)];
}
