import { LIFT } from '../../../core/fermentation/index.ts';
import type { Leavening } from '../../../core/formula/index.ts';

type OwnCurve = Extract<Leavening, { readonly kind: 'own' }>;
export type Cardinal = 'minimum' | 'optimum' | 'maximum';

export const OWN_FIELDS: readonly { readonly name: Cardinal; readonly label: string }[] = [
	{ name: 'minimum', label: 'Stands still at' },
	{ name: 'optimum', label: 'Lifts fastest at' },
	{ name: 'maximum', label: 'Lifts no more from' }
];

/** What a clock begins with when it is said to lift so: both by halves, an own curve as that of a culture. */
export const FIRST_OF_KIND: Readonly<Record<string, Leavening>> = {
	sourdough: 'sourdough',
	'bakers-yeast': 'bakers-yeast',
	mixed: { kind: 'mixed', yeastShare: 0.5 },
	own: {
		kind: 'own',
		minimum: LIFT.sourdough.minimum,
		optimum: LIFT.sourdough.optimum,
		maximum: LIFT.sourdough.maximum
	}
};

/** Nearer to each other than this no two of them come. */
const APART_KELVINS = 0.1;
const LEAST_CELSIUS = -10;
const MOST_CELSIUS = 70;

/**
 * Within what each temperature of a curve can be typed while the others stand: in their order, the best above the middle
 * of the two others, and the temperature that the clock's times are at between them.
 */
export function boundsOfCurve(
	{ minimum, optimum, maximum }: OwnCurve,
	referenceCelsius: number
): Readonly<Record<Cardinal, { readonly least: number; readonly most: number }>> {
	return {
		minimum: within(
			LEAST_CELSIUS,
			Math.min(referenceCelsius, optimum, 2 * optimum - maximum) - APART_KELVINS
		),
		optimum: within(
			Math.max(minimum, (minimum + maximum) / 2) + APART_KELVINS,
			maximum - APART_KELVINS
		),
		maximum: within(
			Math.max(referenceCelsius, optimum) + APART_KELVINS,
			Math.min(MOST_CELSIUS, 2 * optimum - minimum - APART_KELVINS)
		)
	};
}

/** The dust of binary fractions leaves no value where one is left. */
const DUST_KELVINS = 1e-9;

function within(least: number, most: number): { readonly least: number; readonly most: number } {
	return { least, most: most < least && least - most < DUST_KELVINS ? least : most };
}

/** Within what the temperature of the times can be typed. */
export function boundsOfReference(leavening: Leavening): { least: number; most: number } {
	return typeof leavening === 'string' || leavening.kind !== 'own'
		? { least: 2, most: 40 }
		: {
				least: Math.max(2, leavening.minimum + APART_KELVINS),
				most: Math.min(40, leavening.maximum - APART_KELVINS)
			};
}
