import type { FormulaId, PreparationId, ProductId } from '../identity.ts';
import { given, worked, type Explained } from '../explain/index.ts';
import { flourOf, stagesInOrder, type Preparation, type ResolvedStage } from '../formula/index.ts';
import { fail, ok, type Result } from '../result.ts';
import type { WeighingFailure, WeighingScale } from '../units/index.ts';
import type { Mix } from './mixes.ts';
import { weighUp, type WeighUpLine } from './weigh-up.ts';

/** Who takes how much of a build. */
export interface BuildUse {
	readonly by:
		| { readonly kind: 'mix'; readonly formulaId: FormulaId; readonly ordinal: number }
		| { readonly kind: 'build'; readonly preparationId: PreparationId }
		| { readonly kind: 'product'; readonly productId: ProductId };
	readonly grams: number;
}

/** One build or soaker of the day, made once for all that take from it. */
export interface Build {
	readonly preparation: Preparation;
	readonly stage: ResolvedStage;
	readonly uses: readonly BuildUse[];
	readonly needed: Explained;
	readonly gross: Explained;
	readonly lines: readonly WeighUpLine[];
}

/** A recipe that products take at the piece: a filling, a wash, a bath. */
export interface PieceNeed {
	readonly stage: ResolvedStage;
	readonly productId: ProductId;
	readonly product: string;
	readonly grams: number;
}

export interface MixedDough {
	readonly formulaId: FormulaId;
	readonly name: string;
	readonly final: ResolvedStage;
	readonly mixes: readonly Mix[];
}

/**
 * Gives the builds and soakers of a day: what all doughs need of each, its gross amount and weigh-up.
 * A build that several doughs (or a later build) take from is made once.
 *
 * Model: needed = the sum of what the takers weigh; gross = (needed + take-back) / (1 - loss).
 * Builds are worked from the dough outwards, so that an earlier build is sized for the gross later one.
 * Range: resolved formulas. Source: domain arithmetic (builds). Failures: `no-scales`.
 * Example: 8 519.9 g of levain with 1 000 g take-back and 3 % loss is a build of 9 814.3 g.
 */
export function buildsOf(
	doughs: readonly MixedDough[],
	scales: readonly WeighingScale[],
	needs: readonly PieceNeed[] = []
): Result<readonly Build[], WeighingFailure> {
	const uses = new Map<PreparationId, BuildUse[]>();
	for (const { stage, productId, grams } of needs)
		if (stage.preparation)
			uses.set(stage.preparation.id, [
				...(uses.get(stage.preparation.id) ?? []),
				{ by: { kind: 'product', productId }, grams }
			]);
	const use = (lines: readonly WeighUpLine[], by: BuildUse['by']) => {
		for (const { material, weighing } of lines)
			if (material.kind === 'preparation')
				uses.set(material.preparationId, [
					...(uses.get(material.preparationId) ?? []),
					{ by, grams: weighing.weighed.grams }
				]);
	};
	for (const { formulaId, mixes } of doughs)
		for (const mix of mixes) use(mix.lines, { kind: 'mix', formulaId, ordinal: mix.ordinal });

	const names = new Map<string, string>(doughs.map((dough) => [dough.formulaId, dough.name]));
	for (const { productId, product } of needs) names.set(productId, product);
	const builds: Build[] = [];
	for (const stage of takersFirst(
		doughs.map((dough) => dough.final),
		needs
	)) {
		const { preparation } = stage;
		if (!preparation) continue;
		names.set(preparation.id, preparation.name);
		const build = buildFor(preparation, stage, uses.get(preparation.id) ?? [], names, scales);
		if (!build.ok) return fail(build.error);
		builds.push(build.value);
		use(build.value.lines, { kind: 'build', preparationId: preparation.id });
	}
	return ok(builds.reverse());
}

/** Each preparation once, every taker before what it takes from. */
function takersFirst(
	finals: readonly ResolvedStage[],
	needs: readonly PieceNeed[]
): readonly ResolvedStage[] {
	const ordered: ResolvedStage[] = [];
	const left = new Map(
		[...finals, ...needs.map((need) => need.stage)]
			.flatMap(stagesInOrder)
			.filter((stage) => stage.preparation !== null)
			.map((stage) => [stage.preparation?.id, stage])
	);
	const isTaken = (stage: ResolvedStage) =>
		[...left.values()].some((other) =>
			other.stages.some((inner) => inner.preparation?.id === stage.preparation?.id)
		);
	while (left.size > 0) {
		// The formula tree has no circle, so one stage is always free.
		const free = [...left.values()].find((stage) => !isTaken(stage));
		if (!free) throw new Error('preparations form a circle');
		left.delete(free.preparation?.id);
		ordered.push(free);
	}
	return ordered;
}

function buildFor(
	preparation: Preparation,
	stage: ResolvedStage,
	uses: readonly BuildUse[],
	names: ReadonlyMap<string, string>,
	scales: readonly WeighingScale[]
): Result<Build, WeighingFailure> {
	const of = preparation.name;
	const taken = uses.map(({ by, grams }) => {
		const taker = names.get(takerOf(by)) ?? '';
		const label = by.kind === 'mix' ? `${taker} ${by.ordinal}` : taker;
		return given({ key: 'line', of: label }, grams, 'g', { kind: 'formula' });
	});
	const needed = worked({ key: 'build-needed', of }, 'g', 'sum', taken);
	const gross = worked({ key: 'build-gross', of }, 'g', 'quotient', [
		worked({ key: 'grouped' }, 'g', 'sum', [
			needed,
			given({ key: 'take-back', of }, preparation.takeBackGrams, 'g', { kind: 'formula' })
		]),
		worked({ key: 'kept-share' }, '1', 'difference', [
			given({ key: 'whole' }, 1, '1', { kind: 'constant', source: 'arithmetic' }),
			given({ key: 'build-loss', of }, preparation.buildLoss.share, '1', { kind: 'formula' })
		])
	]);
	const lines = weighUp(inOwnHundred(stage), ownBase(stage, gross), scales);
	if (!lines.ok) return fail(lines.error);
	return ok({ preparation, stage, uses, needed, gross, lines: lines.value });
}

function takerOf(by: BuildUse['by']): string {
	switch (by.kind) {
		case 'mix':
			return by.formulaId;
		case 'build':
			return by.preparationId;
		case 'product':
			return by.productId;
	}
}

/** What stands at 100 in a preparation's own percentages: its flour, or everything when it has none. */
export function ownHundred(stage: ResolvedStage): number {
	const flour = flourOf(stage);
	return flour > 0 ? flour : stage.percentOfFlour;
}

function ownBase(stage: ResolvedStage, gross: Explained): Explained {
	const percent = (stage.percentOfFlour / ownHundred(stage)) * 100;
	return worked({ key: 'total-flour', of: stage.name }, 'g', 'per-percent', [
		gross,
		given({ key: 'total-percent' }, percent, '%', { kind: 'formula' })
	]);
}

/** The stage re-read with its own flour at 100. */
function inOwnHundred(stage: ResolvedStage): ResolvedStage {
	const factor = 100 / ownHundred(stage);
	return {
		...stage,
		percentOfFlour: stage.percentOfFlour * factor,
		lines: stage.lines.map((line) => ({ ...line, percentOfFlour: line.percentOfFlour * factor })),
		stages: stage.stages.map((inner) => ({
			...inner,
			percentOfFlour: inner.percentOfFlour * factor
		}))
	};
}
