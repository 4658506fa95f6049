import { json } from '@sveltejs/kit';
import type { DeviceSelf } from '$lib/contracts/device-protocol.ts';
import { loadClock } from '$lib/server/db/bakery.ts';
import { database } from '$lib/server/db/connection.ts';
import { forDevice } from '$lib/server/device-door.ts';
import type { RequestHandler } from './$types';

/** Tells a device who it is, what it is to read, and what the bakery's clock shows. */
export const GET: RequestHandler = (event) =>
	forDevice(database(), event, async (device) => {
		const self: DeviceSelf = {
			name: device.name,
			clock: await loadClock(database()),
			realNowMs: Date.now(),
			sensors: device.sensors.map(({ name, kind, reportEverySeconds }) => ({
				name,
				kind,
				reportEverySeconds
			}))
		};
		return json(self);
	});
