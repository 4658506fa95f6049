import { given, worked, type Explained } from '../explain/index.ts';
import { mixedShare, type ResolvedFormula } from '../formula/index.ts';
import type { BatchId } from '../identity.ts';
import { fail, ok, type Result } from '../result.ts';
import { spendWork } from '../work.ts';
import type { Mass, WeighingFailure, WeighingScale } from '../units/index.ts';
import type { Demand, DoughProduct, Portion } from './demand.ts';
import { fewestMixes } from './fewest-mixes.ts';
import { coverByMade, type MadeMix } from './made.ts';
import { shareOut } from './share-out.ts';
import { weighUp, type WeighUpLine } from './weigh-up.ts';

/** What one mixer takes of one dough. */
export interface MixerRange {
	readonly least: Mass;
	readonly most: Mass;
}

/** What the mixers of the house take of one dough, each by itself: 10 to 20 and 40 to 80 kg take no 30. */
export type MixLimits = readonly MixerRange[];

/** The most that any of the mixers takes. */
export function mostOfMixers(limits: MixLimits): Mass {
	return { grams: Math.max(0, ...limits.map(({ most }) => most.grams)) };
}

/** Whether one of the mixers takes so much of a dough. */
export function fitsMixer(limits: MixLimits, grams: number): boolean {
	return limits.some(
		({ least, most }) => grams >= least.grams - 1e-6 && grams <= most.grams + 1e-6
	);
}

export interface Mix {
	/** Which mix of its dough on its date it is. One that was begun keeps its number; free numbers go to the others. */
	readonly ordinal: number;
	readonly count: number;
	/** The batch it is, once it was begun; null while it is only planned. */
	readonly made: BatchId | null;
	/** The dough by the revisions this very mix is made by. */
	readonly resolved: ResolvedFormula;
	/** Dough in it that no order asks for any more. */
	readonly over: Mass;
	readonly portions: readonly Portion[];
	readonly dough: Explained;
	readonly totalFlour: Explained;
	readonly lines: readonly WeighUpLine[];
}

export type MixFailure =
	| WeighingFailure
	| { readonly kind: 'piece-exceeds-mixer'; readonly product: string; readonly most: Mass }
	| BeyondTheHouse;

/** More mixes than a night has room for: a number that was mistyped, most likely. */
export interface BeyondTheHouse {
	readonly kind: 'beyond-the-house';
	readonly mixes: number;
	readonly most: number;
	readonly mostOfDate: number;
}

export function beyondTheHouse(mixes: number): BeyondTheHouse {
	return { kind: 'beyond-the-house', mixes, most: MOST_MIXES, mostOfDate: MOST_MIXES_OF_DATE };
}

/** The most mixes of one dough on a date, and of all its doughs together (our default). */
export const MOST_MIXES = 60;
export const MOST_MIXES_OF_DATE = 240;

/** How far from an even split a mix may end so that it ends with a drop (our default). */
const SNAP_TO_DROP = 0.08;

/** Mixes of one size, with what each becomes. */
interface MixesAlike {
	readonly shared: readonly (readonly Portion[])[];
	readonly dough: Explained;
}

/** A mix before its number is known. */
type UnnumberedMix = Omit<Mix, 'ordinal' | 'count'>;

/**
 * Gives the mixes of one dough for the day: those that were begun as they are, and for what they leave equal
 * batches that fit the mixer, each with its pieces and its weigh-up.
 *
 * Model: dough = pieces x weight (x its sheet) / (1 - dough loss); as few equal mixes as fit a mixer, each as
 * large as the one with most to cover, since pieces stay whole; a mix
 * ends with a drop where that makes no more dough. Total flour = dough / dough percent.
 * Where no number of mixes fits one, the fewest that no mixer is too small for. A baker may want `atLeast` so many: it is
 * as many of them as are not too small for a mixer. Range: any demands of this dough's products. Source: domain arithmetic (mixes). Failures:
 * `piece-exceeds-mixer`, `beyond-the-house`, `no-scales`.
 * Example: 40 x 900 g and 24 x 520 g at 2.5 % loss in a mixer of 30 kg are 2 x 24 861.5 g.
 */
