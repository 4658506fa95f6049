import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import type { RipenessClock } from '../formula/index.ts';
import {
	clockAfterFeed,
	feedMoments,
	feedOf,
	feedsAhead,
	growthOf,
	hydrationAfterFeeds,
	ledgerOf,
	massOf,
	refreshesWanted,
	weightOf,
	type CultureEvent
} from './index.ts';

const HOUR_MS = 3_600_000;
const NOW = Date.UTC(2026, 10, 24, 16);
const at = (hours: number) => NOW + hours * HOUR_MS;
const ratio = { seed: 1, flour: 4, water: 4 };
const CLOCK: RipenessClock = {
	leavening: 'sourdough',
	referenceCelsius: 21,
	underMinutes: 480,
	ripeMinutes: 600,
	overMinutes: 780,
	carryShare: 0
};
const close = (actual: number, expected: number, within = 1e-9) =>
	assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);

test('a feed by its ratio comes to what is wanted of it', () => {
	assert.equal(growthOf(ratio), 9);
	assert.deepEqual(feedOf(ratio, 900), { seedGrams: 100, flourGrams: 400, waterGrams: 400 });
	assert.equal(weightOf({ seedGrams: 100, flourGrams: 400, waterGrams: 300 }), 800);
	assert.equal(hydrationAfterFeeds({ seed: 1, flour: 5, water: 4 }), 80);
});

test('a feed of another growth peaks by the logarithm of it, stiffer ones later', () => {
	const ordinary = { seed: 1, flour: 5, water: 5 };
	const feed = (seedGrams: number, flourGrams: number, waterGrams: number) =>
		clockAfterFeed(CLOCK, ordinary, { seedGrams, flourGrams, waterGrams }, 100);
	close(feed(100, 500, 500).ripeMinutes, 600);
	const quick = feed(100, 100, 100);
	// 1:1:1 grows its flour three times, 1:5:5 eleven times.
	close(quick.ripeMinutes, (600 * Math.log(3)) / Math.log(11));
	close(quick.underMinutes / quick.ripeMinutes, 0.8);
	close(quick.overMinutes / quick.ripeMinutes, 1.3);
	assert.ok(feed(100, 500, 250).ripeMinutes > 620, 'half the water makes it slow');
	assert.equal(feed(0, 500, 500).ripeMinutes, 600, 'without a seed nothing is known');
});

test('the ledger says what there is and where the rest went', () => {
	const events: CultureEvent[] = [
		{ kind: 'kept-back', atMs: at(-9), grams: 50 },
		{ kind: 'counted', atMs: at(-8), grams: 500 },
		{ kind: 'fed', atMs: at(-7), ...feedOf(ratio, 450) },
		{ kind: 'used', atMs: at(-3), grams: 400 },
		{ kind: 'kept-back', atMs: at(-2), grams: 300 },
		{ kind: 'taken-out', atMs: at(-1), grams: 400 },
		{ kind: 'counted', atMs: at(0), grams: 20 }
	];
	const lines = ledgerOf(events);
	assert.deepEqual(
		lines.map(({ afterGrams }) => afterGrams),
		[null, 500, 450, 50, 350, 0, 20],
		'before it was weighed nothing is known'
	);
	assert.equal(lines[2]?.outGrams, 450, 'the rest of it went out when it was fed');
	assert.equal(lines[5]?.foundGrams, 50, 'more went out than there was');
	assert.equal(lines[6]?.foundGrams, 20);
	assert.equal(massOf([]), null);
	assert.equal(massOf([{ kind: 'used', atMs: at(0), grams: 5 }]), null);
});

const grams = fc.integer({ min: 0, max: 5000 });
const anyEvent = fc.oneof(
	fc.record({ kind: fc.constant('counted' as const), atMs: fc.constant(0), grams }),
	fc.record({
		kind: fc.constant('fed' as const),
		atMs: fc.constant(0),
		seedGrams: grams,
		flourGrams: grams,
		waterGrams: grams
	}),
	fc.record({
		kind: fc.constantFrom('kept-back' as const, 'used' as const, 'taken-out' as const),
		atMs: fc.constant(0),
		grams
	})
);

