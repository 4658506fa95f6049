import { given, worked, type Explained } from '../explain/index.ts';
import { mixedShare, type ResolvedFormula } from '../formula/index.ts';
import { fail, ok, type Result } from '../result.ts';
import type { WeighingFailure, WeighingScale } from '../units/index.ts';
import { buildsOf } from './builds.ts';
import type { Build } from './one-build.ts';
import {
	beyondTheHouse,
	fitsMixer,
	MOST_MIXES,
	mostOfMixers,
	type BeyondTheHouse,
	type Mix,
	type MixLimits
} from './mixes.ts';
import { weighUp } from './weigh-up.ts';

/** A formula scaled to a total flour outside any day: its mixes, alike, and the builds before them. */
export interface ScaledBatch {
	readonly mixes: readonly Mix[];
	readonly builds: readonly Build[];
}

/**
 * Scales a formula to a total flour: equal mixes that fit the mixer, rounded to the scales, and the builds
 * that they take from.
 *
 * Model: as few equal mixes as the mixer allows; what is rolled in does not count at the mixer. Builds are
 * sized for what the mixes weigh, with their loss and take-back.
 * Range: total flour above 0. Source: domain arithmetic (scaling). Failures: `no-scales`, `beyond-the-house`.
 * Example: 23 666.4 g of flour of the oat loaf in a mixer of 30 kg are 2 mixes of 24 861.5 g.
 */
export function scaledBatch(
	resolved: ResolvedFormula,
	totalFlour: Explained,
	limits: MixLimits,
	scales: readonly WeighingScale[]
): Result<ScaledBatch, WeighingFailure | BeyondTheHouse> {
	const of = resolved.formula.name;
	const percent = resolved.final.percentOfFlour;
	const most = mostOfMixers(limits).grams / mixedShare(resolved.final);
	const dough = (totalFlour.value * percent) / 100;
	const fewest = Math.max(1, Math.ceil(dough / most - 1e-9));
	if (!(fewest <= MOST_MIXES)) return fail(beyondTheHouse(fewest));
	const fits = (count: number) => fitsMixer(limits, (dough / count) * mixedShare(resolved.final));
	const counts = Array.from({ length: MOST_MIXES - fewest + 1 }, (_, more) => fewest + more);
	// Where no number of mixes fits one of the mixers, the fewest that none is too small for.
	const count = counts.find(fits) ?? fewest;
	const flour =
		count === 1
			? totalFlour
			: worked({ key: 'total-flour', of }, 'g', 'quotient', [
					totalFlour,
					given({ key: 'mixes' }, count, '1', { kind: 'bakery' })
				]);
	const lines = weighUp(resolved.final, flour, scales);
	if (!lines.ok) return fail(lines.error);
	const each = worked({ key: 'mix-dough', of }, 'g', 'percent', [
		flour,
		given({ key: 'total-percent' }, percent, '%', { kind: 'formula' })
	]);
	const mixes = Array.from({ length: count }, (_, at) => ({
		ordinal: at + 1,
		count,
		made: null,
		resolved,
		over: { grams: 0 },
		portions: [],
		dough: each,
		totalFlour: flour,
		lines: lines.value
	}));
	const builds = buildsOf(
		[{ formulaId: resolved.formula.id, name: of, final: resolved.final, mixes }],
		scales
	);
	return builds.ok ? ok({ mixes, builds: builds.value }) : fail(builds.error);
}
