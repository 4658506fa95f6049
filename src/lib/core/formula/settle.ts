import type { IngredientId } from '../identity.ts';
import { fail, ok, type Result } from '../result.ts';
import type { Ingredient } from './ingredient.ts';
import { sumLines, type ResolvedLine, type ResolvedStage } from './resolve.ts';

/** Below this a line counts as gone, in percent of total flour. */
export const DUST_PERCENT = 1e-9;

/** A final-dough line that would have to hold less than nothing. */
export interface FinalLineNegative {
	readonly kind: 'final-line-negative';
	readonly line: string;
	readonly percent: number;
}

/** The largest line of a kind, by what is mixed in; nothing when there is none. */
export function largestOf(
	lines: readonly ResolvedLine[],
	kind: Ingredient['kind']
): ResolvedLine | undefined {
	return lines
		.filter((line) => line.ingredient.kind === kind && line.addition !== 'roll-in')
		.sort((a, b) => b.percentOfFlour - a.percentOfFlour)[0];
}

/** A stage with everything in it grown by a factor; its recipe is as it was. */
export function grown(stage: ResolvedStage, factor: number): ResolvedStage {
	return {
		...stage,
		percentOfFlour: stage.percentOfFlour * factor,
		lines: stage.lines.map((line) => ({ ...line, percentOfFlour: line.percentOfFlour * factor })),
		stages: stage.stages.map((inner) => grown(inner, factor))
	};
}

type Amounts = ReadonlyMap<
	IngredientId,
	{ readonly ingredient: Ingredient; readonly percent: number }
>;

function amountsIn(stages: readonly ResolvedStage[]): Amounts {
	const amounts = new Map<IngredientId, { ingredient: Ingredient; percent: number }>();
	for (const stage of stages)
		sumLines(stage, ({ ingredient, percentOfFlour }) => {
			const before = amounts.get(ingredient.id)?.percent ?? 0;
			amounts.set(ingredient.id, { ingredient, percent: before + percentOfFlour });
			return 0;
		});
	return amounts;
}

/**
 * Lets the final dough give what its builds now take more of, and take what they leave, so that the total
 * formula stands. A culture counts as its flour and water.
 * Failures: `final-line-negative` with the line and what it would come to.
 */
export function settle(
	before: ResolvedStage,
	after: ResolvedStage
): Result<ResolvedStage, FinalLineNegative> {
	const had = amountsIn(before.stages);
	const has = amountsIn(after.stages);
	const taken = new Map<Ingredient, number>();
	const take = (ingredient: Ingredient | undefined, percent: number) => {
		if (ingredient) taken.set(ingredient, (taken.get(ingredient) ?? 0) + percent);
	};
	const everywhere = (kind: Ingredient['kind']) =>
		(
			largestOf(before.lines, kind) ??
			largestOf(
				before.stages.flatMap((stage) => stage.lines),
				kind
			)
		)?.ingredient;
	for (const key of new Set([...had.keys(), ...has.keys()])) {
		const { ingredient } = (has.get(key) ?? had.get(key))!;
		const more = (has.get(key)?.percent ?? 0) - (had.get(key)?.percent ?? 0);
		if (ingredient.kind !== 'culture') take(ingredient, more);
		else {
			take(everywhere('flour'), more * ingredient.composition.flour);
			take(everywhere('water'), more * ingredient.composition.water);
		}
	}
	const lines = lessen(before.lines, taken);
	return lines.ok ? ok({ ...after, lines: lines.value }) : lines;
}

/** Takes amounts out of lines (or gives them back), the largest line first. */
function lessen(
	lines: readonly ResolvedLine[],
	taken: ReadonlyMap<Ingredient, number>
): Result<readonly ResolvedLine[], FinalLineNegative> {
	let result = [...lines];
	for (const [ingredient, amount] of taken) {
		let left = amount;
		if (Math.abs(left) < DUST_PERCENT) continue;
		const own = result
			.filter((line) => line.ingredient.id === ingredient.id && line.addition !== 'roll-in')
			.sort((a, b) => b.percentOfFlour - a.percentOfFlour);
		for (const line of own) {
			const percentOfFlour = Math.max(0, line.percentOfFlour - left);
			left -= line.percentOfFlour - percentOfFlour;
			result = result.map((other) => (other === line ? { ...line, percentOfFlour } : other));
			if (Math.abs(left) < DUST_PERCENT) break;
		}
		if (left > DUST_PERCENT)
			return fail({ kind: 'final-line-negative', line: ingredient.name, percent: -left });
		if (left < -DUST_PERCENT) result.push({ ingredient, percentOfFlour: -left, addition: 'start' });
	}
	return ok(result.filter((line) => line.percentOfFlour > DUST_PERCENT));
}
