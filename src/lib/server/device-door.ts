import { json, type RequestEvent } from '@sveltejs/kit';
import { MOST_DEVICE_REQUESTS, MOST_STRANGER_REQUESTS } from '../contracts/device-protocol.ts';
import { deviceOf } from './auth/device.ts';
import { isOverloaded, isUnavailable, storageTrouble, type Db } from './db/client.ts';
import type { KnownDevice } from './db/devices.ts';
import { RateLimit } from './edge/rate.ts';

/** What a device is told when it is not let in, or asks for nothing that can be read. */
export function refuseDevice(
	status: number,
	error: string,
	what: string,
	headers: Readonly<Record<string, string>> = {}
): Response {
	return json(
		{ error, what },
		{
			status,
			headers: {
				'cache-control': 'no-store',
				...(status === 401 ? { 'www-authenticate': 'Bearer' } : {}),
				...headers
			}
		}
	);
}

/** Requests of one device: many times what forty sensors need that report every second in one message. */
const OF_A_DEVICE = new RateLimit(MOST_DEVICE_REQUESTS);
/** Requests without a key that is known, from one address: nobody is kept busy by guesses. */
const OF_STRANGERS = new RateLimit(MOST_STRANGER_REQUESTS);

function tooOften(seconds: number): Response {
	return refuseDevice(429, 'too-often', `ask again in ${seconds} seconds`, {
		'retry-after': String(seconds)
	});
}

/** Lets a device in by its key and answers it; what it can send wrong is told, never thrown. */
export async function forDevice(
	db: Db,
	{ request, getClientAddress }: Pick<RequestEvent, 'request' | 'getClientAddress'>,
	answer: (device: KnownDevice) => Promise<Response>
): Promise<Response> {
	try {
		const entry = await deviceOf(db, request.headers.get('authorization'));
		const wait =
			entry.kind === 'in'
				? OF_A_DEVICE.take(entry.device.id, Date.now())
				: OF_STRANGERS.take(getClientAddress(), Date.now());
		if (wait !== null) return tooOften(wait);
		switch (entry.kind) {
			case 'in':
				return await answer(entry.device);
			case 'no-key':
				return refuseDevice(401, 'no-key', 'send the header "Authorization: Bearer" with the key');
			case 'unknown-key':
				return refuseDevice(401, 'unknown-key', 'this key is not known here');
			case 'revoked':
				return refuseDevice(403, 'revoked', 'this device was shut out');
		}
	} catch (error) {
		if (isUnavailable(error) || isOverloaded(error) || storageTrouble(error))
			return refuseDevice(503, 'try-again', 'it cannot be taken now; send it again later');
		throw error;
	}
}
