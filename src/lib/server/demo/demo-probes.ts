import type { SensorKind } from '../../contracts/device-protocol.ts';
import { keyFingerprint } from '../auth/device.ts';
import type { Db } from '../db/client.ts';
import { putDevice } from '../db/devices.ts';
import { demoId } from './demo-id.ts';
import { demoPlaceId } from './demo-place.ts';
import type { DemoPlace } from './equipment.ts';

const DEVICE = 'Bakehouse probes';
const SENSORS: readonly (readonly [name: string, kind: SensorKind, place?: DemoPlace])[] = [
	['Room by the mixer', 'room-probe'],
	['Cold tap', 'tap-probe'],
	['Flour bin', 'flour-probe'],
	['Ingredient fridge', 'place-probe', 'Ingredient fridge'],
	['Cold room', 'place-probe', 'Cold room'],
	['Warm prover', 'place-probe', 'Warm prover'],
	['Dough probe', 'core-probe'],
	['Surface thermometer', 'surface-thermometer'],
	['Tub sensor', 'tub-rise']
];
/** Each deck has a probe in its stone, and one for a loaf. */
const DECKS = ['Deck 1', 'Deck 2', 'Upper', 'Lower'] as const;
const REPORT_EVERY_SECONDS = 20;

/** Lets the probes of the demo in by the key of this start; one of an earlier start no longer counts. */
export async function letProbesIn(db: Db, key: string): Promise<void> {
	await db.transaction().execute((tx) =>
		putDevice(tx, {
			id: demoId('device', DEVICE),
			name: DEVICE,
			keySha256: keyFingerprint(key),
			commandId: null,
			sensors: [
				...SENSORS.map(([name, kind, place]) => ({
					id: demoId('sensor', name),
					name,
					kind,
					placeId: place ? demoPlaceId(place) : null,
					deckId: null,
					reportEverySeconds: REPORT_EVERY_SECONDS
				})),
				...DECKS.flatMap((deck) =>
					(
						[
							[`Stone, ${deck}`, 'deck-stone'],
							[`Loaf probe, ${deck}`, 'loaf-core']
						] as const
					).map(([name, kind]) => ({
						id: demoId('sensor', name),
						name,
						kind,
						placeId: null,
						deckId: demoId('deck', deck),
						reportEverySeconds: REPORT_EVERY_SECONDS
					}))
				)
			]
		})
	);
}
