import { randomUUID } from 'node:crypto';
import { startSimulatedScale } from '../../src/lib/devices/simulated/simulated-scale.ts';
import { keyFingerprint } from '../../src/lib/server/auth/device.ts';
import { sendBeside, type Bakery } from './bakery.ts';

/** A simulated scale, let in as "Mixer scale", that speaks until it is stopped. */
export async function scaleBeside(bakery: Bakery, onTrouble: (what: string) => void) {
	const key = 'a-made-up-key-of-the-scale-by-the-mixer';
	await sendBeside(bakery, {
		kind: 'register-device',
		deviceId: randomUUID(),
		name: 'Scale by the mixer',
		keySha256: keyFingerprint(key),
		sensors: [
			{
				id: randomUUID(),
				name: 'Mixer scale',
				kind: 'bench-scale',
				placeId: null,
				reportEverySeconds: 1
			}
		]
	});
	return startSimulatedScale({ address: bakery.origin, key, divisionGrams: 1, onTrouble });
}
