import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import {
	ACID,
	doseOfStretch,
	followStretch,
	LIFT,
	minutesForDose,
	type PathStretch,
	type RateCurve
} from './index.ts';

/** The rate by its published formula, written down here again, so that nothing of what is tested checks itself. */
function rate(curve: RateCurve, celsius: number): number {
	if ('blend' in curve)
		return curve.blend.reduce((sum, part) => sum + part.weight * rate(part.curve, celsius), 0);
	const { minimum, optimum, maximum } = curve;
	if (celsius <= minimum || celsius >= maximum) return 0;
	const above = (celsius - maximum) * (celsius - minimum) ** 2;
	const width = optimum - minimum;
	const below =
		width * (width * (celsius - optimum) - (optimum - maximum) * (optimum + minimum - 2 * celsius));
	return above / below;
}

/** Follows a tub in steps of a twentieth of a minute by the classic rule of order four. */
function reference(
	curve: RateCurve,
	referenceCelsius: number,
	startCelsius: number,
	{ minutes, ambientCelsius, timeConstantMinutes, selfHeating }: PathStretch
) {
	const slope = (celsius: number) =>
		(ambientCelsius - celsius) / timeConstantMinutes +
		((selfHeating?.kelvinsPerHour ?? 0) / 60) * rate(selfHeating?.curve ?? curve, celsius);
	const work = (celsius: number) => rate(curve, celsius) / rate(curve, referenceCelsius);
	const steps = Math.ceil(minutes / 0.05);
	const length = minutes / steps;
	let [celsius, dose] = [startCelsius, 0];
	for (let step = 0; step < steps; step += 1) {
		const a = slope(celsius);
		const b = slope(celsius + (length / 2) * a);
		const c = slope(celsius + (length / 2) * b);
		const d = slope(celsius + length * c);
		const middle = celsius + (length / 2) * b;
		const end = celsius + (length / 6) * (a + 2 * b + 2 * c + d);
		dose += (length / 6) * (work(celsius) + 4 * work(middle) + work(end));
		celsius = end;
	}
	return { celsius, dose };
}

const close = (actual: number, expected: number, within: number, what: string) =>
	assert.ok(Math.abs(actual - expected) <= within, `${what}: ${actual} is not ${expected}`);
const tub = (change: Partial<PathStretch> = {}): PathStretch => ({
	minutes: 210,
	ambientCelsius: 24,
	timeConstantMinutes: 420,
	selfHeating: { kelvinsPerHour: 0.4, curve: LIFT.sourdough },
	...change
});

test('a tub that warms itself is as warm and has worked as much as a reference of fine steps says', () => {
	let warmed = 0;
	fc.assert(
		fc.property(
			fc.double({ min: 8, max: 36, noNaN: true }),
			fc.double({ min: 2, max: 36, noNaN: true }),
			fc.double({ min: 60, max: 900, noNaN: true }),
			fc.double({ min: 5, max: 900, noNaN: true }),
			fc.double({ min: 0.1, max: 1.5, noNaN: true }),
			(start, ambientCelsius, timeConstantMinutes, minutes, kelvinsPerHour) => {
				const selfHeating = { kelvinsPerHour, curve: LIFT.sourdough };
				const stretch = { minutes, ambientCelsius, timeConstantMinutes, selfHeating };
				const expected = reference(LIFT.sourdough, 25, start, stretch);
				const followed = followStretch(LIFT.sourdough, 25, start, stretch, ACID);
				const where = JSON.stringify({ start, ...stretch });
				close(followed.celsius, expected.celsius, 0.002, `celsius of ${where}`);
				close(followed.dose, expected.dose, 0.01, `dose of ${where}`);
				close(doseOfStretch(LIFT.sourdough, 25, start, stretch), expected.dose, 0.01, where);
				const cold = followStretch(LIFT.sourdough, 25, start, {
					minutes,
					ambientCelsius,
					timeConstantMinutes
				});
				if (followed.celsius > cold.celsius + 0.05) warmed += 1;
			}
		),
		{ numRuns: 300, seed: 11 }
	);
	assert.ok(warmed > 120, `only ${warmed} tubs warmed themselves`);
});

test('its souring is followed by its own curve beside the lift', () => {
	const { also } = followStretch(LIFT.sourdough, 25, 30, tub({ ambientCelsius: 31 }), ACID);
	const selfHeating = { kelvinsPerHour: 0.4, curve: LIFT.sourdough };
	// The same path, worked by the other curve.
	const stretch = tub({ ambientCelsius: 31, selfHeating });
	close(also, reference(ACID, 25, 30, stretch).dose, 0.01, 'acid');
});

test('the minutes to a dose are those after which the reference has worked it', () => {
	for (const start of [20, 24, 28]) {
		const minutes = minutesForDose(LIFT.sourdough, 25, start, tub(), 210, 3000);
		assert.ok(minutes !== null);
		close(reference(LIFT.sourdough, 25, start, tub({ minutes })).dose, 210, 0.02, `from ${start}`);
	}
});
