import type { IngredientId, PreparationId } from '../identity.ts';
import { fail, ok, type Result } from '../result.ts';
import type { Formula, FormulaLine, Preparation, PreparationLine } from './formula.ts';
import type { Ingredient } from './ingredient.ts';
import {
	flourOf,
	resolveFormula,
	sumLines,
	type FormulaFailure,
	type Pantry,
	type ResolvedStage
} from './resolve.ts';

/** What moves while the total formula stands. All figures in percent. */
export type RebalanceMove =
	/** Flour of this build in percent of total flour. */
	| { readonly kind: 'prefermented-flour'; readonly percent: number }
	/** Water of the build in percent of its own flour. */
	| { readonly kind: 'hydration'; readonly percent: number }
	/** Flour of the seed in percent of the build's flour. */
	| { readonly kind: 'inoculation'; readonly percent: number };

export interface Rebalanced {
	readonly formula: Formula;
	/** The build with its new parts; null when its recipe stays as it was. */
	readonly preparation: Preparation | null;
}

export type RebalanceFailure =
	| FormulaFailure
	| { readonly kind: 'not-in-final-dough'; readonly preparationId: PreparationId }
	| { readonly kind: 'no-flour-in-build'; readonly build: string }
	| { readonly kind: 'no-seed-in-build'; readonly build: string }
	| { readonly kind: 'out-of-range'; readonly percent: number }
	| { readonly kind: 'build-line-negative'; readonly line: string; readonly percent: number }
	| { readonly kind: 'final-line-negative'; readonly line: string; readonly percent: number };

/** Below this a line counts as gone, in percent of total flour. */
const DUST_PERCENT = 1e-9;

/**
 * Moves flour and water between a build and the final dough while the total formula stays as it is.
 *
 * Model: the build is changed; whatever the build then takes more of, the final dough takes less of, by
 * ingredient. A culture counts as its flour and water: its flour is made up with the build's (or the final
 * dough's) largest flour, its water with water.
 * Range: a build the final dough refers to directly; percentages of 0 or more, a hydration and a PFF above 0.
 * Source: domain arithmetic (rebalance). Failures: as `RebalanceFailure`; a final-dough line that would go
 * below 0 is named with what it would come to.
 * Example: the oat loaf's levain from a PFF of 18 to 22 % takes 2.4 % more bread flour from the final dough.
 */
export function rebalance(
	formula: Formula,
	pantry: Pantry,
	preparationId: PreparationId,
	move: RebalanceMove
): Result<Rebalanced, RebalanceFailure> {
	const resolved = resolveFormula(formula, pantry);
	if (!resolved.ok) return fail(resolved.error);
	const stage = resolved.value.final.stages.find((one) => one.preparation?.id === preparationId);
	const preparation = stage?.preparation;
	if (!stage || !preparation) return fail({ kind: 'not-in-final-dough', preparationId });
	if (!(flourOf(stage) > 0)) return fail({ kind: 'no-flour-in-build', build: stage.name });
	if (!Number.isFinite(move.percent) || move.percent < 0)
		return fail({ kind: 'out-of-range', percent: move.percent });
	switch (move.kind) {
		case 'prefermented-flour': {
			if (move.percent === 0 || move.percent >= 100)
				return fail({ kind: 'out-of-range', percent: move.percent });
			const factor = move.percent / flourOf(stage);
			const amount = stage.percentOfFlour * factor;
			return intoFinal(formula, resolved.value.final, stage, scaled(stage, factor), amount, null);
		}
		case 'hydration': {
			const water = (move.percent / 100) * flourOf(stage) - waterOf(stage);
			const changed = withOwn(preparation, stage, [['water', water]]);
			return changed.ok
				? settled(formula, resolved.value.final, stage, changed.value, pantry)
				: changed;
		}
		case 'inoculation': {
			const changed = withSeed(preparation, stage, move.percent);
			return changed.ok
				? settled(formula, resolved.value.final, stage, changed.value, pantry)
				: changed;
		}
	}
}

