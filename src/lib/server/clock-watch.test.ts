import { test } from 'node:test';
import assert from 'node:assert/strict';
import { ClockWatch } from './clock-watch.ts';

const HOUR = 3_600_000;

function watched() {
	let [realMs, steadyMs] = [1_000_000, 50];
	const watch = new ClockWatch({ realMs: () => realMs, steadyMs: () => steadyMs });
	return {
		watch,
		passes: (ms: number, clockMs = ms) => {
			steadyMs += ms;
			realMs += clockMs;
		},
		now: () => realMs
	};
}

test('a clock that goes on as it should is not doubted, also where it is set a little', () => {
	const { watch, passes } = watched();
	for (let minute = 0; minute < 600; minute += 1) {
		passes(60_000, 60_000 + (minute % 2 === 0 ? 900 : -900));
		assert.equal(watch.look(), null);
	}
	assert.equal(watch.doubt(), null);
});

test('a jump is told once, by how much and when, and stands for half a day', () => {
	const { watch, passes, now } = watched();
	passes(10_000, 10_000 - 3 * HOUR);
	assert.deepEqual(watch.look(), { kind: 'jumped', byMs: -3 * HOUR, atMs: now() });
	passes(10_000);
	assert.equal(watch.look(), null, 'it went on from there');
	assert.equal(watch.doubt()?.byMs, -3 * HOUR);
	passes(11 * HOUR);
	assert.equal(watch.look(), null);
	assert.ok(watch.doubt());
	passes(2 * HOUR);
	assert.equal(watch.look(), null);
	assert.equal(watch.doubt(), null);
});

test('a clock that stands before the newest entry is told', () => {
	const { watch, now } = watched();
	assert.equal(watch.holdAgainst(null), null, 'nothing was ever written');
	assert.equal(watch.holdAgainst(now() - HOUR), null);
	assert.equal(watch.holdAgainst(now() + 30_000), null, 'by as much as two clocks differ');
	assert.deepEqual(watch.holdAgainst(now() + HOUR), {
		kind: 'behind-the-log',
		byMs: HOUR,
		atMs: now()
	});
});
