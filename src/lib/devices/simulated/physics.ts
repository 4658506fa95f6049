import { USUAL_TIME_CONSTANT_MINUTES } from '../../core/formula/index.ts';
import type { Held, TemperatureSensorKind } from '../../contracts/device-protocol.ts';
import {
	followRetarder,
	LIFT,
	SELF_HEATING_KELVINS_PER_HOUR,
	temperatureIn
} from '../../core/fermentation/index.ts';

/** The weather a simulated bakery stands in. */
export const WEATHERS = ['usual', 'hot'] as const;
export type Weather = (typeof WEATHERS)[number];

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const YEAR_MS = 365.25 * DAY_MS;
/** The harbour is warmest early in August, its water three weeks later. */
const WARMEST_MS = 217 * DAY_MS;

/** A fresh dough stands under the probe this often. */
const NEW_DOUGH_MS = 40 * 60_000;

interface Surroundings {
	readonly room: number;
	readonly flour: number;
	readonly tap: number;
}

/**
 * What is true of the bakery at a moment: the seasons and the ovens in the room, the bin and the pipe behind
 * them, a dough that came from the mixer and takes the room while it warms itself.
 */
export function trueCelsius(
	kind: TemperatureSensorKind,
	epochMs: number,
	weather: Weather,
	holds: Held = null
): number {
	const around = surroundings(epochMs, weather);
	switch (kind) {
		case 'room-probe':
			return around.room;
		case 'flour-probe':
			return around.flour;
		case 'tap-probe':
			return around.tap;
		case 'place-probe':
			return (
				(holds?.kind === 'place' ? airOf(holds, epochMs, around.room) : FRIDGE_CELSIUS) +
				swing(epochMs)
			);
		case 'core-probe':
			return doughCore(epochMs, around);
		case 'surface-thermometer':
			// The skin of a dough lies between its core and the air.
			return doughCore(epochMs, around) + 0.25 * (around.room - doughCore(epochMs, around));
		case 'deck-stone':
			return holds?.kind === 'deck' ? stone(holds, epochMs, around.room) : around.room;
		case 'loaf-core':
			return holds?.kind === 'deck' && holds.load ? loafCore(holds.load, epochMs) : around.room;
	}
}

function surroundings(epochMs: number, weather: Weather): Surroundings {
	if (weather === 'hot') {
		const swing = 0.12 * Math.sin((2 * Math.PI * epochMs) / (5 * HOUR_MS));
		return { room: 31 + swing, flour: 29 + swing / 4, tap: 19 + swing / 6 };
	}
	const season = Math.cos((2 * Math.PI * (epochMs - WARMEST_MS)) / YEAR_MS);
	const lagged = Math.cos((2 * Math.PI * (epochMs - WARMEST_MS - 21 * DAY_MS)) / YEAR_MS);
	const day = Math.cos((2 * Math.PI * (epochMs - 15 * HOUR_MS)) / DAY_MS);
	return {
		room: 23.4 + 2.6 * season + 0.7 * day + ovens(epochMs),
		flour: 20.6 + 2.8 * lagged + 0.15 * day,
		tap: 12.2 + 4.6 * lagged
	};
}

/** The ovens warm the room in the small hours. */
function ovens(epochMs: number): number {
	const hour = (epochMs % DAY_MS) / HOUR_MS;
	return 2.2 * Math.exp(-(((hour - 5) / 2) ** 2));
}

const FRIDGE_CELSIUS = 4.3;

/** What is held at a temperature swings as its compressor, or its heat, comes and goes. */
function swing(epochMs: number): number {
	return 0.9 * Math.sin((2 * Math.PI * epochMs) / (HOUR_MS / 2));
}

type InPlace = Extract<Held, { readonly kind: 'place' }>;

/** A cold room that was loaded warms, and comes back as its compressor can; anything else is as it is set. */
function airOf({ setCelsius, cold, loads }: InPlace, epochMs: number, room: number): number {
	const inIt = loads.filter(({ inAtMs }) => inAtMs <= epochMs).sort((a, b) => a.inAtMs - b.inAtMs);
	const [first] = inIt;
	if (!cold || !first) return setCelsius;
	const minutes = (ms: number) => (ms - first.inAtMs) / 60_000;
	const [now] = followRetarder(
		{ setCelsius, ...cold },
		inIt.map(({ inAtMs, kilograms, celsius, timeConstantMinutes }) => ({
			inAtMinutes: minutes(inAtMs),
			kilograms,
			startCelsius: celsius,
			timeConstantMinutes,
			curve: LIFT['bakers-yeast'],
			referenceCelsius: 24
		})),
		room,
		[minutes(epochMs)]
	);
	return now?.airCelsius ?? setCelsius;
}

type Deck = Extract<Held, { readonly kind: 'deck' }>;
type Load = NonNullable<Deck['load']>;

/** A load takes heat out of the stone, which comes back. */
const TAKEN_KELVINS = 35;
const BACK_MINUTES = 14;

function stone({ setCelsius, load }: Deck, epochMs: number, room: number): number {
	if (setCelsius === null) return room + 60;
	const minutes = load ? Math.max(0, (epochMs - load.sinceMs) / 60_000) : Infinity;
	return setCelsius - TAKEN_KELVINS * Math.exp(-minutes / BACK_MINUTES) + 2 * swing(epochMs);
}

/** The core nears the oven's heat at the steady rate that brings it to what is wanted at the end of its bake. */
function loafCore(load: Load, epochMs: number): number {
	const { loadCelsius, doughCelsius, coreCelsius, bakeMinutes, sinceMs } = load;
	const rate = Math.log((loadCelsius - doughCelsius) / (loadCelsius - coreCelsius)) / bakeMinutes;
	const minutes = Math.max(0, (epochMs - sinceMs) / 60_000);
	const core = loadCelsius - (loadCelsius - doughCelsius) * Math.exp(-rate * minutes);
	// Water boils away before a core goes beyond it.
	return Math.min(core, 99.5);
}

/** What a dough has risen by when it is ready, in per cent (our default: near double). */
const RISEN_WHEN_RIPE = 80;

/** How far a dough has risen: slowly, then fast, then hardly any more. */
export function trueRisePercent(holds: Held, epochMs: number): number | null {
	if (holds?.kind !== 'tub') return null;
	const share = Math.max(0, (epochMs - holds.sinceMs) / (holds.ripeMs - holds.sinceMs));
	return share <= 1
		? RISEN_WHEN_RIPE * share ** 1.7
		: RISEN_WHEN_RIPE + 25 * (1 - Math.exp(-(share - 1) * 3));
}

function doughCore(epochMs: number, { room }: Surroundings): number {
	const fresh = 25 + 0.12 * (room - 23);
	const place = {
		ambientCelsius: room,
		timeConstantMinutes: USUAL_TIME_CONSTANT_MINUTES.tub,
		selfHeating: { kelvinsPerHour: SELF_HEATING_KELVINS_PER_HOUR, curve: LIFT.sourdough }
	};
	return temperatureIn(fresh, place, (epochMs % NEW_DOUGH_MS) / 60_000);
}
