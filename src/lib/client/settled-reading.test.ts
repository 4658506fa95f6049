import assert from 'node:assert/strict';
import { afterEach, beforeEach, mock, test } from 'node:test';
import { SettledReading } from './settled-reading.ts';

/** A clock and a page that takes so long to read. */
let nowMs = 0;
let readings: { readonly fromMs: number; toMs: number | null }[] = [];
beforeEach(() => {
	nowMs = 0;
	readings = [];
	mock.timers.enable({ apis: ['setTimeout'] });
});
afterEach(() => mock.timers.reset());

function pageThatTakes(takesMs: number, fails = false): SettledReading {
	return new SettledReading(
		() =>
			new Promise((resolve, reject) => {
				const reading = { fromMs: nowMs, toMs: null as number | null };
				readings.push(reading);
				setTimeout(() => {
					reading.toMs = nowMs;
					if (fails) reject(new Error('not reached'));
					else resolve();
				}, takesMs);
			}),
		() => nowMs
	);
}

/** Lets time go by, a step at a time, with something heard at each of them where that is wanted. */
async function goOn(forMs: number, stepMs = 10, atEach = () => {}) {
	for (let gone = 0; gone < forMs; gone += stepMs) {
		atEach();
		nowMs += stepMs;
		mock.timers.tick(stepMs);
		await Promise.resolve();
		await Promise.resolve();
		await Promise.resolve();
	}
}

test('several things heard at once are read once, a quarter of a second later', async () => {
	const page = pageThatTakes(100);
	page.hear();
	page.hear();
	await goOn(240);
	assert.equal(readings.length, 0);
	page.hear();
	await goOn(1000);
	assert.deepEqual(readings, [{ fromMs: 250, toMs: 350 }]);
});

test('what is heard while the page is read is read after it', async () => {
	const page = pageThatTakes(100);
	page.hear();
	await goOn(300);
	page.hear();
	await goOn(1000);
	assert.equal(readings.length, 2);
	assert.deepEqual(readings[1], { fromMs: 600, toMs: 700 });
});

test('where something is heard all the time, reading takes a third of it at most, and goes on', async () => {
	const page = pageThatTakes(600);
	await goOn(60_000, 10, () => page.hear());
	const busyMs = readings.reduce((sum, { fromMs, toMs }) => sum + ((toMs ?? nowMs) - fromMs), 0);
	assert.ok(busyMs <= nowMs / 3 + 600, `${busyMs} ms of ${nowMs}`);
	assert.ok(readings.length >= 30, `${readings.length} readings in a minute`);
});

test('a page that takes very long is read again three seconds after it', async () => {
	const page = pageThatTakes(8000);
	await goOn(25_000, 10, () => page.hear());
	const [first, second] = readings;
	assert.equal((second?.fromMs ?? 0) - (first?.toMs ?? 0), 3000);
});

test('one that cannot be read is tried again at the next thing heard', async () => {
	const page = pageThatTakes(50, true);
	page.hear();
	await goOn(1000);
	page.hear();
	await goOn(1000);
	assert.equal(readings.length, 2);
});

test('nothing is read after the end, nor what was heard while it was read', async () => {
	const page = pageThatTakes(50);
	page.hear();
	page.stop();
	await goOn(1000);
	assert.equal(readings.length, 0);
	const another = pageThatTakes(500);
	another.hear();
	await goOn(300);
	another.hear();
	another.stop();
	await goOn(5000);
	assert.equal(readings.length, 1);
});
