import type { MixWaterView, WaterInputView, WaterView } from '../../contracts/views.ts';
import { heatCapacityOf, waterOfMix } from '../../core/bake-day/index.ts';
import type { ResolvedStage, Step } from '../../core/formula/index.ts';
import type { Dough } from '../../core/production/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db, Tx } from '../db/client.ts';
import { loadDoughTemperatures, type DoughTemperatureRow } from '../db/dough-temperatures.ts';
import { loadNewestReadings } from '../db/readings.ts';
import { loadBakeryDay, type BakeryDay } from './day-production.ts';
import { learnedFriction } from './learned-friction.ts';
import { mixWaterInput } from './mix-water-input.ts';

/** The water of every mix of a date from the temperatures of the moment. */
export async function readWater(db: Db, date: BakeDate): Promise<WaterView> {
	const day = await loadBakeryDay(db, date);
	const [inputs, readings] = await Promise.all([
		readWaterInputs(db, day),
		loadDoughTemperatures(
			db,
			day.production.doughs.map((dough) => dough.resolved.formula.id)
		)
	]);
	const mixes = day.production.doughs.flatMap((dough) =>
		mixesOf(dough, day, inputs, readings.get(dough.resolved.formula.id) ?? [])
	);
	return {
		date,
		inputs,
		mixes,
		school: day.bakery.waterSchool,
		unmade: day.production.unmade
	};
}

/** The temperatures of the moment that the mixes of a date follow from. */
export async function readWaterInputs(
	db: Db | Tx,
	day: BakeryDay
): Promise<readonly WaterInputView[]> {
	const { assumed } = day.bakery;
	const builds = new Map(
		day.production.doughs
			.flatMap((dough) => dough.resolved.final.stages)
			.filter((stage) => stage.kind === 'build')
			.flatMap((stage) => (stage.preparation ? [[stage.preparation.id, stage] as const] : []))
	);
	const wanted: Omit<WaterInputView, 'reading'>[] = [
		{ quantity: 'room', preparationId: null, name: 'Room', assumedCelsius: assumed.roomCelsius },
		{ quantity: 'flour', preparationId: null, name: 'Flour', assumedCelsius: assumed.flourCelsius },
		{ quantity: 'tap', preparationId: null, name: 'Cold tap', assumedCelsius: assumed.tapCelsius },
		...[...builds].map(([preparationId, stage]) => ({
			quantity: 'preferment' as const,
			preparationId,
			name: stage.name,
			assumedCelsius: restingCelsius(day, stage)
		}))
	];
	const readings = await loadNewestReadings(db, wanted);
	return wanted.map((one) => {
		const found = readings.find(
			(reading) => reading.quantity === one.quantity && reading.preparationId === one.preparationId
		);
		return {
			...one,
			reading: found
				? {
						id: found.id,
						celsius: found.celsius,
						instrument: found.instrument,
						occurredAtMs: found.occurredAtMs
					}
				: null
		};
	});
}

/** Until it is measured, a build is taken to be as warm as the place it ripens in. */
function restingCelsius(day: BakeryDay, stage: ResolvedStage): number {
	const steps = stage.preparation
		? (day.book.preparations.get(stage.preparation.id)?.steps ?? [])
		: [];
	for (const step of [...steps].reverse())
		if (step.kind === 'wait')
			return step.legs.at(-1)?.ambientCelsius ?? day.bakery.assumed.roomCelsius;
	return day.bakery.assumed.roomCelsius;
}

function mixesOf(
	dough: Dough,
	day: BakeryDay,
	inputs: readonly WaterInputView[],
	readings: readonly DoughTemperatureRow[]
): readonly MixWaterView[] {
	const { formula, final } = dough.resolved;
	const revision = day.book.formulas.find((one) => one.formula.id === formula.id);
	if (!revision) return [];
	const friction = learnedFriction(revision.frictionKilojoulesPerKilogram, readings);
	const capacity = heatCapacityOf(final).kilojoulesPerKilogramKelvin;
	return dough.mixes.map((mix) => ({
		formulaId: formula.id,
		name: formula.name,
		ordinal: mix.ordinal,
		count: mix.count,
		doughGrams: mix.dough.value,
		targetCelsius: revision.targetCelsius,
		iceMostShare: day.bakery.iceMostShare,
		water: waterOfMix(mixWaterInput(dough, mix, day, inputs, friction, revision.targetCelsius)),
		bulk: bulkOf(revision.steps, revision.targetCelsius),
		friction: friction.view,
		doughKilojoulesPerKilogramKelvin: capacity,
		measured: readings.find((one) => one.date === day.date && one.ordinal === mix.ordinal) ?? null
	}));
}

/** The first fermenting wait of a dough, as a moved target changes its length. */
function bulkOf(steps: readonly Step[], targetCelsius: number): MixWaterView['bulk'] {
	const wait = steps.find((step) => step.kind === 'wait' && step.clock !== null);
	return wait?.kind === 'wait' ? { step: wait, targetCelsius } : null;
}
