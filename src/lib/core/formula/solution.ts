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

/** A bath of water and one solid, as it is made up. */
export interface MadeUp {
	readonly water: Mass;
	/** As it is weighed, with what in it is not the solid itself. */
	readonly solid: Mass;
}

/** The strength of a bath told both ways, so that nobody takes the one for the other. */
export interface StrengthBothWays {
	readonly gramsPerKilogramOfWater: number;
	readonly shareOfSolution: number;
}

/**
 * Gives the strength of water with a solid in it, both ways.
 * Model: by mass, of the pure solid; what is not pure stays in the solution. Range: water above 0, a solid of 0 or more.
 * Source: domain arithmetic (solutions). Failures: none.
 * Example: 210 g of a pure solid in 6 kg of water are 35 g to a kilogram of water and 3.38 % of the solution.
 */
export function strengthOf({ water, solid }: MadeUp, purity: Share): StrengthBothWays {
	const pure = solid.grams * purity.share;
	return {
		gramsPerKilogramOfWater: pure / (water.grams / 1000),
		shareOfSolution: pure / (water.grams + solid.grams)
	};
}

/**
 * Gives what a bath of a whole weight is made up from; the other way of `strengthOf`.
 * Model: `solidFor` to a kilogram of water, scaled to the whole. Range: as `solidFor`, a share below the purity.
 * Source: domain arithmetic (solutions). Failures: values outside the range throw.
 * Example: 4 kg at 3.5 % of the solution of a pure solid are 3860 g of water and 140 g.
 */
export function madeUp(whole: Mass, strength: Strength, purity: Share): MadeUp {
	const toOne = solidFor({ grams: 1000 }, strength, purity).grams;
	const water = (whole.grams * 1000) / (1000 + toOne);
	return { water: { grams: water }, solid: { grams: whole.grams - water } };
}
