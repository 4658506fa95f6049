import { massByCheck } from './mass-by-check.ts';
import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { drifted } from '../fermentation/index.ts';
import type { Leg } from '../formula/index.ts';
import { BULK } from '../planning/harbour-day.fixture.ts';
import {
	carriedDose,
	clockWithCarry,
	courseOf,
	doughCard,
	doughStory,
	traceOf,
	type DoughEvent,
	type DoughStoryInput,
	type RipeningStep,
	type WhatIf
} from './index.ts';

const close = (actual: number | null | undefined, expected: number, within: number, what = '') =>
	assert.ok(
		typeof actual === 'number' && Math.abs(actual - expected) <= within,
		`${what} ${actual} is not ${expected}`
	);
const MINUTE = 60_000;
/** A dough held where it is: the place keeps it, so that the clock alone is looked at. */
const HELD: RipeningStep = {
	...BULK,
	clock: BULK.clock!,
	legs: [
		{ named: null, place: 'room', ambientCelsius: 25, timeConstantMinutes: Infinity, minutes: null }
	]
};
/** The same in a tub that follows its room and warms itself. */
const TUB: RipeningStep = {
	...HELD,
	legs: [
		{ named: null, place: 'room', ambientCelsius: 25, timeConstantMinutes: 420, minutes: null }
	]
};
const COLD: Leg = {
	named: null,
	place: 'cold',
	ambientCelsius: 4,
	timeConstantMinutes: 240,
	minutes: null
};

function storyOf(now: number, change: Partial<DoughStoryInput> = {}) {
	return doughStory({
		step: HELD,
		clockFactor: 1,
		startMs: 0,
		startCelsius: 25,
		events: [],
		air: {},
		nowMs: now * MINUTE,
		...change
	});
}
const card = (now: number, whatIf?: WhatIf, change: Partial<DoughStoryInput> = {}) =>
	doughCard(storyOf(now, change), whatIf);

test('a dough held at 25 has done what the clock says, and is ripe when it was going to be', () => {
	for (const now of [0, 60, 105, 209, 240]) {
		const one = card(now);
		close(one.doseSoFar, now, 1e-6);
		close(one.celsiusNow, 25, 1e-9);
		close(one.marks.ripe, 210 * MINUTE, 0.02 * MINUTE, `ripe seen at ${now}`);
		close(one.marks.early, 170 * MINUTE, 0.02 * MINUTE);
		close(one.marks.late, 260 * MINUTE, 0.02 * MINUTE);
	}
	assert.equal(card(0).doseRipe, 210);
});

test('the forecast of a dough is the course the plan gave it, whenever one looks', () => {
	const planned = courseOf(TUB, 28);
	assert.ok(planned.ok && planned.value.marks);
	const { ripe } = planned.value.marks;
	fc.assert(
		fc.property(fc.double({ min: 0, max: 300, noNaN: true }), (now) =>
			close(
				card(now, undefined, { step: TUB, startCelsius: 28 }).marks.ripe,
				ripe * MINUTE,
				0.1 * MINUTE,
				`at ${now}`
			)
		),
		{ numRuns: 40 }
	);
	assert.ok(ripe < 195, 'a warmer dough that warms itself is ripe earlier');
});

test('the dose adds up over any split of the path', () => {
	fc.assert(
		fc.property(
			fc.array(fc.double({ min: 1, max: 300, noNaN: true }), { minLength: 1, maxLength: 8 }),
			fc.double({ min: 12, max: 32, noNaN: true }),
			(splits, room) => {
				// The same room, told once or told anew at any moment, makes the same dough.
				const once = storyOf(300, { step: TUB, air: { room: [{ fromMs: 0, celsius: room }] } });
				const often = storyOf(300, {
					step: TUB,
					air: {
						room: [0, ...splits.sort((a, b) => a - b)].map((at) => ({
							fromMs: at * MINUTE,
							celsius: room
						}))
					}
				});
				close(often.dose, once.dose, 0.02);
				close(often.celsius, once.celsius, 0.002);
				close(often.acidDose, once.acidDose, 0.05);
			}
		)
	);
});

test('a measured temperature sets the dough right from then on', () => {
	const checked: DoughEvent = {
		kind: 'checked',
		atMs: 60 * MINUTE,
		celsius: 28,
		onSurface: false
	};
	const before = card(61, undefined, { step: TUB });
	const after = card(61, undefined, { step: TUB, events: [checked] });
	close(after.celsiusNow, 28, 0.05);
	assert.ok((after.marks.ripe ?? 0) < (before.marks.ripe ?? 0) - 5 * MINUTE);
	// What was done before the check stays done.
	close(after.doseSoFar, before.doseSoFar, 0.4);
});

test('a skin is not the mass: in warm air it moves the forecast by half of what it says beyond the air', () => {
	const at = (celsius: number, onSurface: boolean, air = 41) =>
		massByCheck(31, air, { celsius, onSurface });
	close(at(35, false), 35, 1e-12);
	close(at(33, true), 31, 1e-12, 'as warm as the air makes a skin of that mass');
	close(at(35, true), 32, 1e-12);
	close(at(31, true, 31), 31, 1e-12);
	const read = (onSurface: boolean) =>
		card(61, undefined, {
			step: TUB,
			events: [{ kind: 'checked', atMs: 60 * MINUTE, celsius: 32, onSurface }]
		}).celsiusNow;
	const unread = card(61, undefined, { step: TUB }).celsiusNow;
	assert.ok(read(true) > unread + 1 && read(true) < read(false) - 1, `${read(true)}`);
});

