import type {
	BuildWaterView,
	MeasuredView,
	MixWaterView,
	WaterView
} from '../../contracts/water-views.ts';
import { favourOf } from '../../core/fermentation/index.ts';
import {
	freshYeastPercent,
	hasOwnFlour,
	isPerishable,
	type Step
} from '../../core/formula/index.ts';
import {
	bowlReadingOf,
	bowlWaterInput,
	BY_HAND,
	NO_RULES,
	scaldOfBowl,
	stirredTarget,
	waterOfMix,
	type MixOfDay
} from '../../core/mixing/index.ts';
import type { Build, Dough } from '../../core/production/index.ts';
import { courseOf, ripeningStep, soursWith } from '../../core/ripening/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { BatchEntry } from '../db/batch-log.ts';
import type { Db } from '../db/client.ts';
import { loadSensorsNow } from '../db/devices.ts';
import { loadPlannedMixStarts } from '../db/plans.ts';
import { bakeryNow } from './bakery-now.ts';
import { nameOfMix, nameOfPreparation } from './batch-names.ts';
import {
	batchAt,
	loadBakeryDay,
	recipeOfMix,
	recipeOfPreparation,
	type BakeryDay
} from './day-production.ts';
import { workOutMix, workOutTaken, type DayKnowledge } from './mixes-of-day.ts';
import { learnedWait, loadObservationsOf, observationsOf } from './observations.ts';
import { newestOf, probeView, readWaterInputs } from './temperatures-now.ts';

/** The water of every mix and build of a date from the temperatures of the moment. */
export async function readWater(
	db: Db,
	date: BakeDate,
	realNowMs: number,
	loaded = loadBakeryDay(db, date)
): Promise<WaterView> {
	const [day, nowMs] = await Promise.all([loaded, bakeryNow(db, realNowMs)]);
	const [temperatures, observations, starts, sensors] = await Promise.all([
		readWaterInputs(db, day, nowMs),
		loadObservationsOf(
			db,
			day.production.doughs.map((dough) => dough.resolved.formula.id)
		),
		loadPlannedMixStarts(db, date),
		loadSensorsNow(db)
	]);
	const knowledge: DayKnowledge = { temperatures, observations, nowMs };
	const core = newestOf(sensors, 'core-probe');
	const surface = newestOf(sensors, 'surface-thermometer');
	return {
		date,
		inputs: temperatures,
		mixes: day.production.doughs
			.flatMap((dough) => mixesOf(dough, day, knowledge, starts))
			.sort(byStart),
		builds: day.production.builds
			.flatMap((build) => buildWater(build, day, knowledge, starts))
			.sort(byStart),
		school: day.bakery.waterSchool,
		countsSoakers: day.bakery.countsSoakers,
		iceForm: day.bakery.iceForm,
		mixers: day.mixers.map(({ id, name }) => ({ id, name })),
		doughProbes: {
			core: core ? probeView(core) : null,
			surface: surface ? probeView(surface) : null
		},
		unmade: day.production.unmade
	};
}

function byStart(a: { startMs: number | null }, b: { startMs: number | null }): number {
	return (a.startMs ?? Infinity) - (b.startMs ?? Infinity) || 0;
}

