import { test } from 'node:test';
import assert from 'node:assert/strict';
import { announcements, feedsAhead } from './index.ts';

const HOUR_MS = 3_600_000;
const NOW = Date.UTC(2026, 10, 24, 16);
const at = (hours: number) => NOW + hours * HOUR_MS;

type Told = Parameters<typeof announcements>[0];
const asked = {
	nowMs: NOW,
	grams: 500,
	ratio: { seed: 1, flour: 4, water: 4 },
	feedsAtMs: [] as readonly number[],
	readyMinutes: 300,
	uses: [{ atMs: at(4), grams: 300, by: 'Wheat levain' }],
	returns: [] as Told['returns'],
	keepGrams: 100
};
function told(
	change: Partial<typeof asked> = {},
	beside: Partial<Omit<Told, 'grams'>> & { readonly grams?: number | null } = {}
) {
	const input = { ...asked, ...change };
	return announcements({
		...input,
		ahead: feedsAhead(input),
		moments: { feedsAtMs: input.feedsAtMs, lateMinutes: 0 },
		marks: { early: at(-2), ripe: at(-1), late: at(6) },
		lastFeedMs: at(-6),
		lastScheduledMs: null,
		isToRest: false,
		...beside
	});
}
const kinds = (all: ReturnType<typeof told>) => all.map(({ kind }) => kind);

test('a culture with enough of it, ripe when it is taken, has nothing to tell', () => {
	assert.deepEqual(told(), []);
});

test('what is short comes first, with what would mend it', () => {
	const [first] = told({ grams: 50 }, { isToRest: true });
	assert.equal(first?.kind, 'short');
	assert.deepEqual(kinds(told({ grams: 50 }, { isToRest: true })), ['short', 'to-rest']);
	assert.deepEqual(kinds(told({}, { grams: null })), ['not-weighed']);
});

test('a feed is told when it is due, and as missed when nobody wrote it down', () => {
	assert.deepEqual(kinds(told({ feedsAtMs: [at(0.4)] })), ['feed-now']);
	assert.deepEqual(kinds(told({ feedsAtMs: [at(2)] })), []);
	const missed = (lastFeedMs: number | null, lastScheduledMs: number) =>
		kinds(told({}, { lastFeedMs, lastScheduledMs }));
	assert.deepEqual(missed(at(-30), at(-2)), ['feed-missed']);
	assert.deepEqual(missed(null, at(-2)), [], 'it was never fed here');
	assert.deepEqual(missed(at(-4), at(-2)), [], 'two hours early is that feed');
	assert.deepEqual(missed(at(-60), at(-30)), [], 'long over');
});

test('too young, past its best, and too late to be refreshed are told of the first that takes it', () => {
	const marks = { early: at(5), ripe: at(6), late: at(8) };
	assert.deepEqual(kinds(told({}, { marks })), ['young-when-taken']);
	const old = { early: at(-9), ripe: at(-8), late: at(1) };
	assert.deepEqual(kinds(told({}, { marks: old })), ['old-when-taken']);
	assert.deepEqual(kinds(told({ feedsAtMs: [at(1)] }, { marks: old })), [], 'it is fed before');
	assert.deepEqual(kinds(told({ uses: [] }, { marks: old })), []);
	const late = told({}, { moments: { feedsAtMs: [], lateMinutes: 90 } });
	assert.deepEqual(kinds(late), ['refreshed-too-late']);
});

test('what it seeded is ripe and gives it back, once that was begun', () => {
	const back = { atMs: at(-1), grams: 800, from: 'Wheat levain', batchId: 'b' };
	assert.deepEqual(kinds(told({ returns: [back] })), ['keep-back']);
	assert.deepEqual(kinds(told({ returns: [{ ...back, batchId: null }] })), []);
	assert.deepEqual(kinds(told({ returns: [{ ...back, atMs: at(1) }] })), []);
});

test('where less is left than is kept, that is told', () => {
	assert.deepEqual(kinds(told({ grams: 350 })), ['keeps-too-little']);
});
