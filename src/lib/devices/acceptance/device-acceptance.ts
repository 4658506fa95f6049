import assert from 'node:assert/strict';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { test } from 'node:test';
import {
	deviceMessageSchema,
	deviceReadingSchema,
	SENSOR_KINDS,
	type DeviceAnswer,
	type DeviceReading,
	type DeviceSelf,
	type Surroundings
} from '../../contracts/device-protocol.ts';
import { isOfDeck } from '../../contracts/sensor-kinds.ts';
import type { DeviceAccess } from '../device-client.ts';
import { answerWith, keyOf, RecordingServer } from './recording-server.ts';

/** A device under test: it is given an address and a key, and told to stop. */
export type StartDevice = (access: DeviceAccess) => { readonly stop: () => void | Promise<void> };

const KEY = 'a-key-of-the-acceptance-suite';
/** A bakery whose clock runs fast, so that a minute of readings takes a moment. */
const RATE = 120;
const SENSORS: DeviceSelf['sensors'] = [...SENSOR_KINDS, 'tub-rise' as const].map((kind) => ({
	name: `the ${kind}`,
	kind,
	reportEverySeconds: 30
}));

interface Message {
	readonly key: string;
	readonly readings: readonly DeviceReading[];
}

/** A bakery that takes down what a device says, and fails as it is told to. */
class RecordingBakery extends RecordingServer {
	readonly messages: Message[] = [];
	/** A load in the deck, a dough in the tub, a place as it is set. */
	#held(): Surroundings['sensors'] {
		const sinceMs = this.anchorBakeryMs;
		const load = { sinceMs, loadCelsius: 245, doughCelsius: 24, bakeMinutes: 42, coreCelsius: 97 };
		return SENSORS.map(({ name, kind }) => {
			if (kind === 'tub-rise')
				return {
					sensor: name,
					holds: { kind: 'tub', sinceMs, ripeMs: sinceMs + 3 * 3_600_000 }
				};
			if (kind === 'place-probe')
				return { sensor: name, holds: { kind: 'place', setCelsius: 4, cold: null, loads: [] } };
			return isOfDeck(kind)
				? { sensor: name, holds: { kind: 'deck', setCelsius: 245, load } }
				: { sensor: name, holds: null };
		});
	}

	/** Answers to give instead of taking the readings, in order. */
	readonly failures: ('refuse' | 'lose-the-answer' | 'answer-otherwise')[] = [];

	constructor() {
		super(KEY, RATE);
	}

	protected answer(request: IncomingMessage, body: string, response: ServerResponse): void {
		if (request.method === 'GET' && request.url === '/devices/self') {
			const { anchorRealMs, anchorBakeryMs, rate } = this;
			answerWith(response, {
				name: 'under test',
				clock: { anchorRealMs, anchorBakeryMs, rate },
				realNowMs: Date.now(),
				sensors: SENSORS
			} satisfies DeviceSelf);
			return;
		}
		if (request.method === 'GET' && request.url === '/devices/surroundings') {
			answerWith(response, { sensors: this.#held() } satisfies Surroundings);
			return;
		}
		const { readings } = deviceMessageSchema.parse(JSON.parse(body));
		const read = readings.map((reading) => deviceReadingSchema.parse(reading));
		this.messages.push({ key: keyOf(request), readings: read });
		const failure = this.failures.shift();
		if (failure === 'refuse') response.writeHead(503).end('{}');
		else if (failure === 'lose-the-answer') request.socket.destroy();
		else if (failure === 'answer-otherwise') answerWith(response, { of: 'another version' });
		else answerWith(response, { taken: read.length, known: 0, refused: [] } satisfies DeviceAnswer);
	}
}

/**
 * What every device that speaks the protocol has to do, whatever it is made of: run on the simulated probes as
 * it would be on real ones.
 */
export function deviceAcceptance(name: string, start: StartDevice): void {
	const withDevice = async (
		check: (bakery: RecordingBakery) => Promise<void>,
		prepare: (bakery: RecordingBakery) => void = () => undefined
	) => {
		const bakery = new RecordingBakery();
		prepare(bakery);
		const device = start(await bakery.open());
		try {
			await check(bakery);
		} finally {
			await device.stop();
			await bakery.close();
		}
	};

	test(`${name} reads every sensor it is told of, honestly and on the bakery's clock`, () =>
		withDevice(async (bakery) => {
			await bakery.until(() => bakery.messages.length >= 3);
			const all = bakery.messages.flatMap((message) => message.readings);
			for (const sensor of SENSORS)
				assert.ok(
					all.some((reading) => reading.sensor === sensor.name),
					`${sensor.name} speaks`
				);
			for (const reading of all) {
				const sensor = SENSORS.find(({ name: of }) => of === reading.sensor);
				assert.ok(sensor, `"${reading.sensor}" is a sensor it was told of`);
				assert.equal(
					reading.risePercent !== undefined,
					sensor.kind === 'tub-rise',
					`"${reading.sensor}" tells what it reads`
				);
				const at = Date.parse(reading.measuredAt);
				assert.ok(
					at >= bakery.anchorBakeryMs - 1000 && at <= bakery.bakeryMs() + 1000,
					`${reading.measuredAt} lies on the bakery's clock`
				);
			}
			assert.ok(
				bakery.messages.every((message) => message.key === KEY),
				'it shows its key'
			);
		}));

	test(`${name} gives every reading an id of its own`, () =>
		withDevice(async (bakery) => {
			await bakery.until(() => bakery.messages.length >= 3);
			const ids = bakery.messages.flatMap((message) => message.readings.map((each) => each.id));
			assert.equal(new Set(ids).size, ids.length, 'no id twice while all is well');
		}));

	test(`${name} sends again what was not taken, with the same ids and nothing changed`, () =>
		withDevice(
			async (bakery) => {
				await bakery.until(() => bakery.messages.length >= 4);
				const [first, ...later] = bakery.messages;
				assert.ok(first && later.length >= 3, 'four messages came');
				for (const reading of first.readings)
					for (const { readings } of later.slice(0, 3)) {
						const again = readings.find((each) => each.id === reading.id);
						assert.deepEqual(again, reading, 'it comes again as it was');
					}
			},
			(bakery) => bakery.failures.push('refuse', 'lose-the-answer', 'answer-otherwise')
		));
}
