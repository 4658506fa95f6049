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
 * What several leavenings do side by side, each by its own curve. The weights add up to 1, so that its rate is a share
 * of what all of them would do at their optima.
 */
export interface BlendedCurve {
	readonly blend: readonly { readonly curve: CardinalCurve; readonly weight: number }[];
}

/** By what a dough lifts: one leavening, or several together. */
export type RateCurve = CardinalCurve | BlendedCurve;

/** The leavenings of a curve, each with its weight. */
export function partsOf(curve: RateCurve): BlendedCurve['blend'] {
	return 'blend' in curve ? curve.blend : [{ curve, weight: 1 }];
}

/**
 * Gives the curve of a dough that yeast and culture lift together.
 *
 * Model: lift rates add, each in proportion to what it would do alone; so much of the lift at the reference temperature
 * is the yeast's. Range: a share between 0 and 1, a reference inside both curves. Source: domain (fermentation clock),
 * rosso-1993. Failures: none; a reference outside a curve is a bug of the caller and throws.
 * Example: half by yeast at 25 degrees does 1.209 times as much at 38; yeast alone would 1.397, the culture 1.021.
 */
export function mixedLift(yeastShare: number, referenceCelsius: number): BlendedCurve {
	const parts = [
		{ curve: LIFT['bakers-yeast'], share: yeastShare },
		{ curve: LIFT.sourdough, share: 1 - yeastShare }
	].map(({ curve, share }) => {
		const reference = rateAt(curve, referenceCelsius);
		if (!(reference > 0))
			throw new RangeError('the reference temperature must lie inside both curves');
		return { curve, weight: share / reference };
	});
	const all = parts.reduce((sum, { weight }) => sum + weight, 0);
	return { blend: parts.map(({ curve, weight }) => ({ curve, weight: weight / all })) };
}

/**
 * Gives the rate at a temperature as a share of the rate at the optimum.
 *
 * Model: cardinal temperature model with inflection,
 * r = (T - Tmax)(T - Tmin)^2 / {(Topt - Tmin)[(Topt - Tmin)(T - Topt) - (Topt - Tmax)(Topt + Tmin - 2T)]}.
 * Several leavenings add up, by their weights.
 * Range: 0 outside minimum and maximum, between 0 and 1 inside. Source: rosso-1993. Failures: none.
 * Example: sourdough at its optimum of 33 degrees has the rate 1.
 */
export function rateAt(curve: RateCurve, celsius: number): number {
	if ('blend' in curve) {
		let sum = 0;
		for (const part of curve.blend) sum += part.weight * rateAt(part.curve, celsius);
		return sum;
	}
	const { minimum, optimum, maximum } = curve;
	if (celsius <= minimum || celsius >= maximum) return 0;
	const above = celsius - minimum;
	const span = optimum - minimum;
	return (
		((celsius - maximum) * above * above) /
		(span * (span * (celsius - optimum) - (optimum - maximum) * (optimum + minimum - 2 * celsius)))
	);
}
