import type { BuildBatchesView } from '../../contracts/dough-views.ts';
import { stirredTarget } from '../../core/mixing/index.ts';
import { latestStarts } from '../../core/planning/index.ts';
import type { Build } from '../../core/production/index.ts';
import { courseOf, ripeningStep } from '../../core/ripening/index.ts';
import { MINUTE_MS } from '../../core/time/index.ts';
import { loadLeadsOn } from '../db/batches.ts';
import type { Db } from '../db/client.ts';
import { loadPlannedMixStarts } from '../db/plans.ts';
import { bakeDayInput } from './bake-day-input.ts';
import { loadLearnedForPlan } from './learned-for-plan.ts';
import { batchAt, recipeOfPreparation, type BakeryDay } from './day-production.ts';

/**
 * The pre-ferments of a date that several mixes take from, with how far these lie apart: as the plan has them, or at the
 * latest that their drops allow.
 */
export async function buildsApart(db: Db, day: BakeryDay): Promise<readonly BuildBatchesView[]> {
	const shared = day.production.builds.filter(({ uses }) =>
		uses.every(({ by }) => by.kind === 'mix')
	);
	const ids = [...new Set(shared.map(({ preparation }) => preparation.id))].filter((id) => {
		const uses = shared
			.filter(({ preparation }) => preparation.id === id)
			.flatMap(({ uses }) => uses);
		return uses.length > 1;
	});
	if (ids.length === 0) return [];
	const [leads, starts] = await Promise.all([
		loadLeadsOn(db, day.date),
		loadPlannedMixStarts(db, day.date)
	]);
	const latest = latestStarts(bakeDayInput(day, leads, await loadLearnedForPlan(db, day)));
	const startOf = (formulaId: string, ordinal: number) => {
		const batch = batchAt(day, { kind: 'mix', formulaId, ordinal });
		return (batch && starts.get(batch.id)) ?? latest.mixOf(formulaId, ordinal)?.startMs ?? null;
	};
	const apart = ({ uses }: Build) => {
		const at = uses.flatMap(({ by }) =>
			by.kind === 'mix' ? (startOf(by.formulaId, by.ordinal) ?? []) : []
		);
		return at.length > 1 ? (Math.max(...at) - Math.min(...at)) / MINUTE_MS : 0;
	};
	return ids.flatMap((preparationId): BuildBatchesView[] => {
		const own = shared.filter(({ preparation }) => preparation.id === preparationId);
		const [first] = own;
		const wanted = day.batchesWanted.get(preparationId);
		const usableMinutes = first ? usableOf(first, day) : null;
		if (!first || usableMinutes === null) return [];
		const farthest = Math.max(...own.map(apart));
		return [
			{
				preparationId,
				batches: wanted?.batches ?? 1,
				version: wanted?.version ?? 0,
				takers: new Set(own.flatMap(({ uses }) => uses.map(({ by }) => JSON.stringify(by)))).size,
				apartMinutes: farthest,
				usableMinutes
			}
		];
	});
}

/** How long a pre-ferment can be taken, from early to late; null for what has no clock. */
function usableOf(build: Build, day: BakeryDay): number | null {
	const steps = recipeOfPreparation(day, build)?.steps ?? [];
	const step = ripeningStep(steps);
	const celsius = stirredTarget(steps);
	const course = step && celsius !== null ? courseOf(step, celsius) : null;
	if (!course?.ok || !course.value.marks) return null;
	const { early, late } = course.value.marks;
	return late === null ? Infinity : late - early;
}
