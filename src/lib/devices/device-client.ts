import type { z } from 'zod';
import {
	deviceAnswerSchema,
	deviceSelfSchema,
	surroundingsSchema,
	MOST_READINGS,
	type DeviceReading,
	type DeviceSelf,
	type DeviceWeight,
	type RefusedReading,
	type Surroundings
} from '../contracts/device-protocol.ts';

/** All that a device holds. */
export interface DeviceAccess {
	readonly address: string;
	readonly key: string;
}

/** The bakery does not let this device in; trying again is of no use. */
export class ShutOut extends Error {}

/** The bakery did not take it now; the same may go through later. */
export class NotNow extends Error {}

/** Old readings are dropped beyond this many: a device has little memory. */
const MOST_KEPT = 5000;
const PATIENCE_MS = 10_000;

/** An answer as it is to be; one of another version, or of something else at that address, is waited out. */
function understood<Answer>(schema: z.ZodType<Answer>, answer: unknown): Answer {
	const read = schema.safeParse(answer);
	if (!read.success) throw new NotNow('the answer is not one that this device understands');
	return read.data;
}

/** Speaks the device protocol, and keeps what could not be sent until it can. */
export class DeviceClient {
	#kept: DeviceReading[] = [];

	constructor(private readonly access: DeviceAccess) {}

	/** Asks who this device is and what the bakery's clock shows. */
	async self(): Promise<DeviceSelf> {
		return understood(deviceSelfSchema, await this.#ask('self', { method: 'GET' }));
	}

	/** Asks what stands where its sensors are. */
	async surroundings(): Promise<Surroundings> {
		return understood(surroundingsSchema, await this.#ask('surroundings', { method: 'GET' }));
	}

	/** How many readings wait to be sent. */
	get waiting(): number {
		return this.#kept.length;
	}

	/**
	 * Sends readings with all that waits, oldest first. What is refused is given back and not sent again; what
	 * could not be sent waits, with its ids, so that nothing is counted twice.
	 */
	async send(readings: readonly DeviceReading[]): Promise<readonly RefusedReading[]> {
		this.#kept.push(...readings);
		if (this.#kept.length > MOST_KEPT) this.#kept.splice(0, this.#kept.length - MOST_KEPT);
		const refused: RefusedReading[] = [];
		while (this.#kept.length > 0) {
			const batch = this.#kept.slice(0, MOST_READINGS);
			const answer = understood(
				deviceAnswerSchema,
				await this.#ask('readings', {
					method: 'POST',
					body: JSON.stringify({ readings: batch }),
					headers: { 'content-type': 'application/json' }
				})
			);
			refused.push(...answer.refused);
			this.#kept.splice(0, batch.length);
		}
		return refused;
	}

	/** Tells what scales show now. What could not be told is not told later: it is not what lies there then. */
	async show(weights: readonly DeviceWeight[]): Promise<readonly RefusedReading[]> {
		const answer = understood(
			deviceAnswerSchema,
			await this.#ask('weights', {
				method: 'POST',
				body: JSON.stringify({ weights }),
				headers: { 'content-type': 'application/json' }
			})
		);
		return answer.refused;
	}

	async #ask(
		what: 'self' | 'surroundings' | 'readings' | 'weights',
		init: RequestInit
	): Promise<unknown> {
		let response: Response;
		try {
			response = await fetch(new URL(`/devices/${what}`, this.access.address), {
				...init,
				headers: { ...init.headers, authorization: `Bearer ${this.access.key}` },
				signal: AbortSignal.timeout(PATIENCE_MS)
			});
		} catch (error) {
			throw new NotNow('the bakery does not answer', { cause: error });
		}
		if (response.status === 401 || response.status === 403)
			throw new ShutOut(`the bakery answers ${response.status}`);
		if (!response.ok) throw new NotNow(`the bakery answers ${response.status}`);
		try {
			return await response.json();
		} catch (error) {
			throw new NotNow('the answer broke off', { cause: error });
		}
	}
}