function mixesOf(
	dough: Dough,
	day: BakeryDay,
	knowledge: DayKnowledge,
	starts: ReadonlyMap<string, number>
): readonly MixWaterView[] {
	let sibling: MixOfDay | null = null;
	return dough.mixes.flatMap((mix): MixWaterView[] => {
		const { formula } = mix.resolved;
		const recipe = recipeOfMix(day, mix);
		const found: MixOfDay | null = workOutMix(day, mix, knowledge, undefined, sibling);
		if (!found || !recipe) return [];
		sibling = found;
		const { friction, input, mixer, heatCapacity } = found;
		const batch = batchAt(day, { kind: 'mix', formulaId: formula.id, ordinal: mix.ordinal });
		const measured = measuredView(batch ? (day.log.get(batch.id) ?? []) : []);
		// The clock is told once there is a dough to run it.
		const learned = measured
			? learnedWait(recipe.steps, observationsOf(knowledge.observations, formula.id))
			: null;
		const step = learned?.step ?? ripeningStep(recipe.steps);
		return [
			{
				batch: nameOfMix(day, mix),
				formulaId: formula.id,
				name: formula.name,
				ordinal: mix.ordinal,
				count: mix.count,
				startMs: (batch && starts.get(batch.id)) ?? null,
				doughGrams: mix.dough.value,
				targetCelsius: recipe.targetCelsius,
				iceMostShare: input.supply.ice.mostShare.share,
				water: waterOfMix(input),
				typedBaseCelsius: day.bases.get(formula.id) ?? null,
				picksLiquids: (day.liquids.get(formula.id)?.length ?? 0) > 0,
				bulk: step
					? {
							step,
							targetCelsius: recipe.targetCelsius,
							freshYeastPercent: freshYeastPercent(mix.resolved.final)
						}
					: null,
				clockFactor: learned?.clockFactor ?? 1,
				bowlReading: bowlReadingOf(input, mix.lines),
				autolysed: input.autolysed
					? {
							celsius: input.autolysed.temperature.celsius,
							atMs: input.autolysed.source.kind === 'measured' ? input.autolysed.source.epochMs : 0
						}
					: null,
				friction: friction.figures,
				mixer: mixer ? { id: mixer.id, name: mixer.name } : null,
				program: friction.mixer.program,
				doughKilojoulesPerKilogramKelvin: heatCapacity,
				measured
			}
		];
	});
}

function measuredView(entries: readonly BatchEntry[]): MeasuredView | null {
	const entry = entries.findLast((entry) => entry.kind === 'measured');
	if (entry?.kind !== 'measured') return null;
	return {
		entryId: entry.id,
		celsius: entry.celsius,
		instrument: entry.instrument,
		occurredAtMs: entry.occurredAtMs,
		waterCelsius: entry.mixing?.waterCelsius ?? null
	};
}

/** The water of a build that has a temperature to come to, and what the liquid of a scald does. */
function buildWater(
	build: Build,
	day: BakeryDay,
	knowledge: DayKnowledge,
	starts: ReadonlyMap<string, number>
): readonly BuildWaterView[] {
	const { preparation, stage, lines, ordinal } = build;
	const steps = recipeOfPreparation(day, build)?.steps ?? [];
	const targetCelsius = stirredTarget(steps);
	const ripens = ripeningStep(steps);
	const isScald = preparation.kind === 'scald';
	if ((!hasOwnFlour(preparation.kind) && !isScald) || targetCelsius === null) return [];
	const stirred = bowlWaterInput(
		{ lines, stage, steps, bowlKilojoulesPerKelvin: 0, targetCelsius, picked: [] },
		day.bakery,
		knowledge.temperatures,
		BY_HAND,
		null,
		NO_RULES,
		knowledge.nowMs
	);
	const input = workOutTaken(day, build, knowledge)?.input ?? stirred;
	const batch = batchAt(day, { kind: 'preparation', preparationId: preparation.id, ordinal });
	return [
		{
			batch: nameOfPreparation(day, build),
			preparationId: preparation.id,
			name: preparation.name,
			ordinal,
			count: day.production.builds.filter((build) => build.preparation.id === preparation.id)
				.length,
			startMs: (batch && starts.get(batch.id)) ?? null,
			grams: build.gross.value,
			targetCelsius,
			water: isScald ? null : waterOfMix(input),
			scald: isScald ? scaldOfBowl(input, input, { celsius: targetCelsius }) : null,
			iceMostShare: input.supply.ice.mostShare.share,
			isPerishable: !isScald && isPerishable(stage),
			ferments: ripens ? { step: ripens, freshYeastPercent: freshYeastPercent(stage) } : null,
			favour: favourOfBuild(steps, targetCelsius),
			measured: measuredView(batch ? (day.log.get(batch.id) ?? []) : [])
		}
	];
}

/** What the first ripening of a sour favours, as it is planned. */
function favourOfBuild(steps: readonly Step[], targetCelsius: number): BuildWaterView['favour'] {
	const wait = ripeningStep(steps);
	if (!wait || !soursWith(wait.clock)) return null;
	const course = courseOf(wait, targetCelsius);
	return course.ok ? favourOf(targetCelsius, course.value.stretches) : null;
}
