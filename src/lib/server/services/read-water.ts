import type { MixWaterView, WaterInputView, WaterView } from '../../contracts/views.ts';
import { waterOfMix } from '../../core/bake-day/index.ts';
import type { Source } from '../../core/explain/index.ts';
import type { ResolvedStage } from '../../core/formula/index.ts';
import type { SourcedTemperature } from '../../core/heat/index.ts';
import type { Dough } from '../../core/production/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadNewestReadings } from '../db/readings.ts';
import { loadBakeryDay, type BakeryDay } from './day-production.ts';

/** The water of every mix of a date from the temperatures of the moment. */
export async function readWater(db: Db, date: BakeDate): Promise<WaterView> {
	const day = await loadBakeryDay(db, date);
	const inputs = await readInputs(db, day);
	const mixes = day.production.doughs.flatMap((dough) => mixesOf(dough, day, inputs));
	return { date, inputs, mixes, unmade: day.production.unmade };
}

async function readInputs(db: Db, day: BakeryDay): Promise<readonly WaterInputView[]> {
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

function sourced(input: WaterInputView): SourcedTemperature {
	const source: Source = input.reading
		? {
				kind: 'measured',
				epochMs: input.reading.occurredAtMs,
				instrument: input.reading.instrument
			}
		: { kind: 'assumed' };
	return {
		temperature: { celsius: input.reading?.celsius ?? input.assumedCelsius },
		source
	};
}

function mixesOf(
	dough: Dough,
	day: BakeryDay,
	inputs: readonly WaterInputView[]
): readonly MixWaterView[] {
	const { final, formula } = { final: dough.resolved.final, formula: dough.resolved.formula };
	const revision = day.book.formulas.find((one) => one.formula.id === formula.id);
	if (!revision) return [];
	const find = (quantity: WaterInputView['quantity']) =>
		sourced(inputs.find((one) => one.quantity === quantity) as WaterInputView);
	const preferments = inputs
		.filter((one) => final.stages.some((stage) => stage.preparation?.id === one.preparationId))
		.map((one) => ({ ...sourced(one), name: one.name }));
	const { bakery } = day;
	return dough.mixes.map((mix) => ({
		formulaId: formula.id,
		name: formula.name,
		ordinal: mix.ordinal,
		count: mix.count,
		doughGrams: mix.dough.value,
		targetCelsius: revision.targetCelsius,
		iceMostShare: bakery.iceMostShare,
		water: waterOfMix({
			mix,
			final,
			target: { celsius: revision.targetCelsius },
			flour: find('flour'),
			room: find('room'),
			preferments,
			friction: {
				work: { kilojoulesPerKilogram: revision.frictionKilojoulesPerKilogram },
				source: { kind: 'assumed' }
			},
			supply: {
				cold: find('tap'),
				hot: { celsius: bakery.hotTapCelsius },
				ice: {
					temperature: { celsius: bakery.iceCelsius },
					mostShare: { share: bakery.iceMostShare }
				},
				hottestForYeast: { celsius: bakery.hottestWaterCelsius }
			}
		})
	}));
}