test('moved to the cold it stays there, works for hours and is ripe much later', () => {
	const moved: DoughEvent = { kind: 'moved', atMs: 90 * MINUTE, leg: COLD };
	const one = card(400, undefined, { step: TUB, events: [moved] });
	assert.ok(one.celsiusNow < 12 && one.celsiusNow > 4, `${one.celsiusNow}`);
	assert.ok(one.doseSoFar > 120 && one.doseSoFar < 260, `${one.doseSoFar}`);
	assert.ok((one.marks.ripe ?? Infinity) > 250 * MINUTE);
	const story = storyOf(400, { step: TUB, events: [moved] });
	assert.deepEqual([...new Set(story.past.map((stretch) => stretch.place))], ['room', 'cold']);
	assert.equal(story.ahead.length, 1);
	assert.equal(story.ahead[0]?.place, 'cold');
});

test('asked what the cold would do, the answer is what moving it then does', () => {
	for (const now of [30, 90, 150]) {
		const asked = card(now, { kind: 'moved-now', legs: [COLD] }, { step: TUB });
		const moved = card(now + 1, undefined, {
			step: TUB,
			events: [{ kind: 'moved', atMs: now * MINUTE, leg: COLD }]
		});
		if (asked.marks.ripe === null) assert.equal(moved.marks.ripe, null);
		else close(moved.marks.ripe, asked.marks.ripe, 0.2 * MINUTE, `moved at ${now}`);
	}
	const frozen: Leg = { ...COLD, ambientCelsius: -18, timeConstantMinutes: 20 };
	assert.equal(card(10, { kind: 'moved-now', legs: [frozen] }, { step: TUB }).marks.ripe, null);
});

test('a room that rises brings it forward, less the later it rises; half the yeast takes twice as long', () => {
	const risen = (now: number) =>
		card(now, { kind: 'room-changes', kelvins: 3 }, { step: TUB }).marks.ripe ?? 0;
	const plain = card(0, undefined, { step: TUB }).marks.ripe ?? 0;
	assert.ok(risen(0) < risen(100) && risen(100) < plain);
	close(card(0, { kind: 'yeast-times', factor: 0.5 }).marks.ripe, 420 * MINUTE, MINUTE);
	close(card(0, { kind: 'yeast-times', factor: 2 }).marks.ripe, 105 * MINUTE, MINUTE);
	assert.equal(card(0, { kind: 'yeast-times', factor: 0.5 }).doseRipe, 420);
});

test('what was learned of its clock moves every mark alike', () => {
	const slow = card(0, undefined, { clockFactor: 1.2 });
	close(slow.marks.ripe, 252 * MINUTE, 0.05 * MINUTE);
	close(slow.marks.early, 204 * MINUTE, 0.05 * MINUTE);
});

test('the room as it was read is followed, and its last reading stands for what is to come', () => {
	const hot = card(60, undefined, {
		step: TUB,
		air: {
			room: [
				{ fromMs: -30 * MINUTE, celsius: 25 },
				{ fromMs: 20 * MINUTE, celsius: 31 }
			]
		}
	});
	const mild = card(60, undefined, { step: TUB });
	assert.ok(hot.celsiusNow > mild.celsiusNow + 0.4);
	assert.ok((hot.marks.ripe ?? 0) < (mild.marks.ripe ?? 0));
});

test('readings of a place become few stretches, none of them far from a reading', () => {
	const readings = Array.from({ length: 2000 }, (_, at) => ({
		atMs: at * MINUTE,
		celsius: drifted(24, 30, 300, at) + (at % 3) * 0.05
	}));
	const trace = traceOf(readings);
	assert.ok(trace.length < 40, `${trace.length} stretches`);
	let stretch = 0;
	for (const reading of readings) {
		while ((trace[stretch + 1]?.fromMs ?? Infinity) <= reading.atMs) stretch += 1;
		close(trace[stretch]?.celsius, reading.celsius, 0.2 + 1e-9);
	}
	assert.deepEqual(traceOf([]), []);
	// A probe that leaps about is told more roughly rather than in thousands of stretches.
	const wild = Array.from({ length: 3000 }, (_, at) => ({
		atMs: at * MINUTE,
		celsius: 22 + 8 * Math.sin(at * at)
	}));
	const rough = traceOf(wild);
	assert.ok(rough.length > 0 && rough.length <= 300, `${rough.length} stretches`);
	const calm = traceOf([
		...wild.slice(0, 200),
		...readings.map((reading) => ({ ...reading, atMs: reading.atMs + 300 * MINUTE }))
	]);
	assert.ok(
		calm.length > 150 && calm.length <= 300,
		`${calm.length} stretches, as fine as they were`
	);
	assert.deepEqual(traceOf([{ atMs: 5, celsius: 23 }]), [{ fromMs: 5, celsius: 23 }]);
});

test('a bulk cut short lengthens the proof by the share it carries, a late one shortens it within reason', () => {
	const proof = { ...HELD.clock, underMinutes: 80, ripeMinutes: 110, overMinutes: 150 };
	close(carriedDose(HELD.clock, 170, proof), 20, 1e-9);
	close(carriedDose({ ...HELD.clock, carryShare: 0 }, 170, proof), 0, 1e-9);
	close(carriedDose(HELD.clock, 230, proof), -10, 1e-9);
	close(carriedDose(HELD.clock, 2000, proof), -66, 1e-9, 'never less than 40 % of its own');
	// The proof counts minutes at a warmer reference: the same work is fewer of them.
	const warm = carriedDose(HELD.clock, 170, { ...proof, referenceCelsius: 28 });
	assert.ok(warm > 0 && warm < 20, `${warm}`);
	const longer = clockWithCarry(proof, 20);
	assert.deepEqual([longer.underMinutes, longer.ripeMinutes, longer.overMinutes], [100, 130, 170]);
});
