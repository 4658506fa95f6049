import type { BuildWaterView, MixWaterView, WaterView } from '../../contracts/views.ts';
import { batchKey, courseOf, waterOfMix, type RipeningStep } from '../../core/bake-day/index.ts';
import { favourOf } from '../../core/fermentation/index.ts';
import type { Step } from '../../core/formula/index.ts';
import type { Build, Dough } from '../../core/production/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadSensorsNow } from '../db/devices.ts';
import { loadDoughTemperatures, loadDoughTemperaturesOn } from '../db/dough-temperatures.ts';
import { loadDoughWatch } from '../db/dough-watch.ts';
import { loadPlannedMixStarts } from '../db/plans.ts';
import { bakeryNow } from './bakery-now.ts';
import { loadBakeryDay, type BakeryDay } from './day-production.ts';
import { mixOfDay, revisionOf, type MixKnowledge, type MixOfDay } from './mix-of-day.ts';
import { bowlWaterInput } from './mix-water-input.ts';
import { bulkStep, loadLearned } from './ripening-of-day.ts';
import { newestOf, probeView, readWaterInputs } from './temperatures-now.ts';

/** Stirring a build by hand warms it by this much, give or take (our default). */
const BY_HAND = { work: 0.4, spread: 0.3 };

/** The water of every mix and build of a date from the temperatures of the moment. */
export async function readWater(db: Db, date: BakeDate, realNowMs: number): Promise<WaterView> {
	const [day, nowMs] = await Promise.all([loadBakeryDay(db, date), bakeryNow(db, realNowMs)]);
	const [inputs, readings, measured, watch, starts, sensors] = await Promise.all([
		readWaterInputs(db, day, nowMs),
		loadDoughTemperatures(
			db,
			day.production.doughs.map((dough) => dough.resolved.formula.id)
		),
		loadDoughTemperaturesOn(db, date),
		loadDoughWatch(db, date),
		loadPlannedMixStarts(db, date),
		loadSensorsNow(db)
	]);
	const learned = await loadClocks(db, day, measured);
	const knowledge: MixKnowledge = { day, inputs, readings, checks: watch.checks, nowMs };
	const byStart = (a: { startMs: number | null }, b: { startMs: number | null }) =>
		(a.startMs ?? Infinity) - (b.startMs ?? Infinity) || 0;
	const views = day.production.doughs
		.flatMap((dough) => mixesOf(dough, knowledge, measured, starts, learned))
		.sort((a, b) => byStart(a, b));
	const core = newestOf(sensors, 'core-probe');
	const surface = newestOf(sensors, 'surface-thermometer');
	return {
		date,
		inputs,
		mixes: views,
		builds: day.production.builds
			.flatMap((build) => buildWater(build, knowledge, starts))
			.sort((a, b) => byStart(a, b)),
		school: day.bakery.waterSchool,
		iceForm: day.bakery.iceForm,
		mixers: day.mixers.map(({ id, name }) => ({ id, name })),
		doughProbes: {
			core: core ? probeView(core) : null,
			surface: surface ? probeView(surface) : null
		},
		unmade: day.production.unmade
	};
}

