import type { PreparationId } from '../identity.ts';
import { fail, ok, type Result } from '../result.ts';
import type { Formula, Preparation } from './formula.ts';
import type { Ingredient } from './ingredient.ts';
import { recorded, timesOf, written, type EditedFormula } from './rewrite.ts';
import {
	flourOf,
	resolveFormula,
	sumLines,
	type FormulaFailure,
	type Pantry,
	type ResolvedStage
} from './resolve.ts';
import { DUST_PERCENT, grown, largestOf, settle, type FinalLineNegative } from './settle.ts';

/** What moves while the total formula stands. All figures in percent. */
export type RebalanceMove =
	/** Flour of this build in percent of total flour. */
	| { readonly kind: 'prefermented-flour'; readonly percent: number }
	/** Water of the build in percent of its own flour. */
	| { readonly kind: 'hydration'; readonly percent: number }
	/** Flour of the seed (a culture, or the build before) in percent of the build's flour. */
	| { readonly kind: 'inoculation'; readonly percent: number };

export type RebalanceFailure =
	| FormulaFailure
	| { readonly kind: 'unknown-stage' }
	| { readonly kind: 'in-several-places'; readonly stage: string }
	| { readonly kind: 'no-flour-in-build'; readonly build: string }
	| { readonly kind: 'no-seed-in-build'; readonly build: string }
	| { readonly kind: 'out-of-range'; readonly percent: number }
	| { readonly kind: 'build-line-negative'; readonly line: string; readonly percent: number }
	| FinalLineNegative;

/**
 * Moves flour and water between a build and the final dough while the total formula stays as it is.
 *
 * Model: the build is changed, and the builds that take from it grow or shrink by as much; whatever the
 * builds then take more of, the final dough takes less of, by ingredient. A culture counts as its flour and
 * water: its flour is made up with the final dough's (or the build's) largest flour, its water with water.
 * Range: a build at any depth that stands in one place; percentages of 0 or more, a PFF above 0.
 * Source: domain arithmetic (rebalance). Failures: as `RebalanceFailure`; a final-dough line that would go
 * below 0 is named with what it would come to.
 * Example: the oat loaf's levain from a PFF of 18 to 22 % takes 2.4 % more bread flour from the final dough.
 */
export function rebalance(
	formula: Formula,
	pantry: Pantry,
	preparationId: PreparationId,
	move: RebalanceMove
): Result<EditedFormula, RebalanceFailure> {
	const resolved = resolveFormula(formula, pantry);
	if (!resolved.ok) return fail(resolved.error);
	const { final } = resolved.value;
	const stage = find(final, preparationId);
	if (!stage) return fail({ kind: 'unknown-stage' });
	if (timesOf(final, preparationId) > 1)
		return fail({ kind: 'in-several-places', stage: stage.name });
	if (!(flourOf(stage) > 0)) return fail({ kind: 'no-flour-in-build', build: stage.name });
	if (!Number.isFinite(move.percent) || move.percent < 0)
		return fail({ kind: 'out-of-range', percent: move.percent });
	const moved = changedStage(stage, move);
	if (!moved.ok) return moved;
	const changed = new Map<PreparationId, Preparation>();
	const same = move.kind === 'prefermented-flour';
	const within = replaced(final, same ? moved.value : recorded(moved.value, changed), changed);
	const settled = settle(final, within);
	return settled.ok ? ok(written(formula, settled.value, changed, 1)) : settled;
}

function find(stage: ResolvedStage, wanted: PreparationId): ResolvedStage | null {
	for (const inner of stage.stages) {
		const found = inner.preparation?.id === wanted ? inner : find(inner, wanted);
		if (found) return found;
	}
	return null;
}

/** The stage after the move; its recipe changes unless it only grows or shrinks as a whole. */
function changedStage(
	stage: ResolvedStage,
	move: RebalanceMove
): Result<ResolvedStage, RebalanceFailure> {
	switch (move.kind) {
		case 'prefermented-flour':
			if (move.percent === 0 || move.percent >= 100)
				return fail({ kind: 'out-of-range', percent: move.percent });
			return ok(grown(stage, move.percent / flourOf(stage)));
		case 'hydration':
			return withOwn(stage, [['water', (move.percent / 100) * flourOf(stage) - waterOf(stage)]]);
		case 'inoculation':
			return withSeed(stage, move.percent);
	}
}

function waterOf(stage: ResolvedStage): number {
	return sumLines(stage, ({ ingredient, percentOfFlour }) =>
		ingredient.kind === 'water' || ingredient.kind === 'culture'
			? percentOfFlour * ingredient.composition.water
			: 0
	);
}

/** The stage with the amount of its own largest water, flour or culture line changed. */
function withOwn(
	stage: ResolvedStage,
	changes: readonly (readonly [kind: Ingredient['kind'], by: number])[]
): Result<ResolvedStage, RebalanceFailure> {
	let { lines } = stage;
	for (const [kind, by] of changes) {
		if (Math.abs(by) < DUST_PERCENT) continue;
		const largest = largestOf(lines, kind);
		if (!largest) return fail({ kind: 'build-line-negative', line: kind, percent: by });
		const percent = largest.percentOfFlour + by;
		if (percent <= DUST_PERCENT)
			return fail({ kind: 'build-line-negative', line: largest.ingredient.name, percent });
		lines = lines.map((line) => (line === largest ? { ...line, percentOfFlour: percent } : line));
	}
	return ok({ ...stage, lines });
}

/** The stage seeded anew: by its own culture, or by the build before it. */
function withSeed(
	stage: ResolvedStage,
	inoculation: number
): Result<ResolvedStage, RebalanceFailure> {
	if (inoculation === 0 || inoculation >= 100)
		return fail({ kind: 'out-of-range', percent: inoculation });
	const wanted = (inoculation / 100) * flourOf(stage);
	const culture = largestOf(stage.lines, 'culture');
	if (culture) {
		const { flour, water } = culture.ingredient.composition;
		if (!(flour > 0)) return fail({ kind: 'no-seed-in-build', build: stage.name });
		const more = wanted / flour - culture.percentOfFlour;
		return withOwn(stage, [
			['culture', more],
			['flour', -more * flour],
			['water', -more * water]
		]);
	}
	const seed = stage.stages.find((inner) => inner.kind === 'build');
	if (!seed || !(flourOf(seed) > 0)) return fail({ kind: 'no-seed-in-build', build: stage.name });
	const after = grown(seed, wanted / flourOf(seed));
	const own = withOwn(stage, [
		['flour', flourOf(seed) - flourOf(after)],
		['water', waterOf(seed) - waterOf(after)]
	]);
	if (!own.ok) return own;
	const stages = stage.stages.map((inner) => (inner === seed ? after : inner));
	return ok({ ...own.value, stages });
}

/** The tree with one stage in the place of the one of the same preparation; its takers are added up again. */
function replaced(
	stage: ResolvedStage,
	by: ResolvedStage,
	changed: Map<PreparationId, Preparation>
): ResolvedStage {
	if (stage.preparation?.id === by.preparation?.id) return by;
	const stages = stage.stages.map((inner) => replaced(inner, by, changed));
	return stages.every((inner, at) => inner === stage.stages[at])
		? stage
		: recorded({ ...stage, stages }, changed);
}
