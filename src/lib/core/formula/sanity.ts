import type { FormulaFigures } from './figures.ts';

/** Something a baker would look at twice. Notes never block. */
export type SanityNote =
	| {
			readonly kind: 'salt-unusual';
			readonly percent: number;
			readonly least: number;
			readonly most: number;
	  }
	| { readonly kind: 'no-leavening' }
	| {
			readonly kind: 'yeast-high-for-prefermented';
			readonly percent: number;
			readonly most: number;
	  }
	| { readonly kind: 'prefermented-flour-unusual'; readonly percent: number; readonly most: number }
	| {
			readonly kind: 'hydration-unusual';
			readonly percent: number;
			readonly least: number;
			readonly most: number;
	  };

/** Usual ranges in percent of total flour (our defaults). */
const SALT = { least: 1.6, most: 2.4 };
const MOST_YEAST_WITH_BUILD = 2.5;
const MOST_PREFERMENTED = 60;
const HYDRATION = { least: 45, most: 110 };

/**
 * Gives the notes on a formula's figures.
 * Model: each figure against its usual range. Range: any figures. Source: our default. Failures: none.
 * Example: salt of 3 % is noted as unusual, against 1.6 to 2.4.
 */
export function sanityNotes(figures: FormulaFigures): readonly SanityNote[] {
	const notes: SanityNote[] = [];
	const { salt, hydration, prefermentedFlour, yeastFreshEquivalent } = figures;
	if (salt < SALT.least || salt > SALT.most)
		notes.push({ kind: 'salt-unusual', percent: salt, ...SALT });
	if (prefermentedFlour === 0 && yeastFreshEquivalent === 0) notes.push({ kind: 'no-leavening' });
	if (prefermentedFlour > 0 && yeastFreshEquivalent > MOST_YEAST_WITH_BUILD)
		notes.push({
			kind: 'yeast-high-for-prefermented',
			percent: yeastFreshEquivalent,
			most: MOST_YEAST_WITH_BUILD
		});
	if (prefermentedFlour > MOST_PREFERMENTED)
		notes.push({
			kind: 'prefermented-flour-unusual',
			percent: prefermentedFlour,
			most: MOST_PREFERMENTED
		});
	// Effective water counts, so that a dough of milk and eggs is not called dry.
	if (figures.effectiveHydration < HYDRATION.least || hydration > HYDRATION.most)
		notes.push({
			kind: 'hydration-unusual',
			percent:
				figures.effectiveHydration < HYDRATION.least ? figures.effectiveHydration : hydration,
			...HYDRATION
		});
	return notes;
}