test('a ledger balances: what came in and was found is what went out and is there', () => {
	fc.assert(
		fc.property(fc.array(anyEvent, { maxLength: 30 }), (events) => {
			const lines = ledgerOf(events);
			const first = lines.findIndex(({ afterGrams }) => afterGrams !== null);
			if (first < 0) return;
			let there = 0;
			for (const line of lines.slice(first)) {
				there += line.inGrams + line.foundGrams - line.outGrams;
				close(there, line.afterGrams ?? NaN, 1e-6);
				assert.ok(there >= -1e-9);
			}
		})
	);
});

const plain = {
	nowMs: NOW,
	grams: 200,
	ratio,
	feedsAtMs: [at(0)],
	readyMinutes: 300,
	uses: [{ atMs: at(12), grams: 900, by: 'Wheat levain' }],
	returns: [],
	keepGrams: 100
};

test('tomorrow sizes the feed of tonight, and it closes', () => {
	const found = feedsAhead(plain);
	const [feed] = found.feeds;
	close(feed?.grams ?? 0, 1000);
	close(feed?.seedGrams ?? 0, 1000 / 9);
	close(feed?.overGrams ?? 0, 200 - 1000 / 9);
	close(found.wantedGrams, 1000 / 9);
	assert.equal(feed?.readyMs, at(5));
	assert.ok(found.closes && found.short === null);
	close(found.leftGrams, 100);
});

test('a feed on the day before grows the seed of the next one', () => {
	const found = feedsAhead({
		...plain,
		grams: 30,
		feedsAtMs: [at(0), at(24)],
		uses: [
			{ atMs: at(12), grams: 100, by: 'small' },
			{ atMs: at(36), grams: 900, by: 'large' }
		]
	});
	// Then 1 000 g from 111 g of seed, with 100 g for the small one before.
	close(found.feeds[1]?.seedGrams ?? 0, 1000 / 9);
	close(found.feeds[0]?.grams ?? 0, 100 + 1000 / 9);
	assert.ok(found.closes);
});

test('what there is too little for is told with what is missing and when it can be met', () => {
	const found = feedsAhead({ ...plain, grams: 20, feedsAtMs: [] });
	assert.equal(found.short?.use.by, 'Wheat levain');
	close(found.short?.missingGrams ?? 0, 880);
	// 20 g to 1 000 g: 180 after one feed, enough after two.
	assert.equal(found.short?.met?.feeds, 2);
	assert.equal(found.short.met.atMs, at(10));
	// The first of the two seeds the second: 111 g, of what is there no more than that takes.
	close(weightOf(found.short.met.first), 1000 / 9);
	assert.ok(found.short.met.first.seedGrams <= 20);
	assert.equal(found.closes, false);
	const once = feedsAhead({ ...plain, grams: 20 });
	close(once.feeds[0]?.grams ?? 0, 180);
	close(once.feeds[0]?.wantedGrams ?? 0, 1000);
	close(once.short?.missingGrams ?? 0, 720);
	assert.equal(feedsAhead({ ...plain, grams: 0, feedsAtMs: [] }).short?.met, null);
	const never = feedsAhead({ ...plain, ratio: { seed: 100, flour: 1, water: 1 }, grams: 1 });
	assert.equal(never.short?.met, null, 'so many feeds are a new culture');
});

test('what comes back from what it seeded feeds the next night without a feed of its own', () => {
	const found = feedsAhead({
		...plain,
		grams: 900,
		feedsAtMs: [],
		uses: [
			{ atMs: at(2), grams: 900, by: 'tonight' },
			{ atMs: at(26), grams: 1000, by: 'tomorrow' }
		],
		returns: [{ atMs: at(7), grams: 1100, from: 'Wheat levain' }]
	});
	assert.ok(found.closes);
	close(found.wantedGrams, 900);
	assert.deepEqual(
		found.course.map(({ leftGrams }) => leftGrams),
		[0, 1100, 100]
	);
	const missed = feedsAhead({
		...plain,
		grams: 900,
		feedsAtMs: [],
		uses: [{ atMs: at(2), grams: 850, by: 'tonight' }]
	});
	assert.equal(missed.short, null);
	assert.equal(missed.closes, false, 'nothing is short, but less is left than is kept');
});

