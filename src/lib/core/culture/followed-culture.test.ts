import { test } from 'node:test';
import assert from 'node:assert/strict';
import type { RipeningStep } from '../ripening/index.ts';
import {
	followedCulture,
	judgeCulture,
	standingOfStart,
	STARTING,
	type Beginning,
	type SeenCulture
} from './index.ts';

const HOUR_MS = 3_600_000;
const FED = Date.UTC(2026, 10, 24, 6);
const at = (hours: number) => FED + hours * HOUR_MS;
const STEP: RipeningStep = {
	kind: 'wait',
	activity: 'ferment',
	legs: [
		{
			named: null,
			place: 'room',
			ambientCelsius: 26,
			timeConstantMinutes: Infinity,
			minutes: null
		}
	],
	clock: {
		leavening: 'sourdough',
		referenceCelsius: 26,
		underMinutes: 240,
		ripeMinutes: 300,
		overMinutes: 390,
		carryShare: 0
	},
	foldsAtMinutes: [],
	foldsAtShares: []
};
const seenAt = (hours: number, clockShare: number, seenShare: number): SeenCulture => ({
	atMs: at(hours),
	sightings: [],
	clockShare,
	seenShare,
	seenSpread: 0.06
});
const follow = (seen: readonly SeenCulture[] = [], hours = 2.5) =>
	followedCulture({
		step: STEP,
		fedAtMs: FED,
		fedCelsius: 26,
		events: [],
		seen,
		air: {},
		nowMs: at(hours)
	});
const hoursOf = (ms: number | null) => (ms === null ? NaN : (ms - FED) / HOUR_MS);

test('held at its reference a culture is ripe by its clock', () => {
	const { card, clockFactor, used } = follow();
	assert.equal(clockFactor, 1);
	assert.equal(used, 0);
	assert.ok(Math.abs(hoursOf(card.marks.early) - 4) < 0.01);
	assert.ok(Math.abs(hoursOf(card.marks.ripe) - 5) < 0.01);
	assert.ok(Math.abs(hoursOf(card.marks.late) - 6.5) < 0.01);
});

test('what is seen corrects the clock, that of this feed more than that of others', () => {
	// At half of its clock it looks as ripe as at 70 %: it is quicker.
	const now = follow([seenAt(2.5, 0.5, 0.7)]);
	assert.equal(now.used, 1);
	assert.ok(now.clockFactor < 0.82 && now.clockFactor > 0.71, String(now.clockFactor));
	assert.ok(hoursOf(now.card.marks.ripe) < 4.1);
	const earlier = follow([seenAt(-20, 0.5, 0.7)]);
	assert.ok(earlier.clockFactor < 0.95 && earlier.clockFactor > now.clockFactor);
	const often = follow([-68, -44, -20].map((hours) => seenAt(hours, 0.5, 0.7)));
	assert.ok(often.clockFactor < earlier.clockFactor);
	assert.ok(often.band.high - often.band.low < earlier.band.high - earlier.band.low);
	assert.equal(follow([seenAt(4, 0.8, 1)]).used, 0, 'what lies ahead was not seen');
	assert.equal(follow([{ ...seenAt(2, 0.4, 1), seenShare: null }]).used, 0);
});

test('what is seen of it is judged together with its clock', () => {
	const culture = follow();
	assert.equal(judgeCulture(culture, []).verdict, 'not-yet');
	assert.equal(judgeCulture(culture, [{ kind: 'volume', seen: 'tripled' }]).atOdds, true);
	const late = follow([], 8);
	assert.equal(judgeCulture(late, [{ kind: 'volume', seen: 'collapsing' }]).verdict, 'late');
});

const start = (
	beginning: Beginning,
	feeds: readonly number[],
	risen: readonly number[],
	hours: number
) =>
	standingOfStart({
		beginning,
		begunAtMs: FED,
		done: feeds.map((hour) => ({ atMs: at(hour), isFeed: true })),
		seen: risen.map((hour) => ({
			atMs: at(hour),
			sightings: [{ kind: 'volume', seen: 'doubled' } as const]
		})),
		nowMs: at(hours)
	});

test('a new culture goes step by step, each counted from when the one before was really done', () => {
	const first = start('flour-and-water', [], [], 1);
	assert.equal(first.day, 1);
	assert.equal(first.next.what, 'stir');
	assert.equal(first.next.dueMs, at(24));
	const late = start('flour-and-water', [30], [], 31);
	assert.equal(late.next.what, 'feed');
	assert.equal(late.next.dueMs, at(54));
	assert.equal(late.day, 2);
	const through = start('flour-and-water', [24, 48, 72, 96, 120, 132], [], 133);
	assert.deepEqual([through.next.what, through.next.dueMs], ['feed', at(144)], 'twice a day then');
	for (const steps of Object.values(STARTING)) assert.ok(steps.length > 0);
});

test('it is trusted when it rose by itself twice in a row, and not before its days', () => {
	const feeds = [24, 48, 72, 96, 120, 144, 156, 168];
	assert.equal(start('flour-and-water', feeds, [152, 162, 174], 175).isReady, true);
	assert.equal(start('flour-and-water', feeds, [174], 175).isReady, false, 'once is not twice');
	assert.equal(start('flour-and-water', feeds, [152, 174], 175).rises, 1, 'one between did not');
	assert.equal(start('flour-and-water', feeds, [150, 160], 170).rises, 2, 'the last is still open');
	// Lively on the second day: other bacteria, and no sign.
	const lively = start('flour-and-water', [24, 48, 60], [52, 64], 66);
	assert.equal(lively.isReady, false);
	assert.equal(start('ripe-culture', [12, 24, 36], [30, 40], 41).isReady, true);
	assert.equal(start('flour-and-water', feeds, [], 17 * 24).isSlow, true);
});
