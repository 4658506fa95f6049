import { given, worked } from '../explain/index.ts';
import type { FormulaId, PreparationId, ProductId } from '../identity.ts';
import { stagesInOrder, type Preparation, type ResolvedStage } from '../formula/index.ts';
import { fail, ok, type Result } from '../result.ts';
import type { WeighingFailure, WeighingScale } from '../units/index.ts';
import { buildsInBatches, IN_ONE, type BatchesOfBuilds } from './builds-in-batches.ts';
import type { MadePreparation } from './made.ts';
import type { Mix } from './mixes.ts';
import {
	buildFor,
	freeOrdinals,
	LEAST_SHORT_GRAMS,
	neededFor,
	standingBuild,
	usableOf,
	type Build,
	type BuildUse
} from './one-build.ts';
import type { WeighUpLine } from './weigh-up.ts';

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
	needs: readonly PieceNeed[] = [],
	made: readonly MadePreparation[] = [],
	split: BatchesOfBuilds = IN_ONE
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
	for (const stage of takersFirst([
		...doughs.flatMap((dough) => [dough.final, ...dough.mixes.map((mix) => mix.resolved.final)]),
		...needs.map((need) => need.stage),
		...made.map((preparation) => preparation.stage)
	])) {
		const { preparation } = stage;
		if (!preparation) continue;
		names.set(preparation.id, preparation.name);
		const begun = made.filter((other) => other.stage.preparation?.id === preparation.id);
		const own = uses.get(preparation.id) ?? [];
		// What only a mix of an older revision took is planned no more, unless it was begun or is wanted.
		if (own.length === 0 && begun.length === 0) continue;
		const batches = own.some(({ by }) => by.kind === 'build') ? 1 : split.wanted(preparation.id);
		const all =
			batches > 1
				? buildsInBatches(
						preparation,
						stage,
						{ uses: own, names, begun, batches, ...split },
						scales
					)
				: buildsFor(preparation, stage, own, names, scales, begun);
		if (!all.ok) return fail(all.error);
		builds.push(...[...all.value].reverse());
		for (const build of all.value)
			use(build.lines, { kind: 'build', preparationId: preparation.id });
	}
	return ok(builds.reverse());
}

/** Each preparation once, every taker before what it takes from. */
function takersFirst(stages: readonly ResolvedStage[]): readonly ResolvedStage[] {
	const ordered: ResolvedStage[] = [];
	// Of several revisions of a recipe the first that is named, the book's own, stands for what is planned.
	const left = new Map<PreparationId, ResolvedStage>();
	for (const stage of stages.flatMap(stagesInOrder))
		if (stage.preparation && !left.has(stage.preparation.id)) left.set(stage.preparation.id, stage);
	const isTaken = (stage: ResolvedStage) =>
		[...left.values()].some((other) =>
			other.stages.some((inner) => inner.preparation?.id === stage.preparation?.id)
		);
	while (left.size > 0) {
		// A formula tree has no circle. Two revisions together might form one; any of them comes first then.
		const [first] = left.values();
		const free = [...left.values()].find((stage) => !isTaken(stage)) ?? first;
		if (!free?.preparation) break;
		left.delete(free.preparation.id);
		ordered.push(free);
	}
	return ordered;
}

/** What was begun of a recipe, and one more for what it falls short of. */
function buildsFor(
	preparation: Preparation,
	stage: ResolvedStage,
	uses: readonly BuildUse[],
	names: ReadonlyMap<string, string>,
	scales: readonly WeighingScale[],
	begun: readonly MadePreparation[]
): Result<readonly Build[], WeighingFailure> {
	const of = preparation.name;
	const needed = neededFor(uses, of, names);
	let short = needed.value;
	const standing: Build[] = [];
	for (const [at, one] of begun.entries()) {
		// The first of them kept back what feeds the culture.
		const keepsBack = at === 0;
		const usable = usableOf(one, keepsBack);
		const overGrams = at === begun.length - 1 ? Math.max(0, usable - short) : 0;
		short -= usable - overGrams;
		const build = standingBuild(one, { preparation, uses, needed, overGrams, keepsBack }, scales);
		if (!build.ok) return fail(build.error);
		standing.push(build.value);
	}
	if (begun.length > 0 && short <= LEAST_SHORT_GRAMS) return ok(standing);
	const wanted =
		begun.length === 0
			? needed
			: worked({ key: 'build-short', of }, 'g', 'difference', [
					needed,
					...begun.map((preparation, at) =>
						given(
							{ key: 'build-usable', of: `${of} ${preparation.ordinal}` },
							usableOf(preparation, at === 0),
							'g',
							{
								kind: 'made'
							}
						)
					)
				]);
	const further = buildFor(preparation, stage, uses, wanted, begun.length > 0, scales);
	if (!further.ok) return further;
	const ordinal = freeOrdinals(begun.map((one) => one.ordinal))();
	return ok([...standing, { ...further.value, ordinal }]);
}
