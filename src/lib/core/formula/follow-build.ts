import type { Formula } from './formula.ts';
import {
	flourOf,
	resolveFormula,
	stagesInOrder,
	treeOf,
	type FormulaFailure,
	type Pantry,
	type ResolvedStage
} from './resolve.ts';
import { fail, ok, type Result } from '../result.ts';
import { written } from './rewrite.ts';
import { grown, settle } from './settle.ts';

/**
 * Lets a formula follow a build that was changed for all who take from it: its total formula stands where
 * that is possible.
 *
 * Model: each build keeps the flour it brings, and the final dough gives or takes the rest, by ingredient.
 * Where a line of the final dough would fall below nothing, its other weights stay instead and the flour
 * is brought back to 100. What brings no flour (a soaker) changes as its recipe does.
 * Range: a formula that could be made before. Source: domain arithmetic (editing). Failures: those of
 * `resolveFormula`, before and after.
 * Example: a shared levain from 100 to 80 % water leaves the hydration of every dough as it was.
 */
export function followBuilds(
	formula: Formula,
	before: Pantry,
	after: Pantry
): Result<Formula, FormulaFailure> {
	const old = resolveFormula(formula, before);
	if (!old.ok) return old;
	if (!takesFromChanged(old.value.final, after)) return ok(formula);
	const tree = treeOf(formula, after);
	if (!tree.ok) return tree;
	const stages = tree.value.stages.map((stage, at) => {
		const flour = flourOf(stage);
		const was = old.value.final.stages[at];
		return flour > 0 && was ? grown(stage, flourOf(was) / flour) : stage;
	});
	const soaked = { ...old.value.final, stages: withFlour(old.value.final.stages) };
	const settled = settle(soaked, { ...tree.value, stages: withFlour(stages) });
	if (settled.ok) {
		const final = { ...tree.value, stages, lines: settled.value.lines };
		const followed = written(formula, final, new Map(), 1).formula;
		if (resolveFormula(followed, after).ok) return ok(followed);
	}
	const flour = flourOf(tree.value);
	if (!(flour > 0))
		return fail({ kind: 'flour-not-100', where: formula.name, flourPercent: flour });
	return ok(written(formula, tree.value, new Map(), 100 / flour).formula);
}

/** Only what brings flour is weighed against the final dough. */
function withFlour(stages: readonly ResolvedStage[]): readonly ResolvedStage[] {
	return stages.filter((stage) => flourOf(stage) > 0);
}

function takesFromChanged(final: ResolvedStage, after: Pantry): boolean {
	return stagesInOrder(final).some(
		({ preparation }) =>
			preparation !== null && after.preparations.get(preparation.id) !== preparation
	);
}
