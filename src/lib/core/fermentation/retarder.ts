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

/** What is put into it at one moment, all alike. */
export interface RetarderLoad {
	/** Minutes after the first moment asked for; what is in there from the start has 0. */
	readonly inAtMinutes: number;
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
	/** One for each load, in order; before it goes in, as it will go in. */
	readonly loads: readonly {
		readonly celsius: number;
		/** Minutes at the reference temperature worked since it went in. */
		readonly dose: number;
	}[];
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
 * Model: coupled bodies. Loaves give their heat to the air by Newton's law, at the rate of their time
 * constant; air gains it, and what comes through the walls; the compressor takes away as much as it can
 * until the air is near the set temperature, then just enough. The loaves ferment all the while. A load that
 * goes in later is followed from then on.
 * Range: loads above 0 kg, moments in rising order. Tolerance: 0.001 K and 0.01 min of dose.
 * Source: newton-cooling, rosso-1993, our default for the compressor's control. Failures: none.
 * Example: with a compressor of unbounded power the loaves cool as in air that is at the set temperature.
 */
export function followRetarder(
	retarder: Retarder,
	loads: readonly RetarderLoad[],
	roomCelsius: number,
	moments: readonly number[]
): readonly RetarderMoment[] {
	const found: RetarderMoment[] = [];
	const end = moments.at(-1) ?? 0;
	const starts = [...new Set([0, ...loads.map((load) => load.inAtMinutes)])]
		.filter((minute) => minute >= 0 && (minute === 0 || minute < end))
		.sort((a, b) => a - b);
	// The air, then each load with its temperature and its dose.
	let state = [
		retarder.setCelsius,
		...loads.flatMap((load) => [load.startCelsius, 0])
	] as readonly number[];
	for (const [index, from] of starts.entries()) {
		const until = starts[index + 1] ?? end;
		const last = index === starts.length - 1;
		const there = loads.map((load) => load.inAtMinutes <= from);
		const wanted = moments.filter((moment) => moment >= from && (moment < until || last));
		state = integrate({
			derivative: (now, _, regime) =>
				derivativeOf(now, retarder, loads, there, roomCelsius, regime),
			regimeOf: ([air = 0]) => compressorAt(air, retarder),
			start: state,
			minutes: until - from,
			tolerance: STEP_TOLERANCE,
			samples: {
				at: wanted.map((moment) => moment - from),
				take: (minutes, now) => found.push(momentOf(minutes + from, now, retarder, loads))
			}
		}).state;
	}
	return found;
}

function derivativeOf(
	now: readonly number[],
	retarder: Retarder,
	loads: readonly RetarderLoad[],
	there: readonly boolean[],
	roomCelsius: number,
	compressor: Compressor
): readonly number[] {
	const air = now[0] ?? 0;
	const walls = (retarder.wallsWattsPerKelvin * 60) / 1000;
	let gained = walls * (roomCelsius - air);
	const changes = loads.flatMap((load, index) => {
		if (!there[index]) return [0, 0];
		const celsius = now[1 + 2 * index] ?? 0;
		const cooling = (celsius - air) / load.timeConstantMinutes;
		gained += load.kilograms * LOAF_HEAT_CAPACITY * cooling;
		const rate = rateAt(load.curve, celsius) / rateAt(load.curve, load.referenceCelsius);
		return [-cooling, rate];
	});
	return [
		(gained - taken(air, retarder, compressor)) / retarder.airKilojoulesPerKelvin,
		...changes
	];
}

function momentOf(
	minutes: number,
	now: readonly number[],
	{ setCelsius }: Retarder,
	loads: readonly RetarderLoad[]
): RetarderMoment {
	const airCelsius = now[0] ?? 0;
	return {
		minutes,
		airCelsius,
		loads: loads.map((load, index) => ({
			celsius: now[1 + 2 * index] ?? load.startCelsius,
			dose: now[2 + 2 * index] ?? 0
		})),
		fullPower: airCelsius >= setCelsius + FULL_POWER_ABOVE_KELVINS
	};
}

/** Off below the set temperature, at its most a degree above, and by as much as is needed between. */
const OFF = 0;
const BY_NEED = 1;
const AT_ITS_MOST = 2;
type Compressor = number;

function compressorAt(air: number, { setCelsius }: Retarder): Compressor {
	const share = (air - setCelsius) / FULL_POWER_ABOVE_KELVINS;
	return share < 0 ? OFF : share > 1 ? AT_ITS_MOST : BY_NEED;
}

/** What the compressor takes away a minute, in kJ. */
function taken(
	air: number,
	{ setCelsius, compressorWatts }: Retarder,
	compressor: Compressor
): number {
	const most = (compressorWatts * 60) / 1000;
	if (compressor === OFF) return 0;
	return compressor === AT_ITS_MOST ? most : (most * (air - setCelsius)) / FULL_POWER_ABOVE_KELVINS;
}
