import { test } from 'node:test';
import assert from 'node:assert/strict';
import type { WaitStep } from '../../core/formula/index.ts';
import { courseOf } from '../../core/ripening/index.ts';
import { wayOutText, type Missing } from './ways-out-text.ts';

const UNITS = { mass: 'metric', temperature: 'celsius' } as const;
const step: WaitStep = {
	kind: 'wait',
	activity: 'bulk',
	clock: {
		leavening: 'bakers-yeast',
		referenceCelsius: 25,
		underMinutes: 90,
		ripeMinutes: 120,
		overMinutes: 160,
		carryShare: 0.5
	},
	legs: [
		{
			named: null,
			place: 'proofer',
			ambientCelsius: 25,
			minutes: null,
			timeConstantMinutes: 1e6
		}
	],
	foldsAtMinutes: [],
	foldsAtShares: []
};

function missing(freshYeastPercent: number | null, isPreferment = false): Missing {
	return {
		water: null,
		targetCelsius: 25,
		ferments: { step, freshYeastPercent },
		isPreferment
	};
}
const moved = { kind: 'target', by: { kelvins: 3 } } as const;

test('a target that moves tells its new time, and how much less yeast keeps the old one', () => {
	const ripeAt = (celsius: number) => {
		const course = courseOf(step, celsius);
		return course.ok ? (course.value.marks?.ripe ?? NaN) : NaN;
	};
	const less = Math.round((1 - ripeAt(28) / ripeAt(25)) * 100);
	assert.ok(less > 10 && less < 40, String(less));
	const text = wayOutText(moved, missing(1.2), UNITS);
	assert.match(
		text,
		/^Let it come out at 28\.0 °C, and its bulk is ready after 1 h \d+ instead of 1 h \d+;/
	);
	assert.ok(text.endsWith(`; with ${less} % less yeast it keeps its time.`), text);
});

test('yeast is not weighed against time where more lifts the dough, or where the rule does not reach', () => {
	for (const yeast of [null, 0.4, 0.55])
		assert.ok(!wayOutText(moved, missing(yeast), UNITS).includes('yeast'), String(yeast));
	assert.match(wayOutText(moved, missing(null, true), UNITS), /it is ripe after/);
	assert.equal(
		wayOutText(moved, { ...missing(1), ferments: null }, UNITS),
		'Let it come out at 28.0 °C.'
	);
});
