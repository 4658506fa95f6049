import { given, worked, type Explained } from '../explain/index.ts';
import { mixedShare, type ResolvedFormula } from '../formula/index.ts';
import { fail, ok, type Result } from '../result.ts';
import type { Mass, WeighingFailure, WeighingScale } from '../units/index.ts';
import type { Demand, DoughProduct, Lot } from './demand.ts';
import { shareOut } from './share-out.ts';
import { weighUp, type WeighUpLine } from './weigh-up.ts';

/** What the mixer takes of one dough. */
export interface MixLimits {
	readonly least: Mass;
	readonly most: Mass;
}

export interface Mix {
	readonly ordinal: number;
	readonly count: number;
	readonly lots: readonly Lot[];
	readonly dough: Explained;
	readonly totalFlour: Explained;
	readonly lines: readonly WeighUpLine[];
}

export type MixFailure =
	| WeighingFailure
	| { readonly kind: 'piece-exceeds-mixer'; readonly product: string; readonly most: Mass };

/** How far from an even split a mix may end so that it ends with a drop (our default). */
const SNAP_TO_DROP = 0.08;

/**
 * Gives the mixes of one dough for the day: equal batches that fit the mixer, each with its pieces and
 * its weigh-up.
 *
 * Model: dough = pieces x weight / (1 - dough loss); as few equal mixes as the mixer allows, each as
 * large as the one with most to cover, since pieces stay whole and a mix rather ends with a drop. Total flour = dough / dough percent.
 * Range: at least one demand with pieces. Source: domain arithmetic (mixes). Failures:
 * `piece-exceeds-mixer`, `no-scales`.
 * Example: 40 x 900 g and 24 x 520 g at 2.5 % loss in a mixer of 30 kg are 2 x 24 861.5 g.
 */
export function mixesOf(
	resolved: ResolvedFormula,
	products: readonly DoughProduct[],
	demands: readonly Demand[],
	limits: MixLimits,
	scales: readonly WeighingScale[]
): Result<readonly Mix[], MixFailure> {
	const weights = new Map(products.map((product) => [product.id, product.scaledWeight]));
	const names = new Map(products.map((product) => [product.id, product.name]));
	const keptShare = 1 - resolved.formula.doughLoss.share;
	// The mixer never sees what is rolled in afterwards.
	const most = limits.most.grams / mixedShare(resolved.final);
	const heaviest = [...products].sort((a, b) => b.scaledWeight.grams - a.scaledWeight.grams)[0];
	if (heaviest && heaviest.scaledWeight.grams / keptShare > most)
		return fail({ kind: 'piece-exceeds-mixer', product: heaviest.name, most: limits.most });

	const inPieces = demands.reduce(
		(total, demand) => total + demand.pieces * (weights.get(demand.productId)?.grams ?? 0),
		0
	);
	let count = Math.max(1, Math.ceil(inPieces / keptShare / most - 1e-9));
	for (;;) {
		for (const snap of [SNAP_TO_DROP, 0]) {
			const shared = shareOut(demands, weights, count, snap);
			const each = shared.map((lots) => doughOfLots(lots, weights, names, resolved));
			const dough =
				each.length === 1 && each[0]
					? each[0]
					: worked({ key: 'mix-dough', of: resolved.formula.name }, 'g', 'largest', each);
			if (dough.value <= most + 1e-6) return weighed(resolved, shared, dough, scales);
		}
		count += 1;
	}
}

/** Dough that the pieces of some lots ask for, with what is lost on the way. */
function doughOfLots(
	lots: readonly Lot[],
	weights: ReadonlyMap<string, Mass>,
	names: ReadonlyMap<string, string>,
	resolved: ResolvedFormula
): Explained {
	const perProduct = lots.map((lot) => {
		const of = names.get(lot.productId) ?? '';
		return worked({ key: 'dough-in-pieces', of }, 'g', 'product', [
			given({ key: 'pieces', of }, lot.pieces, 'pieces', { kind: 'ordered' }),
			given({ key: 'piece-weight', of }, weights.get(lot.productId)?.grams ?? 0, 'g', {
				kind: 'formula'
			})
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

function weighed(
	resolved: ResolvedFormula,
	shared: readonly (readonly Lot[])[],
	dough: Explained,
	scales: readonly WeighingScale[]
): Result<readonly Mix[], MixFailure> {
	const totalFlour = worked({ key: 'total-flour', of: resolved.formula.name }, 'g', 'per-percent', [
		dough,
		given({ key: 'total-percent' }, resolved.final.percentOfFlour, '%', { kind: 'formula' })
	]);
	const lines = weighUp(resolved.final, totalFlour, scales);
	if (!lines.ok) return fail(lines.error);
	return ok(
		shared.map((lots, index) => ({
			ordinal: index + 1,
			count: shared.length,
			lots,
			dough,
			totalFlour,
			lines: lines.value
		}))
	);
}
