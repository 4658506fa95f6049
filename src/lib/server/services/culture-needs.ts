import type { CultureReturnView, CultureUseView } from '../../contracts/culture-views.ts';
import type { ResolvedStage } from '../../core/formula/index.ts';
import { latestStarts } from '../../core/planning/index.ts';
import { followedLog } from '../../core/ripening/index.ts';
import { addDays, instantOf, type BakeDate } from '../../core/time/index.ts';
import type { WeighUpLine } from '../../core/production/index.ts';
import { loadLeadsOn } from '../db/batches.ts';
import type { Db, Tx } from '../db/client.ts';
import { loadPlannedMixStarts } from '../db/plans.ts';
import { bakeDayInput } from './bake-day-input.ts';
import { loadLearnedForPlan } from './learned-for-plan.ts';
import type { CultureOfLog } from './cultures.ts';
import { batchAt, type BakeryDay } from './day-production.ts';

/** What a date takes of every culture and keeps back for it. */
export interface CultureNeeds {
	readonly uses: readonly (CultureUseView & { readonly ingredientId: string })[];
	readonly returns: readonly (CultureReturnView & { readonly ingredientId: string })[];
}

/**
 * What a date takes of its cultures, and when: as its plan says, or at the latest that its drops allow. What was begun has
 * taken its part already, and what is kept back of it is still to be written down.
 */
export async function cultureNeedsOf(
	db: Db | Tx,
	day: BakeryDay,
	nowMs: number
): Promise<CultureNeeds> {
	const seeded = day.production.builds.some(({ stage }) => culturesIn(stage).length > 0);
	const taken = day.production.doughs.some(({ mixes }) =>
		mixes.some(({ resolved }) => culturesIn(resolved.final).length > 0)
	);
	if (!seeded && !taken) return { uses: [], returns: [] };
	const [starts, leads] = await Promise.all([
		loadPlannedMixStarts(db, day.date),
		loadLeadsOn(db, day.date)
	]);
	const latest = latestStarts(bakeDayInput(day, leads, await loadLearnedForPlan(db, day)));
	const uses: CultureNeeds['uses'][number][] = [];
	const returns: CultureNeeds['returns'][number][] = [];
	const take = (
		by: string,
		stage: ResolvedStage,
		lines: readonly WeighUpLine[],
		atMs: number,
		isPlanned: boolean
	) => {
		for (const ingredientId of culturesIn(stage)) {
			const grams = lines.reduce(
				(total, { material, weighing }) =>
					material.kind === 'ingredient' && material.ingredientId === ingredientId
						? total + weighing.weighed.grams
						: total,
				0
			);
			if (grams > 0) uses.push({ ingredientId, atMs, grams, by, date: day.date, isPlanned });
		}
	};
	for (const build of day.production.builds) {
		const { preparation, ordinal, stage, made, takeBack } = build;
		const batch = batchAt(day, { kind: 'preparation', preparationId: preparation.id, ordinal });
		const planned = batch ? starts.get(batch.id) : undefined;
		const asLate = latest.buildOf(preparation.id, ordinal);
		const startMs = planned ?? asLate?.startMs ?? nowMs;
		if (made === null) take(preparation.name, stage, build.lines, startMs, planned !== undefined);
		if (takeBack.grams === 0) continue;
		const mixed = made === null ? null : followedLog(day.log.get(made) ?? []).mixed;
		const ripens = asLate ? asLate.readyMs - asLate.startMs : 0;
		for (const ingredientId of culturesIn(stage))
			returns.push({
				ingredientId,
				atMs: (mixed?.atMs ?? startMs) + ripens,
				grams: takeBack.grams,
				from: preparation.name,
				date: day.date,
				batchId: made
			});
	}
	for (const { mixes } of day.production.doughs)
		for (const mix of mixes) {
			if (mix.made !== null) continue;
			const { formula, final } = mix.resolved;
			const place = { kind: 'mix', formulaId: formula.id, ordinal: mix.ordinal } as const;
			const batch = batchAt(day, place);
			const planned = batch ? starts.get(batch.id) : undefined;
			const startMs = planned ?? latest.mixOf(formula.id, mix.ordinal)?.startMs ?? nowMs;
			take(formula.name, final, mix.lines, startMs, planned !== undefined);
		}
	return { uses, returns };
}

/** The cultures that go straight into a stage. */
function culturesIn({ lines }: ResolvedStage): readonly string[] {
	return [
		...new Set(
			lines.flatMap(({ ingredient }) => (ingredient.kind === 'culture' ? [ingredient.id] : []))
		)
	];
}

/** What nobody began that should have been begun so long ago is not begun any more (our default). */
const FORGOTTEN_MS = 6 * 3_600_000;
/** What was not written down as kept back by then was not kept back (our default). */
const STILL_THERE_MS = 24 * 3_600_000;

/** What is to come of one culture out of several dates, in order of time. */
export function needsOfCulture(
	{ ingredient, keptBackFrom }: CultureOfLog,
	dates: readonly CultureNeeds[],
	nowMs: number
): CultureNeeds {
	const isOwn = (one: { readonly ingredientId: string }) => one.ingredientId === ingredient.id;
	const isToCome = ({ atMs, batchId }: CultureReturnView) =>
		batchId === null
			? atMs >= nowMs - FORGOTTEN_MS
			: !keptBackFrom.has(batchId) && atMs >= nowMs - STILL_THERE_MS;
	return {
		uses: dates
			.flatMap(({ uses }) => uses.filter(isOwn))
			.filter(({ atMs }) => atMs >= nowMs - FORGOTTEN_MS)
			.sort((a, b) => a.atMs - b.atMs),
		returns: dates
			.flatMap(({ returns }) => returns.filter(isOwn))
			.filter(isToCome)
			.sort((a, b) => a.atMs - b.atMs)
	};
}

/** The feed times of a culture from a date on, in order of time. */
export function feedTimesOf(
	{ kept }: CultureOfLog,
	from: BakeDate,
	dates: number,
	zone: string
): readonly number[] {
	return Array.from({ length: dates }, (_, at) => addDays(from, at))
		.flatMap((date) =>
			(kept?.keeping.feedTimes ?? []).map((time) => instantOf(date, time, zone).epochMs)
		)
		.sort((a, b) => a - b);
}