type Amounts = ReadonlyMap<
	IngredientId,
	{ readonly ingredient: Ingredient; readonly percent: number }
>;

function amountsOf(stage: ResolvedStage, factor = 1): Amounts {
	const amounts = new Map<IngredientId, { ingredient: Ingredient; percent: number }>();
	sumLines(stage, ({ ingredient, percentOfFlour }) => {
		const before = amounts.get(ingredient.id)?.percent ?? 0;
		amounts.set(ingredient.id, { ingredient, percent: before + percentOfFlour * factor });
		return 0;
	});
	return amounts;
}

const scaled = (stage: ResolvedStage, factor: number) => amountsOf(stage, factor);

function waterOf(stage: ResolvedStage): number {
	return sumLines(stage, ({ ingredient, percentOfFlour }) =>
		ingredient.kind === 'water' || ingredient.kind === 'culture'
			? percentOfFlour * ingredient.composition.water
			: 0
	);
}

interface ChangedBuild {
	readonly preparation: Preparation;
	readonly amount: number;
}

/** The build with the amount of its water, flour or culture lines changed, in percent of total flour. */
function withOwn(
	preparation: Preparation,
	stage: ResolvedStage,
	changes: readonly (readonly [kind: Ingredient['kind'], by: number])[]
): Result<ChangedBuild, RebalanceFailure> {
	const perPart =
		stage.percentOfFlour / preparation.lines.reduce((sum, line) => sum + line.parts, 0);
	const lines: PreparationLine[] = [...preparation.lines];
	let amount = stage.percentOfFlour;
	for (const [kind, by] of changes) {
		if (Math.abs(by) < DUST_PERCENT) continue;
		const own = stage.lines.filter((line) => line.ingredient.kind === kind);
		const largest = [...own].sort((a, b) => b.percentOfFlour - a.percentOfFlour)[0];
		if (!largest) return fail({ kind: 'build-line-negative', line: kind, percent: by });
		const at = lines.findIndex(
			({ material }) =>
				material.kind === 'ingredient' && material.ingredientId === largest.ingredient.id
		);
		const line = lines[at];
		const percent = largest.percentOfFlour + by;
		if (!line || percent <= DUST_PERCENT)
			return fail({ kind: 'build-line-negative', line: largest.ingredient.name, percent });
		lines[at] = { ...line, parts: percent / perPart };
		amount += by;
	}
	return ok({ preparation: { ...preparation, lines }, amount });
}

function withSeed(
	preparation: Preparation,
	stage: ResolvedStage,
	inoculation: number
): Result<ChangedBuild, RebalanceFailure> {
	const seed = stage.lines.find((line) => line.ingredient.kind === 'culture');
	if (!seed) return fail({ kind: 'no-seed-in-build', build: stage.name });
	const { flour, water } = seed.ingredient.composition;
	if (inoculation === 0 || inoculation >= 100 || !(flour > 0))
		return fail({ kind: 'out-of-range', percent: inoculation });
	const wanted = ((inoculation / 100) * flourOf(stage)) / flour;
	const more = wanted - seed.percentOfFlour;
	return withOwn(preparation, stage, [
		['culture', more],
		['flour', -more * flour],
		['water', -more * water]
	]);
}

