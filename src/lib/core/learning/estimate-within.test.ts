import { test } from 'node:test';
import assert from 'node:assert/strict';
import { chanceFrom, normalFrom } from '../chance.ts';
import { estimate, estimateWithin, type Observation } from './index.ts';

const GROUP = { mean: 1, spread: 0.3 };
const BETWEEN = 0.12;
const reading = (value: number, at: number, spread = 0.1): Observation => ({
	id: `reading ${at}`,
	value,
	spread
});
const close = (actual: number, expected: number, within: number) =>
	assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);

test('with nothing measured the group stands, wider by how far its members lie apart', () => {
	const belief = estimateWithin(GROUP, [], BETWEEN, []);
	close(belief.mean, 1, 1e-6);
	close(belief.spread, Math.hypot(0.3, BETWEEN), 0.01);
});

test('others of the group bring a new member near to them, its own readings count for more', () => {
	const others = Array.from({ length: 12 }, (_, at) => reading(1.25, at));
	const fresh = estimateWithin(GROUP, others, BETWEEN, []);
	close(fresh.mean, 1.23, 0.03);
	assert.ok(fresh.spread < estimate(GROUP, []).spread);
	const own = Array.from({ length: 6 }, (_, at) => reading(0.9, 100 + at));
	const known = estimateWithin(GROUP, others, BETWEEN, own);
	assert.ok(known.mean < 1.0 && known.spread < fresh.spread, `${known.mean}`);
	assert.deepEqual(known.used.length, 6);
});

test('over 1 000 generated bakeries of many doughs the band covers the truth 77 to 83 times in a hundred', () => {
	const next = chanceFrom(40_771);
	let covered = 0;
	for (let bakery = 0; bakery < 1000; bakery += 1) {
		const mixer = GROUP.mean + GROUP.spread * normalFrom(next);
		const readingsOf = (truth: number, count: number) =>
			Array.from({ length: count }, (_, at) =>
				reading(truth + (next() < 0.05 ? 12 : 1) * 0.1 * normalFrom(next), at)
			);
		const others = Array.from({ length: 3 }, () => mixer + BETWEEN * normalFrom(next)).flatMap(
			(truth) => readingsOf(truth, 1)
		);
		const truth = mixer + BETWEEN * normalFrom(next);
		const own = readingsOf(truth, Math.floor(next() * 6));
		const { band } = estimateWithin(GROUP, others, BETWEEN, own);
		if (band.low <= truth && truth <= band.high) covered += 1;
	}
	assert.ok(covered >= 770 && covered <= 830, `${covered} of 1000`);
});
