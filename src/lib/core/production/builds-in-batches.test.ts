import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { id, type BatchId, type FormulaId, type PreparationId } from '../identity.ts';
import { usesByTime, type BuildUse, type ProductionInput } from './index.ts';
import { close, day as dayOf, demand, INPUT, large, small } from './oat-loaf-day.fixture.ts';

const use = (ordinal: number, grams: number): BuildUse => ({
	by: { kind: 'mix', formulaId: id<FormulaId>('dough'), ordinal },
	grams
});
const HOURS = [5, 5.5, 11, 6, 17];
const due = (by: BuildUse['by']) => (by.kind === 'mix' ? (HOURS[by.ordinal - 1] ?? NaN) : NaN);
const ordinals = (batches: readonly (readonly BuildUse[])[]) =>
	batches.map((uses) => uses.map(({ by }) => (by.kind === 'mix' ? by.ordinal : 0)));

test('what is due together is one batch: the cuts are where most time lies between', () => {
	const uses = HOURS.map((_, at) => use(at + 1, 1000));
	assert.deepEqual(ordinals(usesByTime(uses, 1, due)), [[1, 2, 4, 3, 5]]);
	assert.deepEqual(ordinals(usesByTime(uses, 2, due)), [[1, 2, 4, 3], [5]]);
	assert.deepEqual(ordinals(usesByTime(uses, 3, due)), [[1, 2, 4], [3], [5]]);
	assert.equal(usesByTime(uses, 9, due).length, 5, 'never more batches than takers');
});

test('where all is due at once the batches come out alike', () => {
	const uses = [4000, 1000, 1000, 2000].map((grams, at) => use(at + 1, grams));
	assert.deepEqual(ordinals(usesByTime(uses, 2, () => 0)), [[1], [2, 3, 4]]);
	assert.deepEqual(ordinals(usesByTime(uses, 2, () => Infinity)), [[1], [2, 3, 4]]);
});

test('every use is in one batch, and none is larger than it was', () => {
	fc.assert(
		fc.property(
			fc.array(fc.record({ hour: fc.nat(24), grams: fc.integer({ min: 1, max: 9000 }) }), {
				minLength: 1,
				maxLength: 12
			}),
			fc.integer({ min: 1, max: 6 }),
			(takers, batches) => {
				const uses = takers.map(({ grams }, at) => use(at + 1, grams));
				const found = usesByTime(uses, batches, (by) =>
					by.kind === 'mix' ? (takers[by.ordinal - 1]?.hour ?? 0) : 0
				);
				assert.equal(found.length, Math.min(batches, uses.length));
				assert.ok(found.every((batch) => batch.length > 0));
				assert.deepEqual(
					found
						.flat()
						.sort((a, b) =>
							a.by.kind === 'mix' && b.by.kind === 'mix' ? a.by.ordinal - b.by.ordinal : 0
						),
					uses
				);
			}
		)
	);
});

const LEVAIN = id<PreparationId>('levain');
/** The oat loaf in four mixes: two for six in the morning, two for noon. */
function day(change: Partial<ProductionInput> = {}) {
	const demands = [demand(large, 40, 6, 'shop'), demand(large, 30, 12), demand(small, 24, 12)];
	return dayOf({ ...INPUT, demands, ...change });
}

test('a levain in two batches is what one would be, kept back once', () => {
	const one = day().builds.filter(({ preparation }) => preparation.id === LEVAIN);
	const two = day({ batchesWanted: new Map([[LEVAIN, 2]]) }).builds.filter(
		({ preparation }) => preparation.id === LEVAIN
	);
	assert.deepEqual([one.length, two.length], [1, 2]);
	const sum = (all: typeof one) => all.reduce((total, { gross }) => total + gross.value, 0);
	close(sum(two), sum(one), 1e-6);
	assert.deepEqual(
		two.map(({ ordinal, takeBack }) => [ordinal, takeBack.grams > 0]),
		[
			[1, true],
			[2, false]
		]
	);
	const taken = two.flatMap(({ uses }) => uses);
	assert.equal(taken.length, one[0]?.uses.length, 'every mix takes from one of them');
});

test('the first of two batches was begun: what it is enough for stands, the rest is the second', () => {
	const wanted = { batchesWanted: new Map([[LEVAIN, 2]]) };
	const planned = day(wanted).builds.filter(({ preparation }) => preparation.id === LEVAIN);
	const [first, second] = planned;
	assert.ok(first && second);
	const begun = {
		batchId: id<BatchId>('begun'),
		ordinal: 1,
		stage: first.stage,
		gross: { grams: first.gross.value }
	};
	const then = day({ ...wanted, made: { mixes: [], preparations: [begun] } }).builds.filter(
		({ preparation }) => preparation.id === LEVAIN
	);
	assert.deepEqual(
		then.map(({ made, ordinal }) => [made !== null, ordinal]),
		[
			[true, 1],
			[false, 2]
		]
	);
	assert.deepEqual(then[0]?.uses, first.uses);
	close(then[1]?.gross.value ?? 0, second.gross.value, 1e-6);
	// Begun far smaller than it should be: it goes to the first of its mixes, in part, and one batch makes up the rest.
	const small = day({
		...wanted,
		made: { mixes: [], preparations: [{ ...begun, gross: { grams: first.gross.value / 3 } }] }
	}).builds.filter(({ preparation }) => preparation.id === LEVAIN);
	const grams = (all: typeof small) =>
		all.flatMap(({ uses }) => uses).reduce((total, one) => total + one.grams, 0);
	close(grams(small), grams(planned), 1e-6);
});
