import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { followRetarder, LIFT, type Retarder } from '../fermentation/index.ts';
import { learnedPullDown, pullDownRevealed, type ColdNight } from './index.ts';

const MINUTE = 60_000;
const IN_MS = Date.UTC(2026, 10, 24, 1);
const ENTRY: Retarder = {
	setCelsius: 4,
	compressorWatts: 600,
	airKilojoulesPerKelvin: 60,
	wallsWattsPerKelvin: 8
};
const LOAD = { inAtMs: IN_MS, kilograms: 90, celsius: 25, timeConstantMinutes: 120 };

/** A night of a room whose compressor has other watts than its entry, as a probe with an offset and a wobble reads it. */
function nightOf(
	watts: number,
	{ offset = 0, wobble = 0, loads = [LOAD], id = 'night' } = {}
): ColdNight {
	const minutes = Array.from({ length: 36 }, (_, index) => (index + 1) * 10);
	const moments = followRetarder(
		{ ...ENTRY, compressorWatts: watts },
		loads.map(({ inAtMs, kilograms, celsius, timeConstantMinutes }) => ({
			inAtMinutes: (inAtMs - IN_MS) / MINUTE,
			kilograms,
			startCelsius: celsius,
			timeConstantMinutes,
			curve: LIFT.sourdough,
			referenceCelsius: 25
		})),
		22,
		minutes
	);
	return {
		id,
		roomCelsius: 22,
		loads,
		readings: [
			{ atMs: IN_MS - 10 * MINUTE, celsius: ENTRY.setCelsius + offset },
			...moments.map((moment, index) => ({
				atMs: IN_MS + moment.minutes * MINUTE,
				celsius: moment.airCelsius + offset + wobble * Math.sin(index * 2.1)
			}))
		]
	};
}

test('the power that made the air is found from the air, whatever its probe is off by', () => {
	fc.assert(
		fc.property(
			fc.double({ min: 0.4, max: 1.4, noNaN: true }),
			fc.double({ min: -1, max: 1, noNaN: true }),
			(share, offset) => {
				const found = pullDownRevealed(ENTRY, nightOf(600 * share, { offset, wobble: 0.3 }));
				// The stronger it is, the less the air tells.
				if (!found.ok) return assert.ok(share > 1.1, JSON.stringify(found.error));
				const off = Math.abs(Math.log(found.value.share / share));
				assert.ok(off < Math.max(0.06, found.value.spread), `${found.value.share} of ${share}`);
			}
		),
		{ numRuns: 25 }
	);
});

test('a second load that goes in later is followed from then on', () => {
	const loads = [LOAD, { ...LOAD, inAtMs: IN_MS + 90 * MINUTE, kilograms: 25 }];
	const found = pullDownRevealed(ENTRY, nightOf(420, { loads }));
	assert.ok(found.ok && Math.abs(found.value.share - 0.7) < 0.03, JSON.stringify(found));
});

test('a small load asks nothing of the compressor, and few readings tell nothing', () => {
	const small = nightOf(600, { loads: [{ ...LOAD, kilograms: 1 }] });
	assert.deepEqual(pullDownRevealed(ENTRY, small), {
		ok: false,
		error: { kind: 'never-at-its-most' }
	});
	const night = nightOf(450);
	assert.deepEqual(pullDownRevealed(ENTRY, { ...night, readings: night.readings.slice(0, 4) }), {
		ok: false,
		error: { kind: 'too-few-readings', readings: 3, least: 6 }
	});
	assert.equal(pullDownRevealed(ENTRY, { ...night, loads: [] }).ok, false);
});

test('nights agree on a room that pulls weakly; one with a door left open is left out', () => {
	const nights = ['a', 'b', 'c', 'd'].map((id) => nightOf(450, { id, wobble: 0.2 }));
	const open = { ...nightOf(230), id: 'door' };
	const learned = learnedPullDown(ENTRY, [...nights, open]);
	assert.ok(Math.abs(learned.share - 0.76) < 0.04, `${learned.share}`);
	assert.deepEqual([learned.used, learned.leftOut], [4, ['door']]);
	assert.ok(learned.band.low < learned.share && learned.share < learned.band.high);
	assert.deepEqual(learnedPullDown(ENTRY, []).share, 1);
});
