import type { ResolvedStage } from '../formula/index.ts';
import type { Build } from './one-build.ts';
import type { DayProduction, Dough } from './day.ts';

/** A sour that is built in several stages, from the culture to the dough that takes it. */
export interface StagedSour {
	/** The first is seeded by a culture, each after it by the one before. */
	readonly stages: readonly Build[];
	/** The last of them. */
	readonly last: Build;
	/** The first dough that takes it. */
	readonly bread: Dough;
}

/**
 * Gives the sours of a day that are built in two stages or more.
 *
 * Model: from each pre-ferment that a dough takes back through the pre-ferment it is seeded by, to one that a culture
 * seeds; of several batches of a stage the first. Range: a day's production. Source: domain (staged sours). Failures: none;
 * what no culture seeds is no sour.
 * Example: culture, refresh, base, full, dough is one sour of three stages.
 */
export function stagedSours({ builds, doughs }: Pick<DayProduction, 'builds' | 'doughs'>) {
	const buildOf = (preparationId: string) =>
		builds.find((build) => build.preparation.id === preparationId);
	const chainOf = (build: Build, seen: readonly Build[]): readonly Build[] | null => {
		if (seen.includes(build)) return null;
		const seed = seedOf(build.stage);
		if (!seed) return hasCulture(build.stage) ? [build] : null;
		const before = buildOf(seed);
		const chain = before ? chainOf(before, [...seen, build]) : null;
		return chain && [...chain, build];
	};
	const found = new Map<string, StagedSour>();
	for (const bread of doughs)
		for (const stage of bread.resolved.final.stages) {
			const last = stage.preparation ? buildOf(stage.preparation.id) : undefined;
			const stages = last ? chainOf(last, []) : null;
			if (last && stages && stages.length > 1 && !found.has(last.preparation.id))
				found.set(last.preparation.id, { stages, last, bread });
		}
	return [...found.values()];
}

/** The pre-ferment that seeds a stage; of several the largest. */
function seedOf({ stages }: ResolvedStage): string | null {
	const [largest] = stages
		.filter(({ kind }) => kind === 'build')
		.toSorted((a, b) => b.percentOfFlour - a.percentOfFlour);
	return largest?.preparation?.id ?? null;
}

function hasCulture({ lines }: ResolvedStage): boolean {
	return lines.some(({ ingredient }) => ingredient.kind === 'culture');
}
