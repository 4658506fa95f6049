import type { CardinalCurve } from './cardinal-rate.ts';
import { rateAt } from './cardinal-rate.ts';
import { integrate, STEP_TOLERANCE } from './integrate.ts';

/** A cold cabinet as heat sees it. */
export interface Retarder {
	readonly setCelsius: number;
	/** The most heat its compressor takes away, in watts. */
	readonly compressorWatts: number;
	/** Heat that warms its air and racks by a degree. */
	readonly airKilojoulesPerKelvin: number;
	/** Heat that comes through its walls and doors, per degree between room and air. */
	readonly wallsWattsPerKelvin: number;
}

/** What is put into it, all alike and at once. */
export interface RetarderLoad {
	readonly kilograms: number;
	readonly startCelsius: number;
	/** How fast one piece takes the temperature of the air. */
	readonly timeConstantMinutes: number;
	readonly curve: CardinalCurve;
	readonly referenceCelsius: number;
}

export interface RetarderMoment {
	readonly minutes: number;
	readonly airCelsius: number;
	readonly loafCelsius: number;
	/** Minutes at the reference temperature worked since they went in. */
	readonly dose: number;
	/** Whether the compressor runs as hard as it can. */
	readonly fullPower: boolean;
}

/** Heat that warms a kilogram of dough by a degree, in kJ (our default for loaves in the cold). */
export const LOAF_HEAT_CAPACITY = 2.8;
/** The compressor runs at its most from this far above the set temperature (our default). */
const FULL_POWER_ABOVE_KELVINS = 1;

/**
 * Gives the heat that has to leave a load, in kJ: mass x 2.8 kJ/(kg K) x drop.
 * Source: domain (cold). Failures: none. Example: 60 loaves of 0.9 kg from 24 to 4 degrees, 3 024 kJ.
 */
export function heatToRemove(kilograms: number, dropKelvins: number): number {
	return kilograms * LOAF_HEAT_CAPACITY * dropKelvins;
}

/**
 * Follows a loaded retarder: its air, the core of its loaves and what these still do in it.
 *
 * Model: three coupled bodies. Loaves give their heat to the air by Newton's law, at the rate of their time
 * constant; air gains it, and what comes through the walls; the compressor takes away as much as it can
 * until the air is near the set temperature, then just enough. The loaves ferment all the while.
 * Range: a load above 0 kg, moments in rising order. Tolerance: 0.001 K and 0.01 min of dose.
 * Source: newton-cooling, rosso-1993, our default for the compressor's control. Failures: none.
 * Example: with a compressor of unbounded power the loaves cool as in air that is at the set temperature.
 */
export function followRetarder(
	retarder: Retarder,
	load: RetarderLoad,
	roomCelsius: number,
	moments: readonly number[]
): readonly RetarderMoment[] {
	const loafCapacity = load.kilograms * LOAF_HEAT_CAPACITY;
	const exchange = loafCapacity / load.timeConstantMinutes;
	const walls = (retarder.wallsWattsPerKelvin * 60) / 1000;
	const most = (retarder.compressorWatts * 60) / 1000;
	const reference = rateAt(load.curve, load.referenceCelsius);
	const found: RetarderMoment[] = [];
	integrate({
		derivative: ([loaf = 0, air = 0]) => {
			const flow = exchange * (loaf - air);
			const gained = flow + walls * (roomCelsius - air);
			return [
				-flow / loafCapacity,
				(gained - taken(air, retarder, most)) / retarder.airKilojoulesPerKelvin,
				rateAt(load.curve, loaf) / reference
			];
		},
		start: [load.startCelsius, retarder.setCelsius, 0],
		minutes: moments.at(-1) ?? 0,
		tolerance: STEP_TOLERANCE,
		samples: {
			at: moments,
			take: (minutes, [loaf = 0, air = 0, dose = 0]) =>
				found.push({
					minutes,
					airCelsius: air,
					loafCelsius: loaf,
					dose,
					fullPower: air >= retarder.setCelsius + FULL_POWER_ABOVE_KELVINS
				})
		}
	});
	return found;
}

/** What the compressor takes away a minute: nothing at the set temperature, its most a degree above. */
function taken(air: number, { setCelsius }: Retarder, most: number): number {
	const share = (air - setCelsius) / FULL_POWER_ABOVE_KELVINS;
	return most * Math.min(1, Math.max(0, share));
}
