import type { Step } from '../formula/index.ts';
import type { FrictionBook } from '../heat/index.ts';
import type { MeasuredDough, MeasuredMix } from '../learning/index.ts';
import { beforeBulk, mixingOf } from './mix-stages.ts';

/**
 * What a dough that is kneaded by hand is warmed by: the wetting of the flour and a little more, in kJ/kg; and how far
 * that may be off, as a share of the little more (our defaults).
 */
const KNEADED: FrictionBook = {
	work: { kilojoulesPerKilogram: 3 },
	program: null,
	mixerMayBeOffBy: 0.75
};

/** What a formula says of its mixing that its friction follows from. */
export interface FrictionRecipe {
	readonly steps: readonly Step[];
	readonly frictionKilojoulesPerKilogram: number;
}

/**
 * Tells whether a dough is mixed by hand: no mix before its first bulk holds a mixer.
 * Range: any chain. Source: definition. Failures: none; a chain without a mix is not mixed by hand.
 * Example: flour and water brought together by hand and finished on the mixer is a dough of the mixer.
 */
export function isByHand(steps: readonly Step[]): boolean {
	const before = beforeBulk(steps).filter(
		(step) => step.kind === 'hands-on' && step.activity === 'mix'
	);
	return (
		before.length > 0 && before.every((step) => step.kind === 'hands-on' && step.machine === null)
	);
}

/** The book of a formula's friction with the speeds it is told for; of one by hand, what hands do. */
export function bookOf(recipe: FrictionRecipe): FrictionBook {
	if (isByHand(recipe.steps)) return KNEADED;
	return {
		work: { kilojoulesPerKilogram: recipe.frictionKilojoulesPerKilogram },
		program: mixingOf(recipe.steps, () => ({ celsius: 0 })).program
	};
}

/** A dough's measured mixes, and those of the doughs that are mixed as it is. */
export interface FrictionHistory {
	readonly own: MeasuredDough;
	readonly others: readonly MeasuredDough[];
}

/**
 * Brings together what the friction of a dough is learned from: a hand teaches nothing of a mixer, and a mixer nothing
 * of a hand. Range: readings newest first. Source: none; it only sorts. Failures: none.
 * Example: a dough by hand that was once mixed on a mixer has no reading of that night.
 */
export function frictionHistory(
	recipe: FrictionRecipe,
	readings: readonly MeasuredMix[],
	others: readonly { readonly recipe: FrictionRecipe; readonly readings: readonly MeasuredMix[] }[]
): FrictionHistory {
	const byHand = isByHand(recipe.steps);
	const fitting = (of: readonly MeasuredMix[]) =>
		byHand ? of.filter(({ mixerId }) => mixerId === null) : of;
	return {
		own: { book: bookOf(recipe), readings: fitting(readings) },
		others: others
			.filter((other) => other.readings.length > 0 && isByHand(other.recipe.steps) === byHand)
			.map((other) => ({ book: bookOf(other.recipe), readings: fitting(other.readings) }))
	};
}
