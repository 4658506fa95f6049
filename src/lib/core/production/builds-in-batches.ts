import type { PreparationId } from '../identity.ts';
import type { Preparation, ResolvedStage } from '../formula/index.ts';
import { fail, ok, type Result } from '../result.ts';
import type { WeighingFailure, WeighingScale } from '../units/index.ts';
import type { MadePreparation } from './made.ts';
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

/** In how many batches preparations are wanted, and when what takes from them is due. */
export interface BatchesOfBuilds {
	readonly wanted: (preparationId: PreparationId) => number;
	/** In any one clock; what is due first is made from the first batch. */
	readonly dueOf: (by: BuildUse['by']) => number;
}

/** Everything made once for all that take from it. */
export const IN_ONE: BatchesOfBuilds = { wanted: () => 1, dueOf: () => 0 };

/**
 * Splits what takes from a preparation into batches, by when it is due.
 *
 * Model: in order of what is due first, cut where most time lies between one and the next; where that is the same, where
 * the batches come out most alike. Range: one batch or more; never more than there are takers. Source: domain (pre-ferments
 * split where they are too far apart). Failures: none; every use is in exactly one batch.
 * Example: mixes due at 05:00, 05:30 and 11:00 in two batches are the two of the morning, and the one of noon.
 */
export function usesByTime(
	uses: readonly BuildUse[],
	batches: number,
	dueOf: BatchesOfBuilds['dueOf']
): readonly (readonly BuildUse[])[] {
	const ordered = uses
		.map((use) => ({ use, due: dueOf(use.by) }))
		.sort((a, b) => a.due - b.due || 0);
	const all = ordered.reduce((total, { use }) => total + use.grams, 0);
	let before = 0;
	const cuts = ordered.slice(1).map(({ due }, at) => {
		before += ordered[at]?.use.grams ?? 0;
		const parts = Array.from({ length: batches - 1 }, (_, part) => (all * (part + 1)) / batches);
		return {
			at: at + 1,
			gap: due - (ordered[at]?.due ?? due),
			unlike: Math.min(...parts.map((wanted) => Math.abs(before - wanted)), Infinity)
		};
	});
	const chosen = cuts
		.sort((a, b) => b.gap - a.gap || a.unlike - b.unlike || a.at - b.at)
		.slice(0, Math.max(0, batches - 1))
		.map(({ at }) => at)
		.sort((a, b) => a - b);
	return [0, ...chosen].map((from, index) =>
		ordered.slice(from, chosen[index] ?? ordered.length).map(({ use }) => use)
	);
}

/**
 * What was begun of a recipe that is wanted in several batches, and those that are still to be made of it.
 *
 * Model: what was begun goes to what is due first, as far as it goes; the rest is split by `usesByTime`. Range: two batches
 * or more. Source: as that. Failures: `no-scales`. The uses of all batches together are those of the recipe.
 * Example: two batches of a levain, the first begun: what the morning takes stands, the second is for noon.
 */
export function buildsInBatches(
	preparation: Preparation,
	stage: ResolvedStage,
	asked: BatchesOfBuilds & {
		readonly uses: readonly BuildUse[];
		readonly names: ReadonlyMap<string, string>;
		readonly begun: readonly MadePreparation[];
		readonly batches: number;
	},
	scales: readonly WeighingScale[]
): Result<readonly Build[], WeighingFailure> {
	const { names, begun, batches, dueOf } = asked;
	const of = preparation.name;
	const builds: Build[] = [];
	let left: readonly BuildUse[] = usesByTime(asked.uses, 1, dueOf)[0] ?? [];
	for (const [at, one] of begun.entries()) {
		const keepsBack = at === 0;
		const found = takenFrom(left, usableOf(one, keepsBack));
		left = found.left;
		const needed = neededFor(found.taken, of, names);
		const taken = { preparation, uses: found.taken, needed, overGrams: found.overGrams, keepsBack };
		const build = standingBuild(one, taken, scales);
		if (!build.ok) return fail(build.error);
		builds.push(build.value);
	}
	const short = left.reduce((total, { grams }) => total + grams, 0);
	if (begun.length > 0 && short <= LEAST_SHORT_GRAMS) return ok(builds);
	const next = freeOrdinals(begun.map(({ ordinal }) => ordinal));
	for (const uses of usesByTime(left, Math.max(1, batches - begun.length), dueOf)) {
		const needed = neededFor(uses, of, names);
		const build = buildFor(preparation, stage, uses, needed, builds.length > 0, scales);
		if (!build.ok) return fail(build.error);
		builds.push({ ...build.value, ordinal: next() });
	}
	return ok(builds);
}

/** What comes first of so much, the last of it in part; what is left of the uses, and of what there was. */
function takenFrom(uses: readonly BuildUse[], grams: number) {
	const taken: BuildUse[] = [];
	const left: BuildUse[] = [];
	let there = grams;
	for (const use of uses) {
		const here = Math.min(use.grams, there);
		// A scale's doing is no second batch for a mix.
		const whole = use.grams - here <= LEAST_SHORT_GRAMS;
		if (here > 0) taken.push({ ...use, grams: whole ? use.grams : here });
		if (!whole) left.push({ ...use, grams: use.grams - here });
		there -= here;
	}
	return { taken, left, overGrams: there };
}
