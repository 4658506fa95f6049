import { given, worked, type Explained, type Source } from '../explain/index.ts';
import { fail, ok, type Result } from '../result.ts';
import type { Mass, Share } from '../units/index.ts';
import type { Material, Preparation } from './formula.ts';
import { stagesInOrder, sumLines, type ResolvedFormula } from './resolve.ts';

/** What a formula can be scaled from. All lead to its total flour. */
export type ScaleStart =
	| { readonly kind: 'pieces'; readonly products: readonly ScaledPieces[] }
	| { readonly kind: 'baked-pieces'; readonly products: readonly BakedPieces[] }
	| { readonly kind: 'dough'; readonly dough: Mass }
	| { readonly kind: 'total-flour'; readonly flour: Mass }
	| { readonly kind: 'on-hand'; readonly material: Material; readonly onHand: Mass }
	| { readonly kind: 'mixer-fill'; readonly mostDough: Mass; readonly fill: Share };

export interface ScaledPieces {
	readonly name: string;
	readonly pieces: number;
	readonly scaledWeight: Mass;
}

export interface BakedPieces {
	readonly name: string;
	readonly pieces: number;
	readonly bakedWeight: Mass;
	readonly bakeLoss: Share;
}

export type ScaleFailure =
	| { readonly kind: 'nothing-to-scale' }
	| { readonly kind: 'not-in-formula'; readonly material: Material };

const SET: Source = { kind: 'bakery' };
const FORMULA: Source = { kind: 'formula' };
const ONE = given({ key: 'whole' }, 1, '1', { kind: 'constant', source: 'arithmetic' });

/**
 * Gives the total flour that a starting point asks for, with its arithmetic: pieces of one or several
 * products, pieces by baked weight, dough, total flour, what is on hand of one material, or a mixer's fill.
 *
 * Model: pieces are divided by what the dough keeps, baked pieces also by what the oven leaves; flour =
 * dough / dough percent; on hand: flour = what reaches the mix / its percent of flour, a build being first
 * reduced by its loss and its take-back.
 * Range: masses and counts above 0, shares below 1. Source: domain arithmetic (scaling). Failures:
 * `nothing-to-scale` for an amount that is not above 0, `not-in-formula`.
 * Example: 6.4 kg of ripe levain with 1 kg taken back scales a formula at 36 % to 15 000 g of flour.
 */
export function totalFlourFrom(
	start: ScaleStart,
	resolved: ResolvedFormula
): Result<Explained, ScaleFailure> {
	const of = resolved.formula.name;
	if (start.kind === 'total-flour')
		return positive(given({ key: 'total-flour', of }, start.flour.grams, 'g', SET));
	if (start.kind === 'on-hand') return fromOnHand(start.material, start.onHand, resolved);
	const dough = doughFrom(start, resolved);
	if (!(dough.value > 0)) return fail({ kind: 'nothing-to-scale' });
	return positive(
		worked({ key: 'total-flour', of }, 'g', 'per-percent', [
			dough,
			given({ key: 'total-percent' }, resolved.final.percentOfFlour, '%', FORMULA)
		])
	);
}

function doughFrom(
	start: Exclude<ScaleStart, { kind: 'total-flour' | 'on-hand' }>,
	{ formula }: ResolvedFormula
): Explained {
	const of = formula.name;
	if (start.kind === 'dough') return given({ key: 'dough', of }, start.dough.grams, 'g', SET);
	if (start.kind === 'mixer-fill')
		return worked({ key: 'dough', of }, 'g', 'product', [
			given({ key: 'mixer-most' }, start.mostDough.grams, 'g', SET),
			given({ key: 'mixer-fill' }, start.fill.share, '1', SET)
		]);
	const inPieces =
		start.kind === 'pieces' ? start.products.map(scaledDough) : start.products.map(bakedDough);
	return worked({ key: 'dough', of }, 'g', 'quotient', [
		worked({ key: 'grouped' }, 'g', 'sum', inPieces),
		kept({ key: 'dough-loss', of }, formula.doughLoss)
	]);
}

function scaledDough({ name: of, pieces, scaledWeight }: ScaledPieces): Explained {
	return worked({ key: 'dough-in-pieces', of }, 'g', 'product', [
		given({ key: 'pieces', of }, pieces, 'pieces', SET),
		given({ key: 'piece-weight', of }, scaledWeight.grams, 'g', FORMULA)
	]);
}

function bakedDough({ name: of, pieces, bakedWeight, bakeLoss }: BakedPieces): Explained {
	return worked({ key: 'dough-in-pieces', of }, 'g', 'product', [
		given({ key: 'pieces', of }, pieces, 'pieces', SET),
		worked({ key: 'piece-weight', of }, 'g', 'quotient', [
			given({ key: 'baked-weight', of }, bakedWeight.grams, 'g', SET),
			kept({ key: 'bake-loss', of }, bakeLoss)
		])
	]);
}

function kept(term: Explained['term'], loss: Share): Explained {
	return worked({ key: 'kept-share' }, '1', 'difference', [
		ONE,
		given(term, loss.share, '1', FORMULA)
	]);
}

function fromOnHand(
	material: Material,
	onHand: Mass,
	resolved: ResolvedFormula
): Result<Explained, ScaleFailure> {
	const found = shareOf(material, resolved);
	if (!found) return fail({ kind: 'not-in-formula', material });
	const { name: of, percentOfFlour, preparation } = found;
	const there = given({ key: 'on-hand', of }, onHand.grams, 'g', SET);
	const usable = preparation
		? worked({ key: 'build-usable', of }, 'g', 'difference', [
				worked({ key: 'grouped' }, 'g', 'product', [
					there,
					kept({ key: 'build-loss', of }, preparation.buildLoss)
				]),
				given({ key: 'take-back', of }, preparation.takeBackGrams, 'g', FORMULA)
			])
		: there;
	return positive(
		worked({ key: 'total-flour', of: resolved.formula.name }, 'g', 'per-percent', [
			usable,
			given({ key: 'percent', of }, percentOfFlour, '%', FORMULA)
		])
	);
}

/** How much of a material the whole formula takes; an ingredient counts in every stage it is in. */
function shareOf(
	material: Material,
	{ final }: ResolvedFormula
): {
	readonly name: string;
	readonly percentOfFlour: number;
	readonly preparation: Preparation | null;
} | null {
	const stages = stagesInOrder(final);
	if (material.kind === 'preparation') {
		const own = stages.filter((stage) => stage.preparation?.id === material.preparationId);
		const [first] = own;
		if (!first) return null;
		const percentOfFlour = own.reduce((total, stage) => total + stage.percentOfFlour, 0);
		return { name: first.name, percentOfFlour, preparation: first.preparation };
	}
	const name = stages
		.flatMap((stage) => stage.lines)
		.find((line) => line.ingredient.id === material.ingredientId)?.ingredient.name;
	if (name === undefined) return null;
	const percentOfFlour = sumLines(final, (line) =>
		line.ingredient.id === material.ingredientId ? line.percentOfFlour : 0
	);
	return { name, percentOfFlour, preparation: null };
}

function positive(explained: Explained): Result<Explained, ScaleFailure> {
	return explained.value > 0 && Number.isFinite(explained.value)
		? ok(explained)
		: fail({ kind: 'nothing-to-scale' });
}