export function mixesOf(
	resolved: ResolvedFormula,
	products: readonly DoughProduct[],
	demands: readonly Demand[],
	limits: MixLimits,
	scales: readonly WeighingScale[],
	made: readonly MadeMix[] = [],
	atLeast = 1
): Result<readonly Mix[], MixFailure> {
	const weights = new Map(products.map((product) => [product.id, product.takes]));
	const covered = coverByMade(demands, weights, made);
	const begun: (UnnumberedMix & { readonly ordinal: number })[] = [];
	for (const [at, mix] of made.entries()) {
		const standing = covered.mixes[at];
		const weighed = weighMade(mix, scales);
		if (!weighed.ok) return weighed;
		if (standing) begun.push({ ...weighed.value, ...standing, ordinal: mix.ordinal });
	}
	const planned =
		covered.left.length > 0
			? plannedMixes(resolved, products, covered.left, limits, scales, atLeast - made.length)
			: ok([]);
	if (!planned.ok) return planned;
	return ok(numbered(begun, planned.value));
}

/** Free numbers, from one on, for what is only planned. */
function numbered(
	begun: readonly (UnnumberedMix & { readonly ordinal: number })[],
	planned: readonly UnnumberedMix[]
): readonly Mix[] {
	const count = begun.length + planned.length;
	const taken = new Set(begun.map((mix) => mix.ordinal));
	let ordinal = 0;
	const free = () => {
		do ordinal += 1;
		while (taken.has(ordinal));
		return ordinal;
	};
	return [
		...begun.map((mix) => ({ ...mix, count })),
		...planned.map((mix) => ({ ...mix, count, ordinal: free() }))
	].sort((a, b) => a.ordinal - b.ordinal);
}

function weighMade(
	{ batchId, resolved, dough }: MadeMix,
	scales: readonly WeighingScale[]
): Result<Omit<UnnumberedMix, 'portions' | 'over'>, MixFailure> {
	const of = resolved.formula.name;
	const mass = given({ key: 'mix-dough', of }, dough.grams, 'g', { kind: 'made' });
	const totalFlour = totalFlourOf(resolved, mass);
	const lines = weighUp(resolved.final, totalFlour, scales);
	if (!lines.ok) return lines;
	return ok({ made: batchId, resolved, dough: mass, totalFlour, lines: lines.value });
}

function totalFlourOf(resolved: ResolvedFormula, dough: Explained): Explained {
	return worked({ key: 'total-flour', of: resolved.formula.name }, 'g', 'per-percent', [
		dough,
		given({ key: 'total-percent' }, resolved.final.percentOfFlour, '%', { kind: 'formula' })
	]);
}

