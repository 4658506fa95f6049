import type { SourStageView, SourWalkView } from '../../contracts/sour-views.ts';
import { buildFiguresOf } from '../../core/formula/index.ts';
import { handsOnMinutes, latestStarts } from '../../core/planning/index.ts';
import { stagedSours } from '../../core/production/index.ts';
import { ripeningStep } from '../../core/ripening/index.ts';
import { stirredTarget } from '../../core/mixing/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { loadLeadsOn } from '../db/batches.ts';
import type { Db } from '../db/client.ts';
import { loadPlannedMixStarts } from '../db/plans.ts';
import { bakeDayInput } from './bake-day-input.ts';
import { loadLearnedForPlan } from './learned-for-plan.ts';
import { batchAt, loadBakeryDay, recipeOfPreparation } from './day-production.ts';
import { readRipening } from './read-ripening.ts';

/** A staged sour of a date, by the recipe of its last stage; null where the date has none of it. */
export async function readSour(
	db: Db,
	date: BakeDate,
	preparationId: string,
	realNowMs: number
): Promise<SourWalkView | null> {
	const loaded = loadBakeryDay(db, date);
	const day = await loaded;
	const sour = stagedSours(day.production).find(
		({ last }) => last.preparation.id === preparationId
	);
	if (!sour) return null;
	const [starts, leads, ripening] = await Promise.all([
		loadPlannedMixStarts(db, date),
		loadLeadsOn(db, date),
		readRipening(db, date, realNowMs, loaded)
	]);
	const latest = latestStarts(bakeDayInput(day, leads, await loadLearnedForPlan(db, day)));
	const stages = sour.stages.map((build): SourStageView => {
		const { preparation, ordinal, stage } = build;
		const steps = recipeOfPreparation(day, build)?.steps ?? [];
		const place = { kind: 'preparation', preparationId: preparation.id, ordinal } as const;
		const batch = batchAt(day, place);
		const planned = batch ? starts.get(batch.id) : undefined;
		const { seedRatio, hydration, inoculation } = buildFiguresOf(stage);
		return {
			preparationId: preparation.id,
			name: preparation.name,
			ordinal,
			grams: build.gross.value,
			lines: build.lines.map(({ name, weighing }) => ({ name, grams: weighing.weighed.grams })),
			seedRatio,
			hydration,
			inoculation,
			takeBackGrams: build.takeBack.grams,
			targetCelsius: stirredTarget(steps),
			step: ripeningStep(steps),
			mixMinutes: steps.reduce(
				(total, step) => total + (step.kind === 'hands-on' ? handsOnMinutes(step, 0) : 0),
				0
			),
			plannedMs: planned ?? latest.buildOf(preparation.id, ordinal)?.startMs ?? null,
			isPlanned: planned !== undefined
		};
	});
	const { formula } = sour.bread.resolved;
	const mix = sour.bread.mixes.find(({ made }) => made === null) ?? sour.bread.mixes[0];
	const ordinal = mix?.ordinal ?? 1;
	const batch = batchAt(day, { kind: 'mix', formulaId: formula.id, ordinal });
	const planned = batch ? starts.get(batch.id) : undefined;
	return {
		name: sour.last.preparation.name,
		stages,
		bread: {
			formulaId: formula.id,
			name: formula.name,
			ordinal,
			count: mix?.count ?? 1,
			plannedMs: planned ?? latest.mixOf(formula.id, ordinal)?.startMs ?? null,
			isPlanned: planned !== undefined
		},
		ripening
	};
}
