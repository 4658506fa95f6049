import { json } from '@sveltejs/kit';
import { deviceWeightsSchema, MOST_WEIGHTS } from '$lib/contracts/device-protocol.ts';
import { database } from '$lib/server/db/connection.ts';
import { forDevice } from '$lib/server/device-door.ts';
import { readDeviceMessage } from '$lib/server/device-message.ts';
import { takeDeviceWeights } from '$lib/server/services/take-device-weights.ts';
import type { RequestHandler } from './$types';

/** Takes what a scale shows. */
export const POST: RequestHandler = (event) =>
	forDevice(database(), event, async (device) => {
		const message = await readDeviceMessage(
			event.request,
			deviceWeightsSchema,
			`a message is {"weights": [...]} with 1 to ${MOST_WEIGHTS} of them`
		);
		if (!message.ok) return message.error;
		return json(await takeDeviceWeights(database(), device, message.value.weights, Date.now()));
	});
