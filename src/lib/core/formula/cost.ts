import { given, worked, type Explained } from '../explain/index.ts';
import type { Mass } from '../units/index.ts';
import type { Ingredient } from './ingredient.ts';
import type { ResolvedFormula, ResolvedStage } from './resolve.ts';

/** What the ingredients of a kilogram of dough cost, with the ingredients nobody has priced. */
export interface DoughCost {
	/** In the bakery's money for one kilogram; null when nothing in it has a price. */
	readonly perKilogram: Explained | null;
	readonly unpriced: readonly string[];
}

/**
 * Gives what the ingredients of one kilogram of dough in pieces cost.
 *
 * Model: each line's percentage x its price, divided by what its stages and the dough keep after their
 * losses, over the dough's percentage. Take-back is not counted: it goes into the next feed.
 * Range: prices of 0 or more. Source: domain arithmetic (losses). Failures: none; what has no price is
 * named and left out.
 * Example: flour at 0.80 and water for nothing, at 60 % water, make a dough of 0.50 a kilogram.
 */
export function costOf(resolved: ResolvedFormula): DoughCost {
	const unpriced = new Set<string>();
	const parts = costParts(resolved.final, 1, unpriced);
	if (parts.length === 0) return { perKilogram: null, unpriced: [...unpriced] };
	const dough = worked({ key: 'grouped' }, '%', 'product', [
		given({ key: 'total-percent' }, resolved.final.percentOfFlour, '%', { kind: 'formula' }),
		worked({ key: 'kept-share' }, '1', 'difference', [
			given({ key: 'whole' }, 1, '1', { kind: 'constant', source: 'arithmetic' }),
			given({ key: 'dough-loss' }, resolved.formula.doughLoss.share, '1', { kind: 'formula' })
		])
	]);
	return {
		perKilogram: worked({ key: 'cost-per-kilogram' }, 'money/kg', 'quotient', [
			worked({ key: 'grouped' }, 'money/kg', 'sum', parts),
			dough
		]),
		unpriced: [...unpriced]
	};
}

function costParts(
	stage: ResolvedStage,
	kept: number,
	unpriced: Set<string>
): readonly Explained[] {
	const parts: Explained[] = [];
	for (const { ingredient, percentOfFlour } of stage.lines) {
		const of = ingredient.name;
		if (ingredient.pricePerKilogram === null) {
			// Water from the tap is not worth a word.
			if (ingredient.kind !== 'water') unpriced.add(of);
			continue;
		}
		if (ingredient.pricePerKilogram === 0) continue;
		parts.push(
			worked({ key: 'grouped' }, 'money/kg', 'product', [
				given({ key: 'percent', of }, percentOfFlour / kept, '%', { kind: 'formula' }),
				given({ key: 'price', of }, ingredient.pricePerKilogram, 'money/kg', { kind: 'bakery' })
			])
		);
	}
	for (const inner of stage.stages)
		parts.push(
			...costParts(inner, kept * (1 - (inner.preparation?.buildLoss.share ?? 0)), unpriced)
		);
	return parts;
}

/** What a piece takes of something, with what a kilogram of it costs. */
export interface PricedPart {
	readonly name: string;
	readonly weight: Mass;
	readonly perKilogram: Explained | null;
}

/**
 * What everything in one piece costs in ingredients together; null when nothing in it has a price.
 * Model: weight x the cost of a kilogram, added over the parts. Failures: none.
 * Example: 0.5 kg at 0.80 and 0.1 kg at 5.00 come to 0.90.
 */
export function costOfParts(parts: readonly PricedPart[], product: string): Explained | null {
	const costs = parts.flatMap(({ name, weight, perKilogram }) =>
		perKilogram ? [costOfPiece(perKilogram, weight, name)] : []
	);
	const [only] = costs;
	if (!only) return null;
	return costs.length === 1
		? only
		: worked({ key: 'cost-per-piece', of: product }, 'money', 'sum', costs);
}

/**
 * Gives what the ingredients of one kilogram of a recipe made for itself cost, a filling, a wash or a coating.
 * Model: as `costOf`, of a whole of 100 with what is left in the tub. Range, source and failures: as `costOf`.
 * Example: almonds at 12.00 and sugar at 1.00, half each, with nothing lost, are 6.50.
 */
export function costOfAlone(stage: ResolvedStage): DoughCost {
	const unpriced = new Set<string>();
	const parts = costParts(stage, 1 - (stage.preparation?.buildLoss.share ?? 0), unpriced);
	return {
		perKilogram:
			parts.length === 0
				? null
				: worked({ key: 'cost-per-kilogram' }, 'money/kg', 'quotient', [
						worked({ key: 'grouped' }, 'money/kg', 'sum', parts),
						given({ key: 'total-percent' }, stage.percentOfFlour, '%', { kind: 'formula' })
					]),
		unpriced: [...unpriced]
	};
}

/** What a kilogram of one ingredient costs, told as `costOf` tells a dough. */
export function costOfIngredient({ name, kind, pricePerKilogram }: Ingredient): DoughCost {
	return pricePerKilogram === null
		? { perKilogram: null, unpriced: kind === 'water' ? [] : [name] }
		: {
				perKilogram: given({ key: 'price', of: name }, pricePerKilogram, 'money/kg', {
					kind: 'bakery'
				}),
				unpriced: []
			};
}

/** What the dough of one piece costs in ingredients. */
export function costOfPiece(
	perKilogram: Explained,
	scaledWeight: Mass,
	product: string
): Explained {
	return worked({ key: 'cost-per-piece', of: product }, 'money', 'product', [
		given({ key: 'piece-weight-kg', of: product }, scaledWeight.grams / 1000, 'kg', {
			kind: 'formula'
		}),
		perKilogram
	]);
}
