import { test } from 'node:test';
import assert from 'node:assert/strict';
import type { BakeDayInput } from './index.ts';
import { DAY, FERRY_MS, planned } from './harbour-day.fixture.ts';

const MINUTE = 60_000;
const plan = (input: BakeDayInput) => planned(input).plan;
const [dough] = DAY.doughs;
assert.ok(dough);
/** The first mix came out of the mixer so many minutes before its drop. */
const begunAt = (mixedAtMs: number, endedAtMs: number | null = null): BakeDayInput => ({
	...DAY,
	doughs: [
		{
			...dough,
			mixes: dough.mixes
				.filter((mix) => mix.ordinal === 1)
				.map((mix) => ({ ...mix, begun: { mixedAtMs, endedAtMs } }))
		}
	]
});
const tasksOf = (input: BakeDayInput) =>
	plan(input).tasks.filter((task) => task.batch.kind === 'mix' && task.batch.ordinal === 1);

test('a mix that was begun stands where it is: its mixing ends when it was mixed, its bulk follows', () => {
	const mixedAtMs = FERRY_MS - 480 * MINUTE;
	const [mixing, bulk] = tasksOf(begunAt(mixedAtMs));
	assert.ok(mixing && bulk);
	assert.equal(mixing.endMs, mixedAtMs);
	assert.equal(mixing.startMs, mixedAtMs - 20 * MINUTE);
	assert.equal(bulk.startMs, mixedAtMs);
	// Nothing that is planned elsewhere moves it.
	const later = tasksOf(begunAt(mixedAtMs + 7 * MINUTE));
	assert.equal(later[0]?.endMs, mixedAtMs + 7 * MINUTE);
	assert.equal(later[1]?.startMs, mixedAtMs + 7 * MINUTE);
});

test('one that was begun too late for its drop is ready after it, and one in time is not', () => {
	const readyOf = (mixedAtMs: number) => {
		const ferry = plan(begunAt(mixedAtMs)).drops.find((drop) => drop.name === 'Ferry');
		assert.ok(ferry);
		return (ferry.readyMs ?? NaN) - ferry.dueMs;
	};
	assert.ok(readyOf(FERRY_MS - 480 * MINUTE) <= 0, `${readyOf(FERRY_MS - 480 * MINUTE)}`);
	const late = readyOf(FERRY_MS - 60 * MINUTE);
	assert.ok(late > 0, `${late}`);
	// An hour later at the mixer is an hour later at the door.
	assert.equal(readyOf(FERRY_MS) - late, 60 * MINUTE);
});
