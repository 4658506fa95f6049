import { USUAL_TIME_CONSTANT_MINUTES } from '../../core/formula/index.ts';
import type { TemperatureSensorKind } from '../../contracts/device-protocol.ts';
import {
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
	weather: Weather
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
			return fridge(epochMs);
		case 'core-probe':
			return doughCore(epochMs, around);
		case 'surface-thermometer':
			// The skin of a dough lies between its core and the air.
			return doughCore(epochMs, around) + 0.25 * (around.room - doughCore(epochMs, around));
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

/** A fridge swings as its compressor comes and goes. */
function fridge(epochMs: number): number {
	return 4.3 + 0.9 * Math.sin((2 * Math.PI * epochMs) / (HOUR_MS / 2));
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
