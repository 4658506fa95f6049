import { json } from '@sveltejs/kit';
import { database } from '$lib/server/db/connection.ts';
import { forDevice } from '$lib/server/device-door.ts';
import { surroundingsOf } from '$lib/server/services/surroundings-of-device.ts';
import type { RequestHandler } from './$types';

/** Tells a device what stands where its sensors are, by what was tapped at the bench. */
export const GET: RequestHandler = (event) =>
	forDevice(database(), event, async (device) =>
		json(await surroundingsOf(database(), device, Date.now()))
	);
