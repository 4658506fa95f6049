import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { isOfDeck } from '../../contracts/sensor-kinds.ts';
import {
	DEVICE_SENSOR_KINDS,
	reportEverySeconds,
	sensorName
} from '../../contracts/device-protocol.ts';
import { id, type PlaceId } from '../../core/identity.ts';
import { fail, ok } from '../../core/result.ts';
import { areDeviceIdsUsed, isDeviceTaken, putDevice } from '../db/devices.ts';
import { loadEntries } from '../db/entries.ts';
import { placesOf, plannedOvensOf } from '../db/of-entries.ts';
import { defineCommand } from './define.ts';

/** Adds a device by the fingerprint of its key; the key itself never leaves the browser that made it. */
export const registerDevice = defineCommand({
	kind: 'register-device',
	lane: 'settings',
	content: z.object({
		deviceId: uuidSchema,
		name: sensorName,
		keySha256: z.string().regex(/^[0-9a-f]{64}$/),
		sensors: z
			.array(
				z.object({
					id: uuidSchema,
					name: sensorName,
					kind: z.enum(DEVICE_SENSOR_KINDS),
					/** The place that a probe of one tells. */
					placeId: uuidSchema
						.transform((value) => id<PlaceId>(value))
						.nullable()
						.default(null),
					/** The deck that a sensor of one stands on. */
					deckId: uuidSchema.nullable().default(null),
					reportEverySeconds
				})
			)
			.min(1)
			.max(40)
			.refine((all) => new Set(all.map((sensor) => sensor.name)).size === all.length, {
				message: 'each sensor has a name of its own'
			})
			.refine((all) => new Set(all.map((sensor) => sensor.id)).size === all.length, {
				message: 'each sensor has an id of its own'
			})
			.refine(
				(all) => all.every(({ kind, placeId }) => (kind === 'place-probe') === (placeId !== null)),
				{ message: 'a probe of a place names it, and only that' }
			)
			.refine((all) => all.every(({ kind, deckId }) => isOfDeck(kind) === (deckId !== null)), {
				message: 'a sensor of a deck names it, and only that'
			})
	}),
	right: 'keep-the-house',
	refusals: ['name-taken', 'id-used-before', 'unknown'],
	handle: async (tx, { deviceId, name, keySha256, sensors, id: commandId }) => {
		if (await areDeviceIdsUsed(tx, [deviceId, ...sensors.map((sensor) => sensor.id)]))
			return fail({ kind: 'id-used-before' });
		const entries = await loadEntries(tx, 'newest', ['place', 'oven']);
		const places = placesOf(entries);
		if (sensors.some(({ placeId }) => placeId && places.get(placeId)?.role !== 'other'))
			return fail({ kind: 'unknown', what: 'place' });
		const decks = new Set(
			plannedOvensOf(entries).flatMap((oven) => oven.decks.map((deck) => deck.id))
		);
		if (sensors.some(({ deckId }) => deckId !== null && !decks.has(deckId)))
			return fail({ kind: 'unknown', what: 'deck' });
		if (await isDeviceTaken(tx, name, keySha256)) return fail({ kind: 'name-taken', name });
		await putDevice(tx, { id: deviceId, name, keySha256, commandId, sensors });
		return ok({ deviceId });
	}
});
