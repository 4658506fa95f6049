import type { BatchId, FormulaId, PreparationId, ProductId } from '../identity.ts';
import { given, worked, type Explained } from '../explain/index.ts';
import { flourOf, type Preparation, type ResolvedStage } from '../formula/index.ts';
import { fail, ok, type Result } from '../result.ts';
import type { Mass, WeighingFailure, WeighingScale } from '../units/index.ts';
import type { MadePreparation } from './made.ts';
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

/** Less than this is a scale's doing and no reason for a further build, in grams (our default). */
export const LEAST_SHORT_GRAMS = 20;

/** What a made preparation gives to its takers. */
export function usableOf({ stage, gross }: MadePreparation, keepsBack: boolean): number {
	const loss = stage.preparation?.buildLoss.share ?? 0;
	const takenBackGrams = keepsBack ? (stage.preparation?.takeBackGrams ?? 0) : 0;
	return Math.max(0, gross.grams * (1 - loss) - takenBackGrams);
}

/** A batch that is still to be made; a further one of its recipe keeps nothing back. */
export function buildFor(
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

/** The id of what takes. */
export function takerOf(by: BuildUse['by']): string {
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
function ownHundred(stage: ResolvedStage): number {
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

/** A batch that was begun, with what takes from it. */
export function standingBuild(
	one: MadePreparation,
	taken: {
		readonly preparation: Preparation;
		readonly uses: readonly BuildUse[];
		readonly needed: Explained;
		readonly overGrams: number;
		readonly keepsBack: boolean;
	},
	scales: readonly WeighingScale[]
): Result<Build, WeighingFailure> {
	const { preparation, uses, needed, overGrams, keepsBack } = taken;
	const own = one.stage.preparation ?? preparation;
	const of = preparation.name;
	const gross = given({ key: 'build-gross', of }, one.gross.grams, 'g', { kind: 'made' });
	const lines = weighUp(inOwnHundred(one.stage), ownBase(one.stage, gross), scales);
	if (!lines.ok) return fail(lines.error);
	return ok({
		ordinal: one.ordinal,
		made: one.batchId,
		over: { grams: overGrams > LEAST_SHORT_GRAMS ? overGrams : 0 },
		takeBack: { grams: keepsBack ? own.takeBackGrams : 0 },
		preparation: own,
		stage: one.stage,
		uses,
		needed,
		gross,
		lines: lines.value
	});
}

/** What takers need of a recipe, as a sum that names each. */
export function neededFor(
	uses: readonly BuildUse[],
	of: string,
	names: ReadonlyMap<string, string>
): Explained {
	const taken = uses.map(({ by, grams }) => {
		const taker = names.get(takerOf(by)) ?? '';
		const label = by.kind === 'mix' ? `${taker} ${by.ordinal}` : taker;
		return given({ key: 'line', of: label }, grams, 'g', { kind: 'formula' });
	});
	return worked({ key: 'build-needed', of }, 'g', 'sum', taken);
}

/** The first number that no begun batch has. */
export function freeOrdinals(taken: readonly number[]): () => number {
	const numbers = new Set(taken);
	let ordinal = 0;
	return () => {
		do ordinal += 1;
		while (numbers.has(ordinal));
		return ordinal;
	};
}