/** Equal mixes for what is still to be made. */
function plannedMixes(
	resolved: ResolvedFormula,
	products: readonly DoughProduct[],
	demands: readonly Demand[],
	limits: MixLimits,
	scales: readonly WeighingScale[],
	atLeast: number
): Result<readonly UnnumberedMix[], MixFailure> {
	const weights = new Map(products.map((product) => [product.id, product.takes]));
	const byId = new Map(products.map((product) => [product.id, product]));
	const wanted = new Set(demands.map((demand) => demand.productId));
	const keptShare = 1 - resolved.formula.doughLoss.share;
	// The mixer never sees what is rolled in afterwards.
	const mixed = mixedShare(resolved.final);
	const most = mostOfMixers(limits).grams / mixed;
	const heaviest = products
		.filter((product) => wanted.has(product.id))
		.sort((a, b) => b.takes.grams - a.takes.grams)[0];
	if (heaviest && heaviest.takes.grams / keptShare > most)
		return fail({
			kind: 'piece-exceeds-mixer',
			product: heaviest.name,
			most: mostOfMixers(limits)
		});

	const pieces = demands.reduce((total, demand) => total + demand.pieces, 0);
	const fewest = fewestMixes({
		products: products.map(({ id, takes }) => ({
			grams: takes.grams,
			pieces: demands
				.filter((demand) => demand.productId === id)
				.reduce((total, demand) => total + demand.pieces, 0)
		})),
		doughLossShare: resolved.formula.doughLoss.share,
		mixedShare: mixed,
		mostGrams: mostOfMixers(limits).grams
	});
	const alike = (count: number): MixesAlike => {
		spendWork(count * demands.length);
		const [even, snapped] = [0, SNAP_TO_DROP].map((snap) => {
			const shared = shareOut(demands, weights, count, snap);
			const each = shared.map((portions) => doughOfPortions(portions, byId, resolved));
			const dough =
				each.length === 1 && each[0]
					? each[0]
					: worked({ key: 'mix-dough', of: resolved.formula.name }, 'g', 'largest', each);
			return { shared, dough };
		}) as [MixesAlike, MixesAlike];
		// Mixes are alike: one that ends with its drop makes all as large, and that may cost nothing.
		return snapped.dough.value <= even.dough.value + 1e-6 ? snapped : even;
	};
	// What is wanted in more mixes is made in as many of them as are not too small for a mixer.
	for (let count = Math.min(atLeast, pieces, MOST_MIXES); count > fewest; count -= 1) {
		const chosen = alike(count);
		if (fitsMixer(limits, chosen.dough.value * mixed)) return weighed(resolved, chosen, scales);
	}
	let count = fewest;
	/** What fits under the largest mixer, but is not enough for any; taken where no number of mixes fits. */
	let tooSmall: MixesAlike | null = null;
	const least = Math.min(...limits.map((range) => range.least.grams));
	for (;;) {
		if (tooSmall && count > MOST_MIXES) return weighed(resolved, tooSmall, scales);
		if (count > MOST_MIXES) return fail(beyondTheHouse(Math.min(count, pieces)));
		const chosen = alike(count);
		if (fitsMixer(limits, chosen.dough.value * mixed)) return weighed(resolved, chosen, scales);
		if (chosen.dough.value <= most + 1e-6) tooSmall ??= chosen;
		// More mixes are smaller still.
		if (tooSmall && chosen.dough.value * mixed < least) return weighed(resolved, tooSmall, scales);
		count += 1;
	}
}

/** Dough that the pieces of some portions ask for, with what is lost on the way. */
function doughOfPortions(
	portions: readonly Portion[],
	byId: ReadonlyMap<string, DoughProduct>,
	resolved: ResolvedFormula
): Explained {
	const perProduct = portions.map((portion) => {
		const product = byId.get(portion.productId);
		const of = product?.name ?? '';
		return worked({ key: 'dough-in-pieces', of }, 'g', 'product', [
			given({ key: 'pieces', of }, portion.pieces, 'pieces', { kind: 'ordered' }),
			given({ key: 'piece-weight', of }, product?.scaledWeight.grams ?? 0, 'g', {
				kind: 'formula'
			}),
			...withTrim(product)
		]);
	});
	return worked({ key: 'mix-dough', of: resolved.formula.name }, 'g', 'quotient', [
		worked({ key: 'grouped' }, 'g', 'sum', perProduct),
		worked({ key: 'kept-share' }, '1', 'difference', [
			given({ key: 'whole' }, 1, '1', { kind: 'constant', source: 'arithmetic' }),
			given({ key: 'dough-loss' }, resolved.formula.doughLoss.share, '1', { kind: 'formula' })
		])
	]);
}

/** What is cut off the sheets, where a product is cut from any. */
function withTrim(product: DoughProduct | undefined): readonly Explained[] {
	const share = product ? product.takes.grams / product.scaledWeight.grams : 1;
	return share > 1 ? [given({ key: 'sheet-share' }, share, '1', { kind: 'formula' })] : [];
}

function weighed(
	resolved: ResolvedFormula,
	{ shared, dough }: MixesAlike,
	scales: readonly WeighingScale[]
): Result<readonly UnnumberedMix[], MixFailure> {
	const totalFlour = totalFlourOf(resolved, dough);
	const lines = weighUp(resolved.final, totalFlour, scales);
	if (!lines.ok) return fail(lines.error);
	return ok(
		shared.map((portions) => ({
			made: null,
			resolved,
			over: { grams: 0 },
			portions,
			dough,
			totalFlour,
			lines: lines.value
		}))
	);
}
