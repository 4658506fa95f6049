import type { WaterInputView } from '../../contracts/views.ts';
import { mixingOf, type WaterOfMixInput } from '../../core/bake-day/index.ts';
import type { Source } from '../../core/explain/index.ts';
import type { ResolvedStage, Step } from '../../core/formula/index.ts';
import { iceCap, type MixProgram, type SourcedTemperature } from '../../core/heat/index.ts';
import type { WeighUpLine } from '../../core/production/index.ts';
import type { MixerSettings } from '../db/bakery.ts';
import type { BakeryDay } from './day-production.ts';
import type { LearnedFriction } from './learned-friction.ts';

/** A temperature of the moment with where it comes from. */
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

/** What is mixed, in which bowl. */
export interface BowlOfDay {
	readonly lines: readonly WeighUpLine[];
	readonly stage: ResolvedStage;
	readonly steps: readonly Step[];
	/** null for a build that is mixed by hand in its tub. */
	readonly mixer: MixerSettings | null;
	readonly targetCelsius: number;
}

/** All that the water of one bowl follows from. */
export function bowlWaterInput(
	{ lines, stage, steps, mixer, targetCelsius }: BowlOfDay,
	day: BakeryDay,
	inputs: readonly WaterInputView[],
	friction: Pick<LearnedFriction, 'work' | 'spread' | 'source' | 'mixer'>,
	autolysed: SourcedTemperature | null,
	nowMs: number
): WaterOfMixInput {
	const { bakery } = day;
	const find = (quantity: WaterInputView['quantity']) =>
		sourced(inputs.find((one) => one.quantity === quantity) as WaterInputView);
	const room = find('room');
	const mixing = mixingOf(steps, room.temperature);
	return {
		lines,
		stage,
		school: bakery.waterSchool,
		target: { celsius: targetCelsius },
		flour: find('flour'),
		room,
		preferments: inputs
			.filter((one) => stage.stages.some((inner) => inner.preparation?.id === one.preparationId))
			.map((one) => ({ ...sourced(one), name: one.name })),
		friction,
		mixing,
		autolysed,
		bowlKilojoulesPerKelvin: mixer?.bowlKilojoulesPerKelvin ?? 0,
		supply: {
			cold: find('tap'),
			chilled:
				bakery.chilledCelsius === null
					? null
					: {
							temperature: { celsius: bakery.chilledCelsius },
							source: { kind: 'bakery' }
						},
			hot: { celsius: bakery.hotTapCelsius },
			ice: {
				temperature: { celsius: bakery.iceCelsius },
				mostShare: iceCap(
					bakery.iceForm,
					{ share: bakery.iceMostShare },
					minutesOf(friction.mixer.program)
				)
			},
			hottestForYeast: { celsius: bakery.hottestWaterCelsius }
		},
		nowMs
	};
}

function minutesOf(program: MixProgram | null) {
	return program ? { minutes: program.slowMinutes + program.fastMinutes } : null;
}
