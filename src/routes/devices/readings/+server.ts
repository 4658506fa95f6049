import { json } from '@sveltejs/kit';
import { deviceMessageSchema, MOST_READINGS } from '$lib/contracts/device-protocol.ts';
import { database } from '$lib/server/db/connection.ts';
import { forDevice } from '$lib/server/device-door.ts';
import { readDeviceMessage } from '$lib/server/device-message.ts';
import { takeDeviceReadings } from '$lib/server/services/take-device-readings.ts';
import type { RequestHandler } from './$types';

/** Takes what a device read. */
export const POST: RequestHandler = (event) =>
	forDevice(database(), event, async (device) => {
		const message = await readDeviceMessage(
			event.request,
			deviceMessageSchema,
			`a message is {"readings": [...]} with 1 to ${MOST_READINGS} readings`
		);
		if (!message.ok) return message.error;
		return json(await takeDeviceReadings(database(), device, message.value.readings, Date.now()));
	});