test('with what is wanted there everything comes out, and with less it does not', () => {
	const hours = fc.integer({ min: 0, max: 100 });
	const some = (max: number) => fc.integer({ min: 1, max });
	fc.assert(
		fc.property(
			fc.array(fc.record({ hours, grams: some(2000) }), { maxLength: 8 }),
			fc.array(fc.record({ hours, grams: some(900) }), { maxLength: 4 }),
			fc.array(hours, { maxLength: 5 }),
			some(300),
			(uses, returns, feeds, keepGrams) => {
				const input = {
					...plain,
					keepGrams,
					uses: uses.map((one) => ({ atMs: at(one.hours), grams: one.grams, by: 'x' })),
					returns: returns.map((one) => ({ atMs: at(one.hours), grams: one.grams, from: 'y' })),
					feedsAtMs: feeds.map(at)
				};
				const { wantedGrams } = feedsAhead({ ...input, grams: 0 });
				const enough = feedsAhead({ ...input, grams: wantedGrams + 1e-6 });
				assert.ok(enough.closes, 'enough closes');
				// Every gram is somewhere.
				const grown = enough.feeds.reduce(
					(total, one) => total + one.flourGrams + one.waterGrams - one.overGrams,
					0
				);
				const sum = (all: readonly { grams: number }[]) =>
					all.reduce((total, one) => total + one.grams, 0);
				close(wantedGrams + 1e-6 + grown + sum(returns) - sum(uses), enough.leftGrams, 1e-5);
				if (wantedGrams > 1)
					assert.equal(feedsAhead({ ...input, grams: wantedGrams - 0.5 }).closes, false);
			}
		)
	);
});

const moments = {
	nowMs: NOW,
	scheduledMs: [],
	firstUseMs: at(26),
	firstReturnMs: null,
	readyMinutes: 300,
	refreshes: 0,
	lateMs: null
};

test('a culture out of the cold is fed so often before it is taken, and in time', () => {
	const keeping = { coldDays: 4, refreshes: 2 };
	assert.equal(refreshesWanted(keeping, null, NOW), 0);
	assert.equal(refreshesWanted(keeping, at(-24), NOW), 0);
	assert.equal(refreshesWanted(keeping, at(-24 * 7), NOW), 2);
	assert.deepEqual(feedMoments({ ...moments, refreshes: 2 }), {
		feedsAtMs: [at(16), at(21)],
		lateMinutes: 0
	});
	assert.deepEqual(
		feedMoments({ ...moments, refreshes: 2, firstUseMs: at(8) }),
		{ feedsAtMs: [at(0), at(5)], lateMinutes: 120 },
		'too late for two of them, it begins now and says so'
	);
});

test('it is fed once where it would be past its best, and not where something else feeds it', () => {
	const late = { ...moments, lateMs: at(10) };
	assert.deepEqual(feedMoments(late).feedsAtMs, [at(21)]);
	assert.deepEqual(feedMoments({ ...late, lateMs: at(27) }).feedsAtMs, []);
	assert.deepEqual(feedMoments({ ...late, scheduledMs: [at(-1), at(20)] }).feedsAtMs, [at(20)]);
	assert.deepEqual(feedMoments({ ...late, firstReturnMs: at(5), refreshes: 1 }).feedsAtMs, []);
	assert.deepEqual(
		feedMoments({ ...moments, firstUseMs: null, scheduledMs: [at(3)], refreshes: 2 }).feedsAtMs,
		[at(3)],
		'what nothing takes is only kept'
	);
});
