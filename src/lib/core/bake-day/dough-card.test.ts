import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import type { Leg, RipenessClock, WaitStep } from '../formula/index.ts';
import { BULK } from './harbour-day.fixture.ts';
import { doughCard, type WhatIf } from './index.ts';

const close = (actual: number | undefined, expected: number, within: number) =>
	assert.ok(
		actual !== undefined && Math.abs(actual - expected) <= within,
		`${actual} is not ${expected}`
	);
const HELD: WaitStep & { readonly clock: RipenessClock } = {
	...BULK,
	clock: BULK.clock!,
	legs: [{ place: 'room', ambientCelsius: 25, timeConstantMinutes: 420, minutes: null }]
};
const COLD: Leg = { place: 'cold', ambientCelsius: 4, timeConstantMinutes: 240, minutes: null };
function card(now: number, whatIf?: WhatIf, start = 25, step = HELD) {
	const result = doughCard(step, start, now, whatIf);
	assert.ok(result.ok, JSON.stringify(result));
	return result.value;
}

test('a dough held at 25 has done what the clock says, and is ripe when it was going to be', () => {
	for (const now of [0, 60, 105, 209]) {
		const one = card(now);
		close(one.doseSoFar, now, 1e-6);
		close(one.celsiusNow, 25, 1e-9);
		close(one.marks?.ripe, 210, 0.02);
		close(one.marks?.early, 170, 0.02);
	}
	assert.equal(card(0).doseRipe, 210);
});

test('a warmer start is ripe earlier, whenever one looks at it', () => {
	const warm = card(0, undefined, 28);
	assert.ok((warm.marks?.ripe ?? 0) < 195);
	fc.assert(
		fc.property(fc.double({ min: 0, max: 180, noNaN: true }), (now) =>
			close(card(now, undefined, 28).marks?.ripe, warm.marks?.ripe ?? 0, 0.05)
		),
		{ numRuns: 30 }
	);
});

test('sent to the cold now it goes on for hours and is ripe much later; the later it goes, the earlier', () => {
	let before = Infinity;
	for (const now of [30, 90, 150]) {
		const ripe = card(now, { kind: 'cold-now', cold: COLD }).marks?.ripe ?? 0;
		assert.ok(ripe > 210 && ripe < before, `${ripe}`);
		before = ripe;
	}
	const frozen: Leg = { ...COLD, ambientCelsius: -18, timeConstantMinutes: 20 };
	const stopped = doughCard(HELD, 25, 10, { kind: 'cold-now', cold: frozen });
	assert.ok(!stopped.ok && stopped.error.kind === 'never-ripe');
});

test('a room that rises brings it forward, less the later it rises; half the yeast takes twice as long', () => {
	const risen = (now: number) => card(now, { kind: 'room-changes', kelvins: 3 }).marks?.ripe ?? 0;
	assert.ok(risen(0) < risen(100) && risen(100) < 210);
	close(card(0, { kind: 'yeast-times', factor: 0.5 }).marks?.ripe, 420, 0.05);
	close(card(0, { kind: 'yeast-times', factor: 2 }).marks?.ripe, 105, 0.05);
	assert.equal(card(0, { kind: 'yeast-times', factor: 0.5 }).doseRipe, 420);
});

test('a wait of two places keeps what is past, and only what is to come changes', () => {
	const moved: typeof HELD = {
		...HELD,
		legs: [
			{ place: 'room', ambientCelsius: 25, timeConstantMinutes: 420, minutes: 60 },
			{ ...COLD, minutes: null }
		]
	};
	const early = card(30, undefined, 25, moved);
	const late = card(200, undefined, 25, moved);
	close(late.marks?.ripe, early.marks?.ripe ?? 0, 0.05);
	assert.ok(late.celsiusNow < 16 && late.doseSoFar > 60);
	// It is in the cold already: a warmer room changes nothing.
	const warmer = card(200, { kind: 'room-changes', kelvins: 5 }, 25, moved);
	close(warmer.marks?.ripe, late.marks?.ripe ?? 0, 0.05);
});
