import assert from 'node:assert/strict';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { test } from 'node:test';
import {
	deviceWeightSchema,
	deviceWeightsSchema,
	type DeviceSelf,
	type DeviceWeight,
	type WeightsAnswer
} from '../../contracts/device-protocol.ts';
import type { DeviceAccess } from '../device-client.ts';
import { answerWith, keyOf, RecordingServer } from './recording-server.ts';

/** A scale under test: it is given an address and a key, loads are put on it, and it is told to stop. */
export type StartScale = (access: DeviceAccess) => {
	readonly put: (grams: number) => void;
	readonly stop: () => void | Promise<void>;
};

const KEY = 'a-key-of-the-scale-acceptance-suite';
const SCALE = 'the bench scale';
const SENSORS: DeviceSelf['sensors'] = [
	{ name: SCALE, kind: 'bench-scale', reportEverySeconds: 1 },
	{ name: 'a probe beside it', kind: 'room-probe', reportEverySeconds: 60 }
];

/** A bakery that takes down what a scale shows, and does not answer while it is told not to. */
class RecordingBench extends RecordingServer {
	readonly heard: (DeviceWeight & { readonly key: string; readonly atMs: number })[] = [];
	isAway = false;
	/** How often it was spoken to while it did not answer. */
	unanswered = 0;

	constructor() {
		super(KEY, 1);
	}

	protected answer(request: IncomingMessage, body: string, response: ServerResponse): void {
		if (this.isAway) {
			this.unanswered += 1;
			request.socket.destroy();
			return;
		}
		if (request.url === '/devices/self') {
			const { anchorRealMs, anchorBakeryMs, rate } = this;
			answerWith(response, {
				name: 'under test',
				clock: { anchorRealMs, anchorBakeryMs, rate },
				realNowMs: Date.now(),
				sensors: SENSORS
			} satisfies DeviceSelf);
			return;
		}
		assert.equal(
			request.url,
			'/devices/weights',
			'a scale tells its weights where weights are told'
		);
		const { weights } = deviceWeightsSchema.parse(JSON.parse(body));
		for (const raw of weights)
			this.heard.push({
				...deviceWeightSchema.parse(raw),
				key: keyOf(request),
				atMs: this.bakeryMs()
			});
		answerWith(response, { taken: weights.length, known: 0, refused: [] } satisfies WeightsAnswer);
	}
}

/** What every scale that speaks the protocol has to do, whatever it is made of. */
export function scaleAcceptance(name: string, start: StartScale): void {
	const withScale = async (
		check: (bench: RecordingBench, scale: ReturnType<StartScale>) => Promise<void>
	) => {
		const bench = new RecordingBench();
		const scale = start(await bench.open());
		try {
			await check(bench, scale);
		} finally {
			await scale.stop();
			await bench.close();
		}
	};
	const settled = (bench: RecordingBench, from: number, grams: number) =>
		bench.until(() =>
			bench.heard.slice(from).some((one) => one.stable && Math.abs(one.grams - grams) <= 1)
		);

	test(`${name} tells what it shows, by its own name, with its key, on the bakery's clock`, () =>
		withScale(async (bench) => {
			await bench.until(() => bench.heard.length >= 3);
			for (const { sensor, key, measuredAt, atMs } of bench.heard) {
				assert.equal(sensor, SCALE, 'a scale does not speak for a probe');
				assert.equal(key, KEY);
				assert.ok(Math.abs(Date.parse(measuredAt) - atMs) < 2000, `${measuredAt} is now`);
			}
		}));

	test(`${name} comes to the weight that is put on it, and says that it stands only when it does`, () =>
		withScale(async (bench, scale) => {
			await settled(bench, 0, 0);
			scale.put(1240);
			await settled(bench, bench.heard.length, 1240);
			const from = bench.heard.length;
			scale.put(-240);
			await settled(bench, from, 1000);
			for (const { grams, stable } of bench.heard)
				assert.ok(
					!stable || [0, 1240, 1000].some((load) => Math.abs(load - grams) <= 1),
					`${grams} g is told to stand, and does not`
				);
		}));

	test(`${name} goes on when the bakery answers again, with what it shows then`, () =>
		withScale(async (bench, scale) => {
			await settled(bench, 0, 0);
			bench.isAway = true;
			scale.put(500);
			await bench.until(() => bench.unanswered > 0);
			bench.isAway = false;
			const from = bench.heard.length;
			await settled(bench, from, 500);
			const old = bench.heard
				.slice(from)
				.filter(({ measuredAt, atMs }) => atMs - Date.parse(measuredAt) > 2000);
			assert.deepEqual(old, [], 'nothing that it showed long ago');
		}));
}
