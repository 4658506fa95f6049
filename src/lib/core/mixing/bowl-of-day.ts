import type { Source } from '../explain/index.ts';
import type { ResolvedStage, Step } from '../formula/index.ts';
import {
	iceCap,
	type IceForm,
	type MixProgram,
	type SourcedTemperature,
	type WaterSchool
} from '../heat/index.ts';
import type { PlaceId, PreparationId } from '../identity.ts';
import type { LearnedFriction } from '../learning/index.ts';
import type { WeighUpLine } from '../production/index.ts';
import type { PickedLiquid } from './bowl-parts.ts';
import { mixingOf } from './mix-stages.ts';
import type { RulesOfDough, WaterOfMixInput } from './water-of-mix.ts';

/** What is measured, typed or read before a mix. */
export const READING_QUANTITIES = ['room', 'flour', 'tap', 'preferment', 'place'] as const;
export type ReadingQuantity = (typeof READING_QUANTITIES)[number];

/** A temperature of the moment: as it was read last, or as it is assumed until it is. */
export interface MomentTemperature {
	readonly quantity: ReadingQuantity;
	/** The build, where the quantity is a pre-ferment. */
	readonly preparationId: PreparationId | null;
	/** The place it is the temperature of: that of the room and the flour, too. */
	readonly placeId: PlaceId | null;
	readonly name: string;
	readonly reading: {
		readonly celsius: number;
		readonly instrument: string;
		readonly occurredAtMs: number;
	} | null;
	/** What it is taken to be until it is read, and why. */
	readonly unread: { readonly celsius: number; readonly source: Source };
}

/** What taps, chiller and ice of a bakery can give, and by which school it finds its water. */
export interface WaterSupply {
	readonly waterSchool: WaterSchool;
	/** By the factor rule the soaker counts as a part of its own. */
	readonly countsSoakers: boolean;
	readonly hotTapCelsius: number;
	readonly hottestWaterCelsius: number;
	readonly iceForm: IceForm;
	readonly iceCelsius: number;
	readonly iceMostShare: number;
	/** null where there is no chiller. */
	readonly chilledCelsius: number | null;
}

/** What is mixed, in which bowl. */
export interface BowlOfDay {
	readonly lines: readonly WeighUpLine[];
	readonly stage: ResolvedStage;
	readonly steps: readonly Step[];
	/** Heat that warms its bowl by a degree; 0 for a tub in which a build is stirred by hand. */
	readonly bowlKilojoulesPerKelvin: number;
	readonly targetCelsius: number;
	readonly picked: readonly PickedLiquid[];
}

/** A temperature of the moment with where it comes from. */
function sourced(input: MomentTemperature): SourcedTemperature {
	const source: Source = input.reading
		? {
				kind: 'measured',
				epochMs: input.reading.occurredAtMs,
				instrument: input.reading.instrument
			}
		: input.unread.source;
	return {
		temperature: { celsius: input.reading?.celsius ?? input.unread.celsius },
		source
	};
}

/**
 * Brings together all that the water of one bowl follows from.
 *
 * Range: temperatures for room, flour and tap must be there. Source: none; it only gathers. Failures: a missing
 * temperature is a bug of the caller and throws.
 * Example: without a chiller the supply has no chilled water.
 */
export function bowlWaterInput(
	{ lines, stage, steps, bowlKilojoulesPerKelvin, targetCelsius, picked }: BowlOfDay,
	supply: WaterSupply,
	temperatures: readonly MomentTemperature[],
	friction: Pick<LearnedFriction, 'work' | 'spread' | 'source' | 'mixer'>,
	autolysed: SourcedTemperature | null,
	rules: Omit<RulesOfDough, 'countsSoakers'>,
	nowMs: number
): WaterOfMixInput {
	const find = (quantity: ReadingQuantity) => {
		const found = temperatures.find((temperature) => temperature.quantity === quantity);
		if (!found) throw new Error(`there is no temperature of the ${quantity}`);
		return sourced(found);
	};
	const room = find('room');
	const places = new Map(
		temperatures.flatMap((each) => (each.placeId ? [[each.placeId, sourced(each)] as const] : []))
	);
	const mixing = mixingOf(steps, ({ named, place, ambientCelsius }) => {
		if (named) return places.get(named.id)?.temperature ?? { celsius: ambientCelsius };
		return place === 'room' ? room.temperature : { celsius: ambientCelsius };
	});
	return {
		lines,
		stage,
		picked,
		school: supply.waterSchool,
		target: { celsius: targetCelsius },
		flour: find('flour'),
		room,
		places,
		preferments: temperatures
			.filter((temperature) =>
				stage.stages.some((inner) => inner.preparation?.id === temperature.preparationId)
			)
			.map((temperature) => ({ ...sourced(temperature), name: temperature.name })),
		friction,
		rules: { ...rules, countsSoakers: supply.countsSoakers },
		mixing,
		autolysed,
		bowlKilojoulesPerKelvin,
		supply: {
			cold: find('tap'),
			chilled:
				supply.chilledCelsius === null
					? null
					: { temperature: { celsius: supply.chilledCelsius }, source: { kind: 'bakery' } },
			hot: { celsius: supply.hotTapCelsius },
			ice: {
				temperature: { celsius: supply.iceCelsius },
				mostShare: iceCap(
					supply.iceForm,
					{ share: supply.iceMostShare },
					minutesOf(friction.mixer.program)
				)
			},
			hottestForYeast: { celsius: supply.hottestWaterCelsius }
		},
		nowMs
	};
}

function minutesOf(program: MixProgram | null) {
	return program ? { minutes: program.slowMinutes + program.fastMinutes } : null;
}
