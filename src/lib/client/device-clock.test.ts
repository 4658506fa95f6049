import { test } from 'node:test';
import assert from 'node:assert/strict';
import { deviceClockOff } from './device-clock.ts';

const SERVED = Date.parse('2026-11-24T02:00:00Z');
const answers = (headers: Record<string, string>) => () =>
	Promise.resolve(new Response('', { headers }));
const clock = (...readings: number[]) => {
	let at = 0;
	return () => readings[at++] ?? NaN;
};

test('a device’s clock is held against the moment of an answer', async () => {
	const dated = answers({ date: new Date(SERVED).toUTCString() });
	assert.equal(await deviceClockOff(dated, clock(SERVED - 200, SERVED + 200)), 0);
	assert.equal(
		await deviceClockOff(dated, clock(SERVED + 3_600_000, SERVED + 3_600_400)),
		3_600_200
	);
	assert.equal(await deviceClockOff(dated, clock(SERVED - 600_000, SERVED - 599_000)), -599_500);
});

test('without an answer, a date, or in any hurry nothing is said of it', async () => {
	const dated = answers({ date: new Date(SERVED).toUTCString() });
	assert.equal(await deviceClockOff(answers({}), clock(SERVED, SERVED)), null);
	assert.equal(await deviceClockOff(answers({ date: 'soon' }), clock(SERVED, SERVED)), null);
	assert.equal(await deviceClockOff(dated, clock(SERVED, SERVED + 60_000)), null, 'slow');
	assert.equal(
		await deviceClockOff(() => Promise.reject(new TypeError('away')), clock(SERVED, SERVED)),
		null
	);
});
