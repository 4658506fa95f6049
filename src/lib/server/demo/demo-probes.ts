import type { SensorKind } from '../../contracts/device-protocol.ts';
import { keyFingerprint } from '../auth/device.ts';
import type { Db } from '../db/client.ts';
import { demoId } from './demo-id.ts';

const DEVICE = 'Bakehouse probes';
const SENSORS: readonly (readonly [name: string, kind: SensorKind])[] = [
	['Room by the mixer', 'room-probe'],
	['Cold tap', 'tap-probe'],
	['Flour bin', 'flour-probe'],
	['Dough probe', 'core-probe'],
	['Surface thermometer', 'surface-thermometer']
];
const REPORT_EVERY_SECONDS = 20;

/** Lets the probes of the demo in by the key of this start; one of an earlier start no longer counts. */
export async function letProbesIn(db: Db, key: string): Promise<void> {
	const id = demoId('device', DEVICE);
	const key_sha256 = keyFingerprint(key);
	await db.transaction().execute(async (tx) => {
		await tx
			.insertInto('device')
			.values({ id, name: DEVICE, key_sha256 })
			.onConflict((conflict) => conflict.column('id').doUpdateSet({ key_sha256 }))
			.execute();
		await tx
			.insertInto('device_sensor')
			.values(
				SENSORS.map(([name, kind]) => ({
					id: demoId('sensor', name),
					device_id: id,
					name,
					kind,
					report_every_s: REPORT_EVERY_SECONDS
				}))
			)
			.onConflict((conflict) => conflict.column('id').doNothing())
			.execute();
	});
}
