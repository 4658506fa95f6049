import { given, worked, type Explained, type Source } from '../explain/index.ts';
import { fail, ok, type Result } from '../result.ts';
import type { Mass, Share } from '../units/index.ts';
import type { Material } from './formula.ts';
import { mixedShare, stagesInOrder, type ResolvedFormula, type ResolvedStage } from './resolve.ts';

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
	/** Dough that is rolled out for what the pieces weigh; left out for what is divided by weight. */
	readonly sheetShare?: number | undefined;
}

export interface BakedPieces {
	readonly name: string;
	readonly pieces: number;
	readonly bakedWeight: Mass;
	readonly bakeLoss: Share;
	readonly sheetShare?: number | undefined;
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
 * dough / dough percent; on hand: flour = what is left after all that is kept back on the way / its percent of flour
 * with all that is lost on the way. A mixer is filled by what is mixed, not by what is rolled in later.
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
	{ formula, final }: ResolvedFormula
): Explained {
	const of = formula.name;
	if (start.kind === 'dough') return given({ key: 'dough', of }, start.dough.grams, 'g', SET);
	if (start.kind === 'mixer-fill') {
		const filled = worked({ key: 'dough', of }, 'g', 'product', [
			given({ key: 'mixer-most' }, start.mostDough.grams, 'g', SET),
			given({ key: 'mixer-fill' }, start.fill.share, '1', SET)
		]);
		const mixed = mixedShare(final);
		return mixed === 1
			? filled
			: worked({ key: 'dough', of }, 'g', 'quotient', [
					filled,
					given({ key: 'mixed-share', of }, mixed, '1', FORMULA)
				]);
	}
	const inPieces =
		start.kind === 'pieces' ? start.products.map(scaledDough) : start.products.map(bakedDough);
	return worked({ key: 'dough', of }, 'g', 'quotient', [
		worked({ key: 'grouped' }, 'g', 'sum', inPieces),
		kept({ key: 'dough-loss', of }, formula.doughLoss)
	]);
}

function scaledDough({ name: of, pieces, scaledWeight, sheetShare }: ScaledPieces): Explained {
	return worked({ key: 'dough-in-pieces', of }, 'g', 'product', [
		given({ key: 'pieces', of }, pieces, 'pieces', SET),
		given({ key: 'piece-weight', of }, scaledWeight.grams, 'g', FORMULA),
		...withTrim(sheetShare)
	]);
}

function bakedDough({
	name: of,
	pieces,
	bakedWeight,
	bakeLoss,
	sheetShare
}: BakedPieces): Explained {
	return worked({ key: 'dough-in-pieces', of }, 'g', 'product', [
		given({ key: 'pieces', of }, pieces, 'pieces', SET),
		worked({ key: 'piece-weight', of }, 'g', 'quotient', [
			given({ key: 'baked-weight', of }, bakedWeight.grams, 'g', SET),
			kept({ key: 'bake-loss', of }, bakeLoss)
		]),
		...withTrim(sheetShare)
	]);
}

/** What is cut off the sheets, where pieces are cut from any. */
function withTrim(sheetShare = 1): readonly Explained[] {
	return sheetShare > 1 ? [given({ key: 'sheet-share' }, sheetShare, '1', FORMULA)] : [];
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
	{ formula, final }: ResolvedFormula
): Result<Explained, ScaleFailure> {
	const found = takenBy(material, final);
	if (found.name === null) return fail({ kind: 'not-in-formula', material });
	const of = found.name;
	const there = given({ key: 'on-hand', of }, onHand.grams, 'g', SET);
	const own = straightIn(material, final);
	if (own) return positive(flourFromStage(own, there, formula.name));
	const usable =
		found.keptBackGrams > 0
			? worked({ key: 'build-usable', of }, 'g', 'difference', [
					there,
					given({ key: 'kept-back-on-the-way', of }, found.keptBackGrams, 'g', FORMULA)
				])
			: there;
	return positive(
		worked({ key: 'total-flour', of: formula.name }, 'g', 'per-percent', [
			usable,
			given({ key: 'percent-with-losses', of }, found.percentOfFlour, '%', FORMULA)
		])
	);
}

