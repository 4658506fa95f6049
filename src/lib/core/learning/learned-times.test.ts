import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { learnedLoss, learnedRecovery, learnedShare } from './index.ts';

const times = (...shares: readonly number[]) =>
	shares.map((share, at) => ({ id: `${at}`, bookMinutes: 10, realMinutes: 10 * share }));
const near = (actual: number, wanted: number, off = 0.02) =>
	assert.ok(Math.abs(actual - wanted) < off, `${actual} is not ${wanted}`);

test('hands that take 1.3 times their minutes three nights long are believed to', () => {
	near(learnedShare(times(1.3, 1.3, 1.3)).share, 1.25);
	near(learnedShare(times(...Array.from({ length: 20 }, () => 1.3))).share, 1.29);
	assert.deepEqual([learnedShare([]).share, learnedShare([]).used], [1, 0]);
});

test('who forgot to tap is no slow hand', () => {
	const { share, leftOut } = learnedShare(times(1, 1.05, 0.95, 9));
	near(share, 1, 0.04);
	assert.deepEqual(leftOut, ['3']);
});

test('a stone that is short at its loads asks for time, a hot one for none', () => {
	const read = (...off: readonly number[]) =>
		off.map((offKelvins, at) => ({ id: `${at}`, offKelvins }));
	near(learnedRecovery(read(-20, -20, -20, -20), 2).minutes, 3.85, 0.2);
	assert.equal(learnedRecovery(read(12, 9), 2).minutes, 0);
	assert.deepEqual(learnedRecovery([], 2), { minutes: 0, offKelvins: 0, used: 0 });
});

test('bake loss goes from the book to what was weighed', () => {
	const weighed = [0.14, 0.14, 0.14].map((lossShare, at) => ({ id: `${at}`, lossShare }));
	near(learnedLoss(0.12, weighed).lossShare, 0.139, 0.002);
	assert.equal(learnedLoss(0.12, []).lossShare, 0.12);
});

test('what is learned of honest times lies between the book and them', () => {
	fc.assert(
		fc.property(
			fc.double({ min: 0.7, max: 1.4, noNaN: true }),
			fc.integer({ min: 1, max: 15 }),
			(share, count) => {
				const learned = learnedShare(times(...Array.from({ length: count }, () => share))).share;
				assert.ok(
					learned >= Math.min(1, share) - 0.01 && learned <= Math.max(1, share) + 0.01,
					`${learned} of ${share}`
				);
			}
		)
	);
});
