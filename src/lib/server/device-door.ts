import { json } from '@sveltejs/kit';
import { deviceOf } from './auth/device.ts';
import { isUnavailable, type Db } from './db/client.ts';
import type { KnownDevice } from './db/devices.ts';

/** What a device is told when it is not let in, or asks for nothing that can be read. */
export function refuseDevice(status: number, error: string, what: string): Response {
	return json(
		{ error, what },
		{ status, headers: status === 401 ? { 'www-authenticate': 'Bearer' } : {} }
	);
}

/** Lets a device in by its key and answers it; what it can send wrong is told, never thrown. */
export async function forDevice(
	db: Db,
	request: Request,
	answer: (device: KnownDevice) => Promise<Response>
): Promise<Response> {
	try {
		const entry = await deviceOf(db, request.headers.get('authorization'));
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
		if (isUnavailable(error))
			return refuseDevice(503, 'try-again', 'the database does not answer; send it again later');
		throw error;
	}
}