/** The stage that a material is, where it goes into the dough itself and nowhere else. */
function straightIn(material: Material, final: ResolvedStage): ResolvedStage | null {
	if (material.kind === 'ingredient') return null;
	const own = stagesInOrder(final).filter(
		({ preparation }) => preparation?.id === material.preparationId
	);
	const [only] = own;
	return only && own.length === 1 && final.stages.includes(only) ? only : null;
}

/** What is ripe in the tub less what stays in it and what is kept back, over its percent of the flour. */
function flourFromStage(stage: ResolvedStage, there: Explained, name: string): Explained {
	const of = stage.name;
	const { preparation } = stage;
	const usable = preparation
		? worked({ key: 'build-usable', of }, 'g', 'difference', [
				worked({ key: 'grouped' }, 'g', 'product', [
					there,
					kept({ key: 'build-loss', of }, preparation.buildLoss)
				]),
				given({ key: 'take-back', of }, preparation.takeBackGrams, 'g', FORMULA)
			])
		: there;
	return worked({ key: 'total-flour', of: name }, 'g', 'per-percent', [
		usable,
		given({ key: 'percent', of }, stage.percentOfFlour, '%', FORMULA)
	]);
}

/** How much of a material is taken: so many percent of the total flour, and so much more for what is kept back. */
interface Taken {
	/** null where the formula has none of it. */
	readonly name: string | null;
	readonly percentOfFlour: number;
	readonly keptBackGrams: number;
}

const NOTHING: Taken = { name: null, percentOfFlour: 0, keptBackGrams: 0 };

function together(one: Taken, other: Taken): Taken {
	return {
		name: one.name ?? other.name,
		percentOfFlour: one.percentOfFlour + other.percentOfFlour,
		keptBackGrams: one.keptBackGrams + other.keptBackGrams
	};
}

/**
 * What a stage takes of a material for each percent of total flour that is made of it, with all that is lost and kept
 * back between the material and the dough. `made` is the stage as it has to be made: gross, not what is needed of it.
 */
function takenBy(
	material: Material,
	stage: ResolvedStage,
	made: Omit<Taken, 'name'> = { percentOfFlour: stage.percentOfFlour, keptBackGrams: 0 }
): Taken {
	const share = (percentOfFlour: number): Omit<Taken, 'name'> => ({
		percentOfFlour: (made.percentOfFlour * percentOfFlour) / stage.percentOfFlour,
		keptBackGrams: (made.keptBackGrams * percentOfFlour) / stage.percentOfFlour
	});
	const own = stage.lines
		.filter(
			({ ingredient }) => material.kind === 'ingredient' && ingredient.id === material.ingredientId
		)
		.map(({ ingredient, percentOfFlour }) => ({ name: ingredient.name, ...share(percentOfFlour) }));
	const inner = stage.stages.map((stage): Taken => {
		const needed = share(stage.percentOfFlour);
		const kept = 1 - (stage.preparation?.buildLoss.share ?? 0);
		const gross = {
			percentOfFlour: needed.percentOfFlour / kept,
			keptBackGrams: (needed.keptBackGrams + (stage.preparation?.takeBackGrams ?? 0)) / kept
		};
		return material.kind === 'preparation' && stage.preparation?.id === material.preparationId
			? { name: stage.name, ...gross }
			: takenBy(material, stage, gross);
	});
	return [...own, ...inner].reduce(together, NOTHING);
}

function positive(explained: Explained): Result<Explained, ScaleFailure> {
	return explained.value > 0 && Number.isFinite(explained.value)
		? ok(explained)
		: fail({ kind: 'nothing-to-scale' });
}
