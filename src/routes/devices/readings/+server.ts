import { json } from '@sveltejs/kit';
import {
	deviceMessageSchema,
	MOST_MESSAGE_BYTES,
	MOST_READINGS
} from '$lib/contracts/device-protocol.ts';
import { database } from '$lib/server/db/connection.ts';
import { forDevice, refuseDevice } from '$lib/server/device-door.ts';
import { readBody } from '$lib/server/edge/read-body.ts';
import { takeDeviceReadings } from '$lib/server/services/take-device-readings.ts';
import type { RequestHandler } from './$types';

/** Takes what a device read. */
export const POST: RequestHandler = (event) =>
	forDevice(database(), event, async (device) => {
		const sent = await readBody(event.request, MOST_MESSAGE_BYTES);
		if (sent.kind === 'too-large')
			return refuseDevice(
				413,
				'too-large',
				`a message has ${MOST_MESSAGE_BYTES} bytes at the most`
			);
		let body: unknown;
		try {
			body = JSON.parse(sent.text);
		} catch {
			return refuseDevice(400, 'malformed', 'the body is not JSON');
		}
		const message = deviceMessageSchema.safeParse(body);
		if (!message.success)
			return refuseDevice(
				400,
				'malformed',
				`a message is {"readings": [...]} with 1 to ${MOST_READINGS} readings`
			);
		return json(await takeDeviceReadings(database(), device, message.data.readings, Date.now()));
	});
