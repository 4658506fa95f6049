import type { PreparationId } from '../identity.ts';
import { fail, ok, type Result } from '../result.ts';
import type { Addition } from './addition.ts';
import type { Preparation } from './formula.ts';
import type { Ingredient } from './ingredient.ts';
import { recorded, timesOf, written, type EditedFormula } from './rewrite.ts';
import {
	stagesInOrder,
	type ResolvedFormula,
	type ResolvedLine,
	type ResolvedStage
} from './resolve.ts';

/** One number of the formula sheet, set to a new amount in percent of total flour; 0 takes the line out. */
export interface LineEdit {
	/** null for the final dough. */
	readonly preparationId: PreparationId | null;
	readonly ingredient: Ingredient;
	readonly addition: Addition;
	readonly percentOfFlour: number;
	/**
	 * How the flour comes back to 100: `balance` lets the largest other flour of the final dough give way,
	 * as when a percentage is typed; `normalise` keeps all other weights, as when a weight is typed.
	 */
	readonly flour: 'balance' | 'normalise';
}

export type EditFailure =
	| { readonly kind: 'unknown-stage' }
	| { readonly kind: 'in-several-places'; readonly stage: string }
	| { readonly kind: 'out-of-range'; readonly percent: number }
	| { readonly kind: 'stage-empty'; readonly stage: string }
	| { readonly kind: 'no-flour-to-balance' }
	| { readonly kind: 'final-line-negative'; readonly line: string; readonly percent: number };

/** Below this a line counts as gone, in percent of total flour. */
const DUST_PERCENT = 1e-9;

/** More than this of a line is a typing error (our default). */
export const MOST_PERCENT = 1000;

/**
 * Sets one number of a formula; everything else follows.
 *
 * Model: the stage's own lines change, the amounts its takers refer to follow, and the flour is brought
 * back to 100 as the edit says. Builds on the way keep the proportions of their other lines.
 * Range: 0 to 1000 percent of total flour. Source: domain arithmetic (editing). Failures: as `EditFailure`.
 * Example: whole wheat of the oat loaf from 12 to 15 % takes bread flour from 70 to 67 %.
 */
export function editLine(
	resolved: ResolvedFormula,
	edit: LineEdit
): Result<EditedFormula, EditFailure> {
	const { percentOfFlour } = edit;
	if (!Number.isFinite(percentOfFlour) || percentOfFlour < 0 || percentOfFlour > MOST_PERCENT)
		return fail({ kind: 'out-of-range', percent: percentOfFlour });
	if (edit.preparationId !== null && timesOf(resolved.final, edit.preparationId) > 1) {
		const stage = stagesInOrder(resolved.final).find(
			(stage) => stage.preparation?.id === edit.preparationId
		);
		return fail({ kind: 'in-several-places', stage: stage?.name ?? '' });
	}
	const changed = new Map<PreparationId, Preparation>();
	const final = edited(resolved.final, edit, changed);
	if (!final) return fail({ kind: 'unknown-stage' });
	const empty = emptyStage(final);
	if (empty) return fail({ kind: 'stage-empty', stage: empty });
	const flour = flourIn(final);
	if (!(flour > 0)) return fail({ kind: 'no-flour-to-balance' });
	if (edit.flour === 'normalise') return ok(written(resolved.formula, final, changed, 100 / flour));
	const balanced = balance(final, edit, 100 - flour);
	return balanced.ok ? ok(written(resolved.formula, balanced.value, changed, 1)) : balanced;
}

/** The stage with the edit in it; null when neither it nor anything inside is the stage that was meant. */
function edited(
	stage: ResolvedStage,
	edit: LineEdit,
	changed: Map<PreparationId, Preparation>
): ResolvedStage | null {
	if ((stage.preparation?.id ?? null) === edit.preparationId)
		return recorded({ ...stage, lines: withLine(stage.lines, edit) }, changed);
	let found = false;
	const stages = stage.stages.map((inner) => {
		const after = edited(inner, edit, changed);
		found ||= after !== null;
		return after ?? inner;
	});
	return found ? recorded({ ...stage, stages }, changed) : null;
}

function withLine(lines: readonly ResolvedLine[], edit: LineEdit): readonly ResolvedLine[] {
	const { ingredient, addition, percentOfFlour } = edit;
	const isIt = (line: ResolvedLine) =>
		line.ingredient.id === ingredient.id && line.addition === addition;
	const line: ResolvedLine = { ingredient, addition, percentOfFlour };
	const at = lines.findIndex(isIt);
	const remaining = lines.flatMap((other, index) =>
		index === at ? [line] : isIt(other) ? [] : [other]
	);
	return (at < 0 ? [...remaining, line] : remaining).filter(
		(line) => line.percentOfFlour > DUST_PERCENT
	);
}

function emptyStage(stage: ResolvedStage): string | null {
	if (!(stage.percentOfFlour > 0)) return stage.name;
	for (const inner of stage.stages) {
		const empty = emptyStage(inner);
		if (empty !== null) return empty;
	}
	return null;
}

function flourIn(stage: ResolvedStage): number {
	return (
		stage.lines.reduce(
			(total, line) => total + line.percentOfFlour * line.ingredient.composition.flour,
			0
		) + stage.stages.reduce((total, inner) => total + flourIn(inner), 0)
	);
}

/** Lets the largest flour of the final dough that was not edited give or take the difference. */
function balance(
	final: ResolvedStage,
	edit: LineEdit,
	by: number
): Result<ResolvedStage, EditFailure> {
	if (Math.abs(by) < DUST_PERCENT) return ok(final);
	const isEdited = (line: ResolvedLine): boolean =>
		edit.preparationId === null && line.ingredient.id === edit.ingredient.id;
	const largest = final.lines
		.filter((line) => line.ingredient.composition.flour === 1 && !isEdited(line))
		.sort((a, b) => b.percentOfFlour - a.percentOfFlour)[0];
	if (!largest) return fail({ kind: 'no-flour-to-balance' });
	const percentOfFlour = largest.percentOfFlour + by;
	if (percentOfFlour < -DUST_PERCENT)
		return fail({
			kind: 'final-line-negative',
			line: largest.ingredient.name,
			percent: percentOfFlour
		});
	const lines = final.lines
		.map((line) => (line === largest ? { ...line, percentOfFlour } : line))
		.filter((line) => line.percentOfFlour > DUST_PERCENT);
	return ok({ ...final, lines });
}
