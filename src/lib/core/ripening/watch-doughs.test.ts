import { test } from 'node:test';
import assert from 'node:assert/strict';
import type { Leg } from '../formula/index.ts';
import { BULK } from '../planning/harbour-day.fixture.ts';
import { doughCard, watchDoughs, type BakeryAir, type WatchedDough } from './index.ts';

const MINUTE = 60_000;
const COLD: Leg = {
	named: null,
	place: 'cold',
	ambientCelsius: 5,
	timeConstantMinutes: 240,
	minutes: null
};
const AIR: BakeryAir = {
	room: [{ fromMs: 0, celsius: 31 }],
	roomCelsius: 31,
	named: new Map(),
	retarders: [
		{
			id: 'cabinet',
			setCelsius: 5,
			compressorWatts: 250,
			airKilojoulesPerKelvin: 40,
			wallsWattsPerKelvin: 5
		}
	]
};
const tub = (movedAt: number | null): WatchedDough => ({
	step: { ...BULK, clock: BULK.clock! },
	clockFactor: 1,
	grams: 25_000,
	mixedAtMs: 0,
	mixedCelsius: 26,
	events: movedAt === null ? [] : [{ kind: 'moved', atMs: movedAt * MINUTE, leg: COLD }],
	retarderId: movedAt === null ? null : 'cabinet'
});

test('two tubs in a weak cabinet warm its air, and each ripens sooner than alone', () => {
	const now = 300 * MINUTE;
	const [alone] = watchDoughs([tub(40)], AIR, now).stories;
	const both = watchDoughs([tub(40), tub(60)], AIR, now);
	const [first, second] = both.stories;
	assert.ok(alone && first && second);
	assert.ok(first.celsius > alone.celsius + 0.3, `${first.celsius} and ${alone.celsius}`);
	assert.ok(first.dose > alone.dose);
	const ripe = (story: typeof first) => doughCard(story).marks.ripe ?? Infinity;
	assert.ok(ripe(first) < ripe(alone));
	const air = both.cold.get('cabinet');
	assert.ok(air && air.fromMs === 40 * MINUTE);
	assert.ok(Math.max(...air.moments.map((moment) => moment.airCelsius)) > 7, 'the air rises');
});

test('a dough that stays out is not touched by the cold, and an empty cold room stands at its setting', () => {
	const { stories, cold } = watchDoughs([tub(null)], AIR, 200 * MINUTE);
	assert.ok((stories[0]?.celsius ?? 0) > 26);
	const temperatures = cold.get('cabinet')?.moments.map((moment) => moment.airCelsius) ?? [];
	assert.ok(Math.max(...temperatures) < 6.1, 'only its walls warm it');
	assert.deepEqual(watchDoughs([], AIR, 0).stories, []);
});

test('the story in a shared cold room goes on where the forecast said it would', () => {
	const doughs = [tub(40), tub(60)];
	const cardsAt = (minutes: number) =>
		watchDoughs(doughs, AIR, minutes * MINUTE).stories.map((story) => {
			assert.ok(story);
			return doughCard(story);
		});
	const [early, late] = [cardsAt(90), cardsAt(400)];
	for (const [index, one] of early.entries()) {
		const ripe = one.marks.ripe;
		assert.ok(ripe !== null);
		assert.ok(Math.abs((late[index]?.marks.ripe ?? 0) - ripe) < 1.5 * MINUTE);
	}
});

test('a dough that was forgotten in the cold is followed for four weeks, and costs no more after years', () => {
	const month = watchDoughs([tub(40)], AIR, (40 + 28 * 1440) * MINUTE);
	const years = watchDoughs([tub(40)], AIR, 5 * 365 * 1440 * MINUTE);
	const [story] = years.stories;
	assert.ok(story && month.stories[0]);
	assert.equal(story.nowMs, (40 + 28 * 1440) * MINUTE, 'its story ends where it is given up');
	assert.ok(Math.abs(month.stories[0].celsius - 5.06) < 0.01, `${month.stories[0].celsius}`);
	assert.deepEqual(years.cold.get('cabinet')?.moments[0]?.loads, [], 'it is counted no more');
	assert.ok((years.cold.get('cabinet')?.moments.length ?? 0) < 200);
});

test('whatever was written down of a cold room or a move, every dough of the day is still told', () => {
	const hostile = [
		{ ...AIR.retarders[0]!, airKilojoulesPerKelvin: 0.1 },
		{ ...AIR.retarders[0]!, compressorWatts: 100_000, airKilojoulesPerKelvin: 1e-9 },
		{ ...AIR.retarders[0]!, compressorWatts: 1e-6, wallsWattsPerKelvin: 1000 }
	];
	for (const retarder of hostile)
		for (const timeConstantMinutes of [0.01, 1e-9, 100_000]) {
			const moved = tub(40);
			const doughs = [
				tub(null),
				{
					...moved,
					events: moved.events.map((event) =>
						event.kind === 'moved'
							? { ...event, leg: { ...event.leg, timeConstantMinutes } }
							: event
					)
				}
			];
			for (const minutes of [41, 20_000, 200_000_000]) {
				const { stories } = watchDoughs(
					doughs,
					{ ...AIR, retarders: [retarder] },
					minutes * MINUTE
				);
				assert.equal(stories.length, 2);
				assert.ok(stories[0] && Number.isFinite(stories[0].celsius), 'the one outside stands');
				assert.ok(stories[1] === null || Number.isFinite(stories[1]?.celsius));
			}
		}
});
