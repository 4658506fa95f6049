import { test } from 'node:test';
import assert from 'node:assert/strict';
import { id, type BatchId } from '../identity.ts';
import { learnedRise, meanMiss, schoolMisses, type MeasuredMix } from './index.ts';

const WORK = { kilojoulesPerKilogram: 9.6 };
const CAPACITY = { kilojoulesPerKilogramKelvin: 2.74 };
const close = (actual: number | undefined, expected: number, within: number) =>
	assert.ok(Math.abs((actual ?? NaN) - expected) <= within, `${actual} is not ${expected}`);

/** A dough that came out at 25 for 24.5, its water at 18, in a room of 23. */
function mixed(at: number, rule: number, change: Partial<MeasuredMix> = {}): MeasuredMix {
	return {
		id: `mix ${at}`,
		batchId: id<BatchId>(`batch ${at}`),
		date: '2026-11-24',
		occurredAtMs: at,
		ignored: false,
		doughCelsius: 25,
		targetCelsius: 24.5,
		waterCelsius: 18,
		instrument: 'core-probe',
		frictionKilojoulesPerKilogram: 9.6,
		mixerId: 'spiral',
		program: null,
		fillShare: 1,
		spreadKilojoulesPerKilogram: 0.9,
		schools: {
			risesKelvins: { 'factor-rule': rule, 'base-temperature': rule + 0.4 },
			askedCelsius: { 'factor-rule': 20, 'base-temperature': 16, 'heat-balance': 18 },
			waterDegreesPerDough: 2,
			roomCelsius: 23
		},
		...change
	};
}

test('a rule learns the rise of its own doughs, each rule for itself, and nothing of another mixer', () => {
	const nights = Array.from({ length: 8 }, (_, at) => mixed(at, 4.7));
	const rule = learnedRise('factor-rule', WORK, CAPACITY, nights, 'spiral');
	close(rule?.difference.kelvins, 4.7, 0.1);
	assert.deepEqual(rule?.source, { kind: 'learned' });
	close(
		learnedRise('base-temperature', WORK, CAPACITY, nights, 'spiral')?.difference.kelvins,
		5.1,
		0.1
	);
	assert.equal(learnedRise('factor-rule', WORK, CAPACITY, nights, 'planetary'), null);
	assert.equal(learnedRise('factor-rule', WORK, CAPACITY, [], 'spiral'), null);
});

test('one wild reading moves it next to nothing, and what is ignored or told no schools counts for nothing', () => {
	const nights = Array.from({ length: 8 }, (_, at) => mixed(at, 4.7));
	const rise = (more: readonly MeasuredMix[]) =>
		learnedRise('factor-rule', WORK, CAPACITY, [...nights, ...more], 'spiral')?.difference.kelvins;
	close(rise([mixed(9, 12)]), rise([]) ?? NaN, 0.1);
	assert.equal(rise([mixed(9, 7, { ignored: true }), mixed(10, 7, { schools: null })]), rise([]));
});

test('each school is held against what came out: its water less what went in, in degrees of dough', () => {
	const [miss, ...none] = schoolMisses([
		mixed(1, 4),
		mixed(2, 4, { schools: null }),
		mixed(3, 4, { ignored: true })
	]);
	assert.deepEqual(none, []);
	// It came out 0.5 too warm with water at 18; the rule's 20 is a degree of dough more, the base's 16 one less.
	assert.deepEqual(miss?.kelvins, {
		'factor-rule': 1.5,
		'base-temperature': -0.5,
		'heat-balance': 0.5
	});
	assert.equal(miss?.roomCelsius, 23);
});

test('misses to both sides do not cancel', () => {
	const mean = meanMiss(schoolMisses([mixed(1, 4), mixed(2, 4, { doughCelsius: 22 })]));
	assert.equal(mean?.mixes, 2);
	assert.equal(mean?.kelvins['factor-rule'], 1.5);
	assert.equal(mean?.kelvins['heat-balance'], (0.5 + 2.5) / 2);
	assert.equal(meanMiss([]), null);
});
