import type { Mass, Share } from '../units/index.ts';

/** The strength of a solution by mass; bakers state it either way, so it names its base. */
export type Strength =
	| { readonly kind: 'per-kilogram-of-water'; readonly grams: number }
	| { readonly kind: 'share-of-solution'; readonly share: number };

/**
 * Gives the solid that a mass of water needs for a strength.
 *
 * Model: by mass; a solid of less than full purity is weighed heavier by it.
 * Range: water above 0, a share of the solution from 0 up to 1, purity above 0 up to 1.
 * Source: domain arithmetic (solutions). Failures: values outside the range are a bug of the caller and throw.
 * Example: 6 kg of water at 35 g per kg of water takes 210.0 g, at 3.5 % of the solution 217.6 g.
 */
export function solidFor(water: Mass, strength: Strength, purity: Share = { share: 1 }): Mass {
	if (!(purity.share > 0 && purity.share <= 1)) throw new RangeError('purity is above 0 up to 1');
	if (strength.kind === 'per-kilogram-of-water')
		return { grams: ((water.grams / 1000) * strength.grams) / purity.share };
	if (!(strength.share >= 0 && strength.share < 1))
		throw new RangeError('a share of the solution is from 0 up to 1');
	// solid / (water + what was weighed) = share, with the impurity staying in the solution.
	return { grams: (water.grams * strength.share) / (purity.share - strength.share) };
}

/** The strongest caustic bath unless the site sets another, as a share of the solution (our default). */
export const MOST_CAUSTIC_SHARE = 0.04;