/** Reads the changed build again and puts what it takes or leaves into the final dough. */
function settled(
	formula: Formula,
	final: ResolvedStage,
	stage: ResolvedStage,
	changed: ChangedBuild,
	pantry: Pantry
): Result<Rebalanced, RebalanceFailure> {
	const { preparation, amount } = changed;
	const preparations = new Map(pantry.preparations).set(preparation.id, preparation);
	// Only the stage is wanted: with the build changed alone, the flour of the whole no longer is 100.
	const alone: Formula = {
		...formula,
		lines: [
			{
				material: { kind: 'preparation', preparationId: preparation.id },
				percentOfFlour: amount,
				addition: 'start'
			}
		]
	};
	const factor = 100 / flourOf(stage);
	const again = resolveFormula(
		{
			...alone,
			lines: alone.lines.map((line) => ({ ...line, percentOfFlour: line.percentOfFlour * factor }))
		},
		{ ...pantry, preparations }
	);
	if (!again.ok) return fail(again.error);
	return intoFinal(
		formula,
		final,
		stage,
		amountsOf(again.value.final, 1 / factor),
		amount,
		preparation
	);
}

function intoFinal(
	formula: Formula,
	final: ResolvedStage,
	stage: ResolvedStage,
	after: Amounts,
	amount: number,
	preparation: Preparation | null
): Result<Rebalanced, RebalanceFailure> {
	const taken = new Map<IngredientId, number>();
	const take = (ingredientId: IngredientId, percent: number) =>
		taken.set(ingredientId, (taken.get(ingredientId) ?? 0) + percent);
	const before = amountsOf(stage);
	for (const key of new Set([...before.keys(), ...after.keys()])) {
		const { ingredient } = (after.get(key) ?? before.get(key))!;
		const more = (after.get(key)?.percent ?? 0) - (before.get(key)?.percent ?? 0);
		if (ingredient.kind !== 'culture') take(key, more);
		else {
			const flour = largestOf(final, 'flour') ?? largestOf(stage, 'flour');
			const water = largestOf(final, 'water') ?? largestOf(stage, 'water');
			if (flour) take(flour, more * ingredient.composition.flour);
			if (water) take(water, more * ingredient.composition.water);
		}
	}
	const names = new Map([...before, ...after].map(([key, one]) => [key, one.ingredient.name]));
	const lines = moved(formula.lines, taken, names);
	if (!lines.ok) return lines;
	return ok({
		preparation,
		formula: {
			...formula,
			lines: lines.value.map((line) =>
				line.material.kind === 'preparation' &&
				line.material.preparationId === stage.preparation?.id
					? { ...line, percentOfFlour: amount }
					: line
			)
		}
	});
}

function largestOf(stage: ResolvedStage, kind: Ingredient['kind']): IngredientId | undefined {
	return [...stage.lines]
		.filter((line) => line.ingredient.kind === kind)
		.sort((a, b) => b.percentOfFlour - a.percentOfFlour)[0]?.ingredient.id;
}

/** Takes amounts out of the final dough's lines (or gives them back), the largest line first. */
function moved(
	lines: readonly FormulaLine[],
	taken: ReadonlyMap<IngredientId, number>,
	names: ReadonlyMap<IngredientId, string>
): Result<readonly FormulaLine[], RebalanceFailure> {
	const result = [...lines];
	for (const [ingredientId, amount] of taken) {
		let left = amount;
		if (Math.abs(left) < DUST_PERCENT) continue;
		const own = result
			.map((line, at) => ({ line, at }))
			.filter(
				({ line }) =>
					line.material.kind === 'ingredient' && line.material.ingredientId === ingredientId
			)
			.sort((a, b) => b.line.percentOfFlour - a.line.percentOfFlour);
		for (const { line, at } of own) {
			const percentOfFlour = Math.max(0, line.percentOfFlour - left);
			left -= line.percentOfFlour - percentOfFlour;
			result[at] = { ...line, percentOfFlour };
			if (Math.abs(left) < DUST_PERCENT) break;
		}
		if (left > DUST_PERCENT)
			return fail({
				kind: 'final-line-negative',
				line: names.get(ingredientId) ?? '',
				percent: -left
			});
		if (left < -DUST_PERCENT)
			result.push({
				material: { kind: 'ingredient', ingredientId },
				percentOfFlour: -left,
				addition: 'start'
			});
	}
	return ok(result.filter((line) => line.percentOfFlour > DUST_PERCENT));
}
