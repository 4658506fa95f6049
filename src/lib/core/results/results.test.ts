import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { id, type DropId, type FormulaId, type ProductId } from '../identity.ts';
import { DAY, planned } from '../planning/harbour-day.fixture.ts';
import {
	bakedOf,
	countedOf,
	rescueOf,
	scoreOf,
	shortsOf,
	type PortionRef,
	type ResultEntry,
	type ResultTold
} from './index.ts';

const { plan } = planned(DAY);
const round = id<ProductId>('round');
const first: PortionRef = { formulaId: id<FormulaId>('loaf'), ordinal: 1, productId: round };
const ACCEPTED = 1_000;
let entries = 0;
const told = (what: ResultTold, { portion = first, atMs = 2_000 } = {}): ResultEntry => ({
	id: `result ${(entries += 1)}`,
	portion,
	told: what,
	by: 'Ilo',
	atMs
});
const count = (good: number, second: number, lost: number) =>
	told({ kind: 'counted', good, second, lost, because: '' });
const countedFirst = (results: readonly ResultEntry[]) => {
	const found = countedOf(DAY, results, ACCEPTED).find(
		({ portion }) => portion.ordinal === 1 && portion.productId === round
	);
	assert.ok(found);
	return found;
};
const shortOf = (results: readonly ResultEntry[]) =>
	shortsOf(DAY, countedOf(DAY, results, ACCEPTED), results, ACCEPTED);
const { pieces } = countedFirst([]);
const ordered = DAY.orders.reduce((all, order) => all + order.pieces, 0);
const plannedInAll = countedOf(DAY, [], ACCEPTED).reduce((all, one) => all + one.pieces, 0);
/** So many more are planned than were ordered. */
const SPARE = plannedInAll - ordered;

test('what is not counted yet is taken as good', () => {
	const half = countedFirst([count(2, 0, 1)]);
	assert.deepEqual([half.left, half.expected], [pieces - 3, pieces - 1]);
	const all = countedFirst([count(2, 0, 1), count(pieces - 5, 2, 0)]);
	assert.deepEqual([all.left, all.expected, all.second], [0, pieces - 3, 2]);
	assert.equal(shortOf([]).length, 0);
});

test('a short count is open until it is answered: by who gets less, or by what is made again', () => {
	const lost = SPARE + 3;
	const counts = [count(0, 0, lost)];
	const [short] = shortOf(counts);
	assert.ok(short);
	assert.deepEqual([short.open, short.expected], [3, ordered - 3]);
	const [last, ...others] = short.drops;
	assert.ok(last);
	assert.ok(
		others.every(({ readyByMs }) => readyByMs <= last.readyByMs),
		'the one that goes last first'
	);
	assert.equal(last.wouldGet, last.ordered - 3);
	const less = told({ kind: 'less', dropId: last.dropId, pieces: 2 });
	const [half] = shortOf([...counts, less]);
	assert.deepEqual([half?.open, half?.drops[0]?.gets], [1, last.ordered - 2]);
	const [answered] = shortOf([...counts, less, told({ kind: 'again', pieces: 1 })]);
	assert.deepEqual([answered?.open, answered?.toPlan], [0, 1]);
});

test('what is made again by an accepted plan is expected once', () => {
	const lost = SPARE + 3;
	const results = [count(0, 0, lost), told({ kind: 'again', pieces: 3 })];
	// The plan after it: the first portion three smaller, a further mix of three.
	const doughs = DAY.doughs.map((dough) => ({
		...dough,
		mixes: dough.mixes.flatMap((mix) =>
			mix.ordinal !== 1
				? [mix]
				: [
						{ ...mix, portions: mix.portions.map((one) => ({ ...one, pieces: one.pieces - 3 })) },
						{
							...mix,
							ordinal: 9,
							portions: mix.portions
								.filter(({ productId }) => productId === round)
								.map((one) => ({ ...one, pieces: 3 }))
						}
					]
		)
	}));
	const after = 3_000;
	const counted = countedOf({ doughs }, results, after);
	assert.deepEqual(shortsOf(DAY, counted, results, after), []);
	assert.equal(counted.find(({ portion }) => portion.ordinal === 1)?.pieces, pieces);
});

test('whatever is counted, no drop gets less than nothing, and what is open is no more than what was lost', () => {
	const number = fc.nat({ max: 400 });
	fc.assert(
		fc.property(fc.array(fc.tuple(number, number, number), { maxLength: 5 }), (counts) => {
			const results = counts.map((of) => count(...of));
			const notGood = counts.reduce((all, [, second, lost]) => all + second + lost, 0);
			for (const short of shortOf(results)) {
				assert.ok(short.open <= notGood);
				for (const { gets, wouldGet, ordered: of } of short.drops)
					assert.ok(gets >= 0 && wouldGet >= 0 && wouldGet <= gets && gets <= of);
			}
		})
	);
});

test('a further batch takes as long as the one that was short, and makes the drops that wait so long', () => {
	const begins = Math.min(
		...plan.tasks
			.filter(({ batch }) => batch.kind === 'mix' && batch.ordinal === 1)
			.map(({ startMs }) => startMs)
	);
	const now = rescueOf(DAY, plan, first, begins);
	assert.ok(now);
	const latest = Math.max(
		...plan.tasks
			.filter(({ batch }) => batch.kind !== 'preparation' && batch.ordinal === 1)
			.map(({ endMs }) => endMs)
	);
	assert.equal(now.readyMs, latest);
	const byThen = DAY.drops.filter(({ readyByMs }) => readyByMs >= latest).map(({ id: of }) => of);
	assert.deepEqual(
		now.drops,
		byThen.filter((of: DropId) => DAY.orders.some(({ dropId }) => dropId === of))
	);
	assert.ok(now.takes.length > 0, 'its levain has to be there');
	assert.deepEqual(rescueOf(DAY, plan, first, begins + 86_400_000)?.drops, []);
	assert.equal(rescueOf(DAY, plan, { ...first, ordinal: 99 }, begins), null);
});

test('what pieces weigh and how they score is the newest of what was told', () => {
	assert.equal(bakedOf([], 900), null);
	const weighed = bakedOf([told({ kind: 'weighed', pieces: 10, bakedGrams: 7_920 })], 900);
	assert.ok(weighed);
	assert.equal(weighed.grams, 792);
	assert.ok(Math.abs(weighed.lossShare - 0.12) < 1e-12);
	const scored = (crust: number | null, crumb: number | null, atMs: number) =>
		told({ kind: 'scored', scores: { crust, crumb, taste: null }, note: '' }, { atMs });
	assert.deepEqual(scoreOf([scored(4, null, 9), scored(2, 3, 5)]), {
		crust: 4,
		crumb: 3,
		taste: null
	});
});
