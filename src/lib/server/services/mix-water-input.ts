import type { WaterInputView } from '../../contracts/views.ts';
import type { WaterOfMixInput } from '../../core/bake-day/index.ts';
import type { Source } from '../../core/explain/index.ts';
import type { SourcedTemperature } from '../../core/heat/index.ts';
import type { Dough, Mix } from '../../core/production/index.ts';
import type { BakeryDay } from './day-production.ts';
import type { LearnedFriction } from './learned-friction.ts';

/** A temperature of the moment with where it comes from. */
export function sourced(input: WaterInputView): SourcedTemperature {
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

/** All that the water of one mix follows from. */
export function mixWaterInput(
	dough: Dough,
	mix: Mix,
	day: BakeryDay,
	inputs: readonly WaterInputView[],
	friction: LearnedFriction,
	targetCelsius: number
): WaterOfMixInput {
	const { final } = dough.resolved;
	const { bakery } = day;
	const find = (quantity: WaterInputView['quantity']) =>
		sourced(inputs.find((one) => one.quantity === quantity) as WaterInputView);
	return {
		mix,
		final,
		school: bakery.waterSchool,
		target: { celsius: targetCelsius },
		flour: find('flour'),
		room: find('room'),
		preferments: inputs
			.filter((one) => final.stages.some((stage) => stage.preparation?.id === one.preparationId))
			.map((one) => ({ ...sourced(one), name: one.name })),
		friction: { work: friction.work, source: friction.source },
		bowlKilojoulesPerKelvin: Math.max(
			0,
			...day.mixers.map((mixer) => mixer.bowlKilojoulesPerKelvin)
		),
		supply: {
			cold: find('tap'),
			hot: { celsius: bakery.hotTapCelsius },
			ice: {
				temperature: { celsius: bakery.iceCelsius },
				mostShare: { share: bakery.iceMostShare }
			},
			hottestForYeast: { celsius: bakery.hottestWaterCelsius }
		}
	};
}
