import { json } from '@sveltejs/kit';
import {
	deviceWeightsSchema,
	MOST_MESSAGE_BYTES,
	MOST_WEIGHTS
} from '$lib/contracts/device-protocol.ts';
import { database } from '$lib/server/db/connection.ts';
import { forDevice, refuseDevice } from '$lib/server/device-door.ts';
import { readBody } from '$lib/server/edge/read-body.ts';
import { takeDeviceWeights } from '$lib/server/services/take-device-weights.ts';
import type { RequestHandler } from './$types';

/** Takes what a scale shows. */
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
		const message = deviceWeightsSchema.safeParse(body);
		if (!message.success)
			return refuseDevice(
				400,
				'malformed',
				`a message is {"weights": [...]} with 1 to ${MOST_WEIGHTS} of them`
			);
		return json(await takeDeviceWeights(database(), device, message.data.weights, Date.now()));
	});
