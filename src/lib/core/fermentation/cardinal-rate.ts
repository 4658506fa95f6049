import { fail, ok, type Result } from '../result.ts';

/** Cardinal temperatures of a living thing in degrees Celsius. */
export interface CardinalTemperatures {
	readonly minimum: number;
	readonly optimum: number;
	readonly maximum: number;
}

/** Cardinal temperatures that have been checked; only these are computed with. */
export type CardinalCurve = CardinalTemperatures & { readonly __checked: true };

export type CardinalFailure =
	| { readonly kind: 'not-ordered'; readonly temperatures: CardinalTemperatures }
	| { readonly kind: 'optimum-too-low'; readonly least: number; readonly optimum: number };

/**
 * Checks cardinal temperatures.
 * Range: minimum < optimum < maximum and the optimum above their mean, or the model has a pole.
 * Failures: `not-ordered`, `optimum-too-low` with the least optimum.
 */
export function cardinalCurve(
	temperatures: CardinalTemperatures
): Result<CardinalCurve, CardinalFailure> {
	const { minimum, optimum, maximum } = temperatures;
	if (!(minimum < optimum && optimum < maximum)) return fail({ kind: 'not-ordered', temperatures });
	const least = (minimum + maximum) / 2;
	if (optimum <= least) return fail({ kind: 'optimum-too-low', least, optimum });
	return ok({ ...temperatures, __checked: true });
}

function known(minimum: number, optimum: number, maximum: number): CardinalCurve {
	const checked = cardinalCurve({ minimum, optimum, maximum });
	if (!checked.ok) throw new Error('a built-in curve is wrong');
	return checked.value;
}

/** Lift (gas) of the two leavenings; our defaults, corrected by the log. */
export const LIFT: Readonly<Record<'bakers-yeast' | 'sourdough', CardinalCurve>> = {
	'bakers-yeast': known(-1, 36, 47),
	sourdough: known(0, 33, 42)
};

/**
 * Gives the rate at a temperature as a share of the rate at the optimum.
 *
 * Model: cardinal temperature model with inflection,
 * r = (T - Tmax)(T - Tmin)^2 / {(Topt - Tmin)[(Topt - Tmin)(T - Topt) - (Topt - Tmax)(Topt + Tmin - 2T)]}.
 * Range: 0 outside minimum and maximum, between 0 and 1 inside. Source: rosso-1993. Failures: none.
 * Example: sourdough at its optimum of 33 degrees has the rate 1.
 */
export function rateAt(curve: CardinalCurve, celsius: number): number {
	const { minimum, optimum, maximum } = curve;
	if (celsius <= minimum || celsius >= maximum) return 0;
	const above = celsius - minimum;
	const span = optimum - minimum;
	return (
		((celsius - maximum) * above * above) /
		(span * (span * (celsius - optimum) - (optimum - maximum) * (optimum + minimum - 2 * celsius)))
	);
}