function mixesOf(
	dough: Dough,
	knowledge: MixKnowledge,
	measured: Awaited<ReturnType<typeof loadDoughTemperaturesOn>>,
	starts: ReadonlyMap<string, number>,
	learned: Awaited<ReturnType<typeof loadClocks>>
): readonly MixWaterView[] {
	const { formula } = dough.resolved;
	const revision = revisionOf(knowledge.day, formula.id);
	if (!revision) return [];
	let sibling: MixOfDay | null = null;
	return dough.mixes.map((mix) => {
		sibling = mixOfDay(knowledge, dough, mix, revision, undefined, sibling);
		const { friction, input, mixer, heatCapacity } = sibling;
		return {
			formulaId: formula.id,
			name: formula.name,
			ordinal: mix.ordinal,
			count: mix.count,
			startMs:
				starts.get(batchKey({ kind: 'mix', formulaId: formula.id, ordinal: mix.ordinal })) ?? null,
			doughGrams: mix.dough.value,
			targetCelsius: revision.targetCelsius,
			iceMostShare: input.supply.ice.mostShare.share,
			water: waterOfMix(input),
			bulk: bulkOf(learned.get(formula.id)?.step, revision),
			clockFactor: learned.get(formula.id)?.clockFactor ?? 1,
			rests: input.mixing.rest !== null && mix.lines.some((line) => line.addition === 'autolyse'),
			autolysed: input.autolysed
				? {
						celsius: input.autolysed.temperature.celsius,
						atMs: input.autolysed.source.kind === 'measured' ? input.autolysed.source.epochMs : 0
					}
				: null,
			friction: friction.view,
			mixer: mixer ? { id: mixer.id, name: mixer.name } : null,
			program: friction.mixer.program,
			doughKilojoulesPerKilogramKelvin: heatCapacity,
			measured:
				measured.find((one) => one.formulaId === formula.id && one.ordinal === mix.ordinal) ?? null
		};
	});
}

/** The water of a build that has a temperature to come to. */
function buildWater(
	build: Build,
	knowledge: MixKnowledge,
	starts: ReadonlyMap<string, number>
): readonly BuildWaterView[] {
	const { day, inputs, nowMs } = knowledge;
	const { preparation, stage, lines } = build;
	const steps = day.book.preparations.get(preparation.id)?.steps ?? [];
	const mixStep = steps.find((step) => step.kind === 'hands-on' && step.activity === 'mix');
	const targetCelsius = mixStep?.kind === 'hands-on' ? mixStep.endsAtCelsius : null;
	if (preparation.kind !== 'build' || targetCelsius === null) return [];
	const input = bowlWaterInput(
		{ lines, stage, steps, mixer: null, targetCelsius },
		day,
		inputs,
		{
			work: { kilojoulesPerKilogram: BY_HAND.work },
			spread: { kilojoulesPerKilogram: BY_HAND.spread },
			source: { kind: 'assumed' },
			mixer: { workKilojoulesPerKilogram: 0, program: null }
		},
		null,
		nowMs
	);
	return [
		{
			preparationId: preparation.id,
			name: preparation.name,
			startMs: starts.get(batchKey({ kind: 'build', preparationId: preparation.id })) ?? null,
			grams: build.gross.value,
			targetCelsius,
			water: waterOfMix(input),
			iceMostShare: input.supply.ice.mostShare.share,
			favour: favourOfBuild(steps, targetCelsius)
		}
	];
}

/** What the first ripening of a sour favours, as it is planned. */
function favourOfBuild(steps: readonly Step[], targetCelsius: number): BuildWaterView['favour'] {
	const wait = steps.find((step) => step.kind === 'wait' && step.clock !== null);
	if (wait?.kind !== 'wait' || wait.clock?.leavening !== 'sourdough') return null;
	const course = courseOf(wait, targetCelsius);
	return course.ok ? favourOf(targetCelsius, course.value.stretches) : null;
}

/** The clocks of the doughs that were measured, as the log corrected them. */
async function loadClocks(
	db: Db,
	day: BakeryDay,
	measured: readonly { readonly formulaId: string }[]
): Promise<ReadonlyMap<string, Awaited<ReturnType<typeof loadLearned>>>> {
	const mixed = new Set(measured.map((one) => one.formulaId));
	const doughs = day.production.doughs.filter((dough) => mixed.has(dough.resolved.formula.id));
	const found = await Promise.all(doughs.map((dough) => loadLearned(db, dough, day)));
	return new Map(
		doughs.flatMap((dough, index) => {
			const one = found[index];
			return one ? [[dough.resolved.formula.id, one] as const] : [];
		})
	);
}

/** The wait a dough ripens in, as a moved target changes its length. */
function bulkOf(
	learned: RipeningStep | null | undefined,
	revision: NonNullable<ReturnType<typeof revisionOf>>
): MixWaterView['bulk'] {
	const step = learned ?? bulkStep(revision.steps);
	return step ? { step, targetCelsius: revision.targetCelsius } : null;
}
