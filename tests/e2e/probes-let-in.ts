import { randomBytes, randomUUID } from 'node:crypto';
import type { SensorKind } from '../../src/lib/contracts/device-protocol.ts';
import { keyFingerprint } from '../../src/lib/server/auth/device.ts';
import { sendBeside, type Bakery } from './bakery.ts';

/** Lets a device with some probes in, as at the page of devices; gives its key. */
export async function letProbesIn(
	bakery: Bakery,
	sensors: readonly (readonly [name: string, kind: SensorKind])[]
): Promise<string> {
	const key = randomBytes(32).toString('base64url');
	await sendBeside(bakery, {
		kind: 'register-device',
		deviceId: randomUUID(),
		name: 'Quay probes',
		keySha256: keyFingerprint(key),
		sensors: sensors.map(([name, kind]) => ({
			id: randomUUID(),
			name,
			kind,
			reportEverySeconds: 60
		}))
	});
	return key;
}
