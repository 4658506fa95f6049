import type { BatchId, FormulaId, PreparationId, ProductId } from '../identity.ts';
import { given, worked, type Explained } from '../explain/index.ts';
import { flourOf, stagesInOrder, type Preparation, type ResolvedStage } from '../formula/index.ts';
import { fail, ok, type Result } from '../result.ts';
import type { Mass, WeighingFailure, WeighingScale } from '../units/index.ts';
import type { MadePreparation } from './made.ts';
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

/** One build or soaker of the day, made once for all that take from it; a further one where it falls short. */
export interface Build {
	/** Which of several of its recipe it is. One that was begun keeps its number. */
	readonly ordinal: number;
	/** The batch it is, once it was begun; null while it is only planned. */
	readonly made: BatchId | null;
	/** What is in it that nothing takes any more. */
	readonly over: Mass;
	/** Ripe culture kept back from it for the next feed. */
	readonly takeBack: Mass;
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
	needs: readonly PieceNeed[] = [],
	made: readonly MadePreparation[] = []
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
		const all = buildsFor(preparation, stage, own, names, scales, begun);
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
	const taken = uses.map(({ by, grams }) => {
		const taker = names.get(takerOf(by)) ?? '';
		const label = by.kind === 'mix' ? `${taker} ${by.ordinal}` : taker;
		return given({ key: 'line', of: label }, grams, 'g', { kind: 'formula' });
	});
	const needed = worked({ key: 'build-needed', of }, 'g', 'sum', taken);
	let short = needed.value;
	const standing: Build[] = [];
	for (const [at, one] of begun.entries()) {
		// The first of them kept back what feeds the culture.
		const usable = usableOf(one, at === 0);
		const over = at === begun.length - 1 ? Math.max(0, usable - short) : 0;
		short -= usable - over;
		const own = one.stage.preparation ?? preparation;
		const gross = given({ key: 'build-gross', of }, one.gross.grams, 'g', { kind: 'made' });
		const lines = weighUp(inOwnHundred(one.stage), ownBase(one.stage, gross), scales);
		if (!lines.ok) return fail(lines.error);
		standing.push({
			ordinal: one.ordinal,
			made: one.batchId,
			over: { grams: over > LEAST_SHORT_GRAMS ? over : 0 },
			takeBack: { grams: at === 0 ? own.takeBackGrams : 0 },
			preparation: own,
			stage: one.stage,
			uses,
			needed,
			gross,
			lines: lines.value
		});
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
	const numbers = new Set(begun.map((preparation) => preparation.ordinal));
	let ordinal = 1;
	while (numbers.has(ordinal)) ordinal += 1;
	return ok([...standing, { ...further.value, ordinal }]);
}

/** Less than this is a scale's doing and no reason for a further build, in grams (our default). */
const LEAST_SHORT_GRAMS = 20;

/** What a made preparation gives to its takers. */
function usableOf({ stage, gross }: MadePreparation, keepsBack: boolean): number {
	const loss = stage.preparation?.buildLoss.share ?? 0;
	const takenBackGrams = keepsBack ? (stage.preparation?.takeBackGrams ?? 0) : 0;
	return Math.max(0, gross.grams * (1 - loss) - takenBackGrams);
}

function buildFor(
	preparation: Preparation,
	stage: ResolvedStage,
	uses: readonly BuildUse[],
	needed: Explained,
	further: boolean,
	scales: readonly WeighingScale[]
): Result<Omit<Build, 'ordinal'>, WeighingFailure> {
	const of = preparation.name;
	const gross = worked({ key: 'build-gross', of }, 'g', 'quotient', [
		worked({ key: 'grouped' }, 'g', 'sum', [
			needed,
			...(further
				? []
				: [
						given({ key: 'take-back', of }, preparation.takeBackGrams, 'g', {
							kind: 'formula' as const
						})
					])
		]),
		worked({ key: 'kept-share' }, '1', 'difference', [
			given({ key: 'whole' }, 1, '1', { kind: 'constant', source: 'arithmetic' }),
			given({ key: 'build-loss', of }, preparation.buildLoss.share, '1', { kind: 'formula' })
		])
	]);
	const lines = weighUp(inOwnHundred(stage), ownBase(stage, gross), scales);
	if (!lines.ok) return fail(lines.error);
	return ok({
		made: null,
		over: { grams: 0 },
		takeBack: { grams: further ? 0 : preparation.takeBackGrams },
		preparation,
		stage,
		uses,
		needed,
		gross,
		lines: lines.value
	});
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
