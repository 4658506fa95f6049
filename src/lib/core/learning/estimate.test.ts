import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { chanceFrom, normalFrom } from '../chance.ts';
import { estimate, type Observation } from './index.ts';

const PRIOR = { mean: 9.6, spread: 2.5 };
const reading = (value: number, at = 0, spread = 1): Observation => ({
	id: `reading ${at}`,
	value,
	spread
});
const close = (actual: number, expected: number, within: number) =>
	assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);

test('without observations the prior is given back', () => {
	const belief = estimate(PRIOR, []);
	close(belief.mean, 9.6, 1e-6);
	close(belief.spread, 2.5, 0.01);
	close(belief.band.high - 9.6, 1.2816 * 2.5, 0.02);
});

test('six readings of 11 pull a prior of 9.6 ± 2.5 to 11 less a little', () => {
	const belief = estimate(
		PRIOR,
		Array.from({ length: 6 }, (_, at) => reading(11, at))
	);
	// Normal by hand: (9.6 / 6.25 + 66) / (0.16 + 6) and 1 / sqrt(6.16), wild readings aside.
	close(belief.mean, 10.96, 0.02);
	close(belief.spread, 0.4, 0.03);
	assert.deepEqual(belief.leftOut, []);
});

test('one wild reading is named and moves next to nothing, whenever it comes', () => {
	const honest = [10.4, 11.2, 10.9, 11.6, 11.0].map((value, at) => reading(value, at));
	const without = estimate(PRIOR, honest);
	for (const place of [0, 2, 5]) {
		const wild = [...honest];
		wild.splice(place, 0, { id: 'wild', value: 22, spread: 1 });
		const belief = estimate(PRIOR, wild);
		assert.deepEqual(belief.leftOut, ['wild']);
		assert.equal(belief.used.length, 5);
		close(belief.mean, without.mean, 0.1);
	}
});

test('honest readings that agree far from what was believed win, and a single one there does not', () => {
	const agree = (value: number, spread: number, count: number) =>
		Array.from({ length: count }, (_, at) => reading(value, at, spread));
	// Normal by hand: (1 / 0.0625 + 5 * 2.7 / 0.0144) / (1 / 0.0625 + 5 / 0.0144) = 2.625, wild readings aside.
	const narrow = estimate({ mean: 1, spread: 0.25 }, agree(2.7, 0.12, 5));
	close(narrow.mean, 2.625, 0.01);
	assert.equal(narrow.used.length, 5);
	// The same by hand: (9.6 / 6.25 + 6 * 30) / (1 / 6.25 + 6) = 29.47.
	const work = estimate(PRIOR, agree(30, 1, 6));
	close(work.mean, 29.4, 0.1);
	assert.equal(work.used.length, 6);
	for (const one of [
		estimate({ mean: 1, spread: 0.25 }, agree(2.7, 0.12, 1)),
		estimate(PRIOR, agree(30, 1, 1))
	])
		assert.deepEqual([one.used.length, one.leftOut.length], [0, 1]);
});

test('what is believed is what adding up over a wide, fine grid gives, wherever the readings lie', () => {
	const normal = (off: number, spread: number) => Math.exp(-0.5 * (off / spread) ** 2) / spread;
	let far = 0;
	fc.assert(
		fc.property(
			fc.array(
				fc.integer({ min: -120, max: 300 }).map((tenths) => tenths / 10),
				{ minLength: 1, maxLength: 6 }
			),
			fc.integer({ min: 4, max: 20 }).map((tenths) => tenths / 10),
			(values, spread) => {
				const prior = { mean: 3, spread: 1 };
				if (values.some((value) => Math.abs(value - 3) > 6)) far += 1;
				let [total, sum] = [0, 0];
				for (let x = -30; x <= 50; x += 0.005) {
					let weight = normal(x - 3, 1);
					for (const value of values)
						weight *= 0.95 * normal(value - x, spread) + 0.05 * normal(value - x, 12 * spread);
					total += weight;
					sum += weight * x;
				}
				const belief = estimate(
					prior,
					values.map((value, at) => reading(value, at, spread))
				);
				close(belief.mean, sum / total, 0.01);
			}
		),
		{ numRuns: 60 }
	);
	assert.ok(far > 20, `${far} reached beyond the prior`);
});

test('the order of the observations changes nothing, and more of them never widen an honest belief', () => {
	fc.assert(
		fc.property(
			fc.array(fc.double({ min: 6, max: 14, noNaN: true }), { minLength: 1, maxLength: 12 }),
			(values) => {
				const all = values.map((value, at) => reading(value, at));
				const there = estimate(PRIOR, all);
				const back = estimate(PRIOR, [...all].reverse());
				close(there.mean, back.mean, 1e-6);
				assert.ok(there.band.low < there.mean && there.mean < there.band.high);
			}
		),
		{ numRuns: 30 }
	);
	const same = (count: number) =>
		estimate(
			PRIOR,
			Array.from({ length: count }, (_, at) => reading(10, at))
		).spread;
	assert.ok(same(2) < same(1) && same(8) < same(2));
});

test('over 1 000 generated bakeries the band of eight in ten covers the truth 77 to 83 times in a hundred', () => {
	const next = chanceFrom(20_261_124);
	let covered = 0;
	let missed = 0;
	for (let bakery = 0; bakery < 1000; bakery += 1) {
		const truth = PRIOR.mean + PRIOR.spread * normalFrom(next);
		const count = 1 + Math.floor(next() * 12);
		const observations = Array.from({ length: count }, (_, at) => {
			const wild = next() < 0.05;
			return reading(truth + (wild ? 12 : 1) * normalFrom(next), at);
		});
		const { band, mean } = estimate(PRIOR, observations);
		if (band.low <= truth && truth <= band.high) covered += 1;
		if (Math.abs(mean - truth) > 2.5) missed += 1;
	}
	assert.ok(covered >= 770 && covered <= 830, `${covered} of 1000`);
	assert.ok(missed < 30, `${missed} are far off`);
});

test('it converges on the truth with outliers among many readings', () => {
	const next = chanceFrom(7);
	const observations = Array.from({ length: 200 }, (_, at) =>
		reading(12 + (at % 10 === 0 ? 15 : 0) + normalFrom(next), at)
	);
	const belief = estimate(PRIOR, observations);
	close(belief.mean, 12, 0.3);
	assert.ok(belief.leftOut.length >= 18 && belief.leftOut.length <= 24);
});
