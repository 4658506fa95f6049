import { USUAL_BUILD_LOSS_SHARE } from './usual.ts';
import type { PreparationId } from '../identity.ts';
import { fail, ok, type Result } from '../result.ts';
import type { Preparation } from './formula.ts';
import type { Ingredient } from './ingredient.ts';
import type { ResolvedFormula, ResolvedLine, ResolvedStage } from './resolve.ts';
import { recorded, written, type EditedFormula } from './rewrite.ts';

/** A new build that is made from flour and water of an existing stage. */
export interface SplitOff {
	/** The stage it goes into; null for the final dough. */
	readonly into: PreparationId | null;
	readonly id: PreparationId;
	readonly name: string;
	/** Flour of the new build in percent of total flour; as much water goes with it. */
	readonly flourPercent: number;
}

export type SplitFailure =
	| { readonly kind: 'unknown-stage' }
	| { readonly kind: 'out-of-range'; readonly percent: number }
	| {
			readonly kind: 'not-enough';
			readonly what: 'flour' | 'water';
			readonly stage: string;
			readonly there: number;
	  };

/** What stays in the tub of a new build until the bakery weighs it (our default). */
const NEW_BUILD_LOSS = { share: USUAL_BUILD_LOSS_SHARE };

/**
 * Splits a build off a stage: its flour and water become a recipe of their own at 100 % hydration, and the
 * total formula stands.
 *
 * Model: the stage's largest flour and largest water give up what the build takes.
 * Range: flour above 0 and less than that flour line. Source: domain arithmetic (editing). Failures: as
 * `SplitFailure`.
 * Example: 15 % of a dough of 100 flour and 65 water leaves 85 and 50 in the final dough.
 */
export function splitOffBuild(
	resolved: ResolvedFormula,
	split: SplitOff
): Result<EditedFormula, SplitFailure> {
	const { flourPercent } = split;
	if (!Number.isFinite(flourPercent) || flourPercent <= 0 || flourPercent >= 100)
		return fail({ kind: 'out-of-range', percent: flourPercent });
	const changed = new Map<PreparationId, Preparation>();
	const final = within(resolved.final, split, changed);
	if (final === null) return fail({ kind: 'unknown-stage' });
	if ('kind' in final && final.kind === 'not-enough') return fail(final);
	return ok(written(resolved.formula, final, changed, 1));
}

type NotEnough = Extract<SplitFailure, { kind: 'not-enough' }>;

function within(
	stage: ResolvedStage,
	split: SplitOff,
	changed: Map<PreparationId, Preparation>
): ResolvedStage | NotEnough | null {
	if ((stage.preparation?.id ?? null) === split.into) return splitHere(stage, split, changed);
	for (const [at, inner] of stage.stages.entries()) {
		const after = within(inner, split, changed);
		if (after === null) continue;
		if (after.kind === 'not-enough') return after;
		const stages = stage.stages.map((stage, index) => (index === at ? after : stage));
		return recorded({ ...stage, stages }, changed);
	}
	return null;
}

function splitHere(
	stage: ResolvedStage,
	split: SplitOff,
	changed: Map<PreparationId, Preparation>
): ResolvedStage | NotEnough {
	const taken: ResolvedLine[] = [];
	let lines = stage.lines;
	for (const what of ['flour', 'water'] as const) {
		const line = largest(lines, what);
		const there = line?.percentOfFlour ?? 0;
		if (!line || there <= split.flourPercent)
			return { kind: 'not-enough', what, stage: stage.name, there };
		taken.push({ ...line, percentOfFlour: split.flourPercent, addition: 'start' });
		lines = lines.map((other) =>
			other === line ? { ...other, percentOfFlour: there - split.flourPercent } : other
		);
	}
	const preparation: Preparation = {
		id: split.id,
		name: split.name,
		kind: 'build',
		lines: [],
		buildLoss: NEW_BUILD_LOSS,
		takeBackGrams: 0
	};
	const build = recorded(
		{
			kind: 'build',
			preparation,
			name: split.name,
			addition: 'start',
			lines: taken,
			stages: [],
			percentOfFlour: 0
		},
		changed
	);
	return recorded({ ...stage, lines, stages: [...stage.stages, build] }, changed);
}

function largest(
	lines: readonly ResolvedLine[],
	kind: Ingredient['kind']
): ResolvedLine | undefined {
	return lines
		.filter((line) => line.ingredient.kind === kind)
		.sort((a, b) => b.percentOfFlour - a.percentOfFlour)[0];
}
