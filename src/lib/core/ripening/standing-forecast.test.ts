import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { LIFT, rateAt, SELF_HEATING_KELVINS_PER_HOUR } from '../fermentation/index.ts';
import type { Leg, WaitStep } from '../formula/index.ts';
import { forecastOfStanding, type StandingInput } from './index.ts';

const MINUTE = 60_000;
const ROOM: Leg = {
	named: null,
	place: 'room',
	ambientCelsius: 20,
	timeConstantMinutes: 360,
	minutes: null
};
const POOLISH: WaitStep = {
	kind: 'wait',
	activity: 'ferment',
	legs: [ROOM],
	clock: {
		leavening: 'bakers-yeast',
		referenceCelsius: 20,
		underMinutes: 450,
		ripeMinutes: 540,
		overMinutes: 660,
		carryShare: 0.5
	},
	foldsAtMinutes: [],
	foldsAtShares: []
};
const standing = (change: Partial<StandingInput>): StandingInput => ({
	step: POOLISH,
	mixedAtMs: 0,
	mixedCelsius: 22,
	mixedSpreadKelvins: 2,
	events: [],
	air: { room: [{ fromMs: 0, celsius: 31 }] },
	airSpreadKelvins: 0.7,
	nowMs: 540 * MINUTE,
	...change
});

/** Newton's law and the mass's own heat in steps of a minute, apart from the product's. */
function stepped(start: number, ambient: number, constant: number, minutes: number): number {
	let celsius = start;
	for (let at = 0; at < minutes; at += 1)
		celsius +=
			(ambient - celsius) / constant +
			(SELF_HEATING_KELVINS_PER_HOUR / 60) * rateAt(LIFT['bakers-yeast'], celsius);
	return celsius;
}

test('a poolish that stood nine hours in a room of 31 is near 30, and was ripe long before', () => {
	const found = forecastOfStanding(standing({}));
	assert.ok(found);
	assert.ok(Math.abs(found.celsius - stepped(22, 31, 360, 540)) < 0.05, `${found.celsius}`);
	assert.ok(found.celsius > 29.5 && found.celsius < 31);
	assert.ok(found.readyMs < 380 * MINUTE, `ripe after ${found.readyMs / MINUTE}`);
	assert.ok(found.spreadKelvins >= 0.5 && found.spreadKelvins < 2);
});

test('one that is not ripe yet is told for when it is, not for now', () => {
	const early = forecastOfStanding(standing({ nowMs: 60 * MINUTE }));
	const late = forecastOfStanding(standing({ nowMs: 200 * MINUTE }));
	assert.ok(early && late && early.readyMs > 200 * MINUTE);
	assert.ok(Math.abs(early.readyMs - late.readyMs) < 0.1 * MINUTE);
	assert.ok(Math.abs(early.celsius - late.celsius) < 0.01);
	const minutes = early.readyMs / MINUTE;
	assert.ok(Math.abs(early.celsius - stepped(22, 31, 360, minutes)) < 0.05);
});

test('where nobody says when it was mixed it is taken to be ready now', () => {
	const found = forecastOfStanding(standing({ mixedAtMs: null }));
	const from = forecastOfStanding(standing({ mixedAtMs: 540 * MINUTE - 300 * MINUTE }));
	assert.ok(found && from);
	assert.ok(Math.abs(found.readyMs - 540 * MINUTE) < 2 * MINUTE);
	assert.ok(Math.abs(found.celsius - from.celsius) < 0.3);
});

test('a check on the way sets it right, and what was before it no longer counts', () => {
	const checked = forecastOfStanding(
		standing({ events: [{ kind: 'checked', atMs: 480 * MINUTE, celsius: 24, onSurface: false }] })
	);
	assert.ok(checked);
	assert.ok(Math.abs(checked.celsius - stepped(24, 31, 360, 60)) < 0.05);
	assert.ok(checked.spreadKelvins < 0.7);
});

test('from the room into a fridge it is as the fridge, and a named place counts as it was read', () => {
	const fridge = { id: 'fridge' as never, name: 'Fridge' };
	const step: WaitStep = {
		...POOLISH,
		clock: null,
		legs: [
			{ ...ROOM, minutes: 90 },
			{
				...ROOM,
				named: fridge,
				place: 'cold',
				ambientCelsius: 4,
				timeConstantMinutes: 60,
				minutes: 600
			}
		]
	};
	const set = forecastOfStanding(standing({ step, nowMs: 700 * MINUTE }));
	assert.ok(set && Math.abs(set.celsius - 4) < 0.05, `${set?.celsius}`);
	const air = {
		room: [{ fromMs: 0, celsius: 31 }],
		named: new Map([[fridge.id, [{ fromMs: 0, celsius: 7 }]]])
	};
	const read = forecastOfStanding(standing({ step, nowMs: 700 * MINUTE, air }));
	assert.ok(read && Math.abs(read.celsius - 7) < 0.05, `${read?.celsius}`);
	// Long after its legs it still stands in the last of them.
	const later = forecastOfStanding(standing({ step, nowMs: 3000 * MINUTE, air }));
	assert.ok(later && Math.abs(later.celsius - 7) < 1e-6);
});

test('a wait that no place lets end has no forecast', () => {
	const frozen: WaitStep = { ...POOLISH, legs: [{ ...ROOM, place: 'cold', ambientCelsius: -18 }] };
	assert.equal(forecastOfStanding(standing({ step: frozen, nowMs: 0 })), null);
});

test('the less is known, the wider it is told, and never narrower than half a degree', () => {
	fc.assert(
		fc.property(
			fc.double({ min: 10, max: 32, noNaN: true }),
			fc.double({ min: 15, max: 32, noNaN: true }),
			fc.double({ min: 0.3, max: 3, noNaN: true }),
			(mixedCelsius, room, more) => {
				const at = (spread: number, air: number) =>
					forecastOfStanding(
						standing({
							mixedCelsius,
							mixedSpreadKelvins: spread,
							airSpreadKelvins: air,
							air: { room: [{ fromMs: 0, celsius: room }] },
							nowMs: 0
						})
					);
				const [plain, start, air] = [at(0.3, 0.3), at(0.3 + more, 0.3), at(0.3, 0.3 + more)];
				assert.ok(plain && start && air);
				assert.ok(plain.spreadKelvins >= 0.5);
				assert.ok(start.spreadKelvins >= plain.spreadKelvins);
				assert.ok(air.spreadKelvins >= plain.spreadKelvins);
			}
		)
	);
});
