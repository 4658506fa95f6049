import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import {
	doseOfStretch,
	followStretch,
	LIFT,
	minutesForDose,
	mixedLift,
	rateAt,
	ripeMinutesAt
} from './index.ts';

const yeast = LIFT['bakers-yeast'];
const { sourdough } = LIFT;
const close = (actual: number, expected: number, within: number) =>
	assert.ok(Math.abs(actual - expected) <= within, `${actual} is not ${expected}`);

const stretches = fc.record({
	start: fc.double({ min: 0, max: 40, noNaN: true }),
	place: fc.record({
		minutes: fc.double({ min: 0, max: 2000, noNaN: true }),
		ambientCelsius: fc.double({ min: -5, max: 50, noNaN: true }),
		timeConstantMinutes: fc.oneof(
			fc.constant(Infinity),
			fc.double({ min: 20, max: 600, noNaN: true })
		)
	}),
	share: fc.double({ min: 0.01, max: 0.99, noNaN: true }),
	reference: fc.double({ min: 5, max: 40, noNaN: true })
});

test('half by yeast lies between the two at every temperature', () => {
	const both = mixedLift(0.5, 25);
	const times = (curve: typeof both | typeof yeast) => rateAt(curve, 38) / rateAt(curve, 25);
	close(times(yeast), 1.39655, 1e-5);
	close(times(sourdough), 1.02113, 1e-5);
	close(times(both), 1.20884, 1e-5);
	close(ripeMinutesAt(both, 25, 120, 38) ?? 0, 99.27, 0.01);
});

test('where yeast alone still lifts, its share goes on', () => {
	// Above 42 degrees the culture does nothing more.
	const at = rateAt(mixedLift(0.3, 25), 44) / rateAt(mixedLift(0.3, 25), 25);
	close(at, (0.3 * rateAt(yeast, 44)) / rateAt(yeast, 25), 1e-12);
});

test('what two do together is what each would do alone, by its share', () => {
	fc.assert(
		fc.property(stretches, ({ start, place, share, reference }) => {
			const alone = (curve: typeof yeast) => doseOfStretch(curve, reference, start, place);
			const together = doseOfStretch(mixedLift(share, reference), reference, start, place);
			const expected = share * alone(yeast) + (1 - share) * alone(sourdough);
			close(together, expected, 1e-6 * Math.max(1, expected));
		})
	);
});

test('a mass that warms itself: the same sum, with the heat of both', () => {
	const curve = mixedLift(0.4, 25);
	const tub = (minutes: number) => ({
		minutes,
		ambientCelsius: 22,
		timeConstantMinutes: 420,
		selfHeating: { kelvinsPerHour: 0.4, curve }
	});
	const whole = followStretch(curve, 25, 26, tub(240));
	const first = followStretch(curve, 25, 26, tub(90));
	const last = followStretch(curve, 25, first.celsius, tub(150));
	close(first.dose + last.dose, whole.dose, 0.02);
	close(last.celsius, whole.celsius, 0.003);
	const minutes = minutesForDose(curve, 25, 26, tub(0), whole.dose, 3000);
	close(minutes ?? 0, 240, 0.1);
});

test('times at a temperature at which one of the two stands still are a mistake of the caller', () => {
	assert.throws(() => mixedLift(0.5, 45), RangeError);
});
