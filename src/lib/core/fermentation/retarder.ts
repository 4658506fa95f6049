import type { RateCurve } from './cardinal-rate.ts';
import { rateAt } from './cardinal-rate.ts';
import { integrate, STEP_TOLERANCE } from './integrate.ts';
import { LEAST_TIME_CONSTANT_MINUTES } from './temperature-path.ts';

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
	readonly curve: RateCurve;
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
 * goes in later is followed from then on. What moves faster than a dough can notice (an air that holds hardly
 * any heat) is followed as fast as a third of a minute; once nothing moves any more it is told as it stands.
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
		const cabinet = cabinetOf(retarder, loads, there, roomCelsius);
		const wanted = moments.filter((moment) => moment >= from && (moment < until || last));
		let taken = 0;
		// A day at a time, until nothing happens any more: what stands is told in closed form.
		for (let at = from; at < until || taken < wanted.length;) {
			const to = Math.min(until, at + LOOKED_AT_MINUTES);
			const begin = at;
			const final = to >= until;
			const here = wanted.slice(taken).filter((moment) => moment < to || final);
			taken += here.length;
			const slopes = cabinet.derivative(state, cabinet.regimeOf(state));
			if (isSettled(slopes)) {
				for (const moment of here)
					found.push(momentOf(moment, heldOn(state, slopes, moment - begin), retarder, loads));
				state = heldOn(state, slopes, to - begin);
			} else
				state = integrate({
					derivative: (now, _, regime) => cabinet.derivative(now, regime),
					regimeOf: cabinet.regimeOf,
					start: state,
					minutes: to - begin,
					tolerance: STEP_TOLERANCE,
					samples: {
						at: here.map((moment) => moment - begin),
						take: (minutes, now) => found.push(momentOf(minutes + begin, now, retarder, loads))
					}
				}).state;
			if (final) break;
			at = to;
		}
	}
	return found;
}

/** The temperatures are looked at after so long, whether they still move. */
const LOOKED_AT_MINUTES = 24 * 60;
/** Moving by less than this a minute they stand: a tenth of a degree in a week. */
const SETTLED_KELVINS_A_MINUTE = 1e-5;

function isSettled(slopes: readonly number[]): boolean {
	// The air, then the temperature of each load; the doses go on.
	return slopes.every(
		(slope, part) => (part > 0 && part % 2 === 0) || Math.abs(slope) < SETTLED_KELVINS_A_MINUTE
	);
}

/** A state whose temperatures stand, some minutes on: its doses grow as they do. */
function heldOn(
	state: readonly number[],
	slopes: readonly number[],
	minutes: number
): readonly number[] {
	return state.map((value, part) =>
		part > 0 && part % 2 === 0 ? value + (slopes[part] ?? 0) * minutes : value
	);
}

/** The air answers within this time at the fastest: what would be faster makes no difference to dough. */
const FASTEST_AIR_MINUTES = 0.3;

interface Cabinet {
	readonly derivative: (now: readonly number[], regime: Compressor) => readonly number[];
	readonly regimeOf: (now: readonly number[]) => Compressor;
}

/** A cabinet with what is in it, with all that is too fast for a dough to notice made as slow as it may be. */
function cabinetOf(
	retarder: Retarder,
	loads: readonly RetarderLoad[],
	there: readonly boolean[],
	roomCelsius: number
): Cabinet {
	const constants = loads.map((load) =>
		Math.max(LEAST_TIME_CONSTANT_MINUTES, load.timeConstantMinutes)
	);
	const couplings = loads.map((load, index) =>
		there[index] ? (load.kilograms * LOAF_HEAT_CAPACITY) / (constants[index] ?? Infinity) : 0
	);
	// How much heat a degree of the air moves in a minute: by the compressor, the walls and the loads.
	const conductance =
		(retarder.compressorWatts / FULL_POWER_ABOVE_KELVINS + retarder.wallsWattsPerKelvin) * 0.06 +
		couplings.reduce((total, coupling) => total + coupling, 0);
	const airHeat = Math.max(retarder.airKilojoulesPerKelvin, FASTEST_AIR_MINUTES * conductance);
	return {
		derivative: (now, regime) => {
			const air = now[0] ?? 0;
			let gained = retarder.wallsWattsPerKelvin * 0.06 * (roomCelsius - air);
			const changes = loads.flatMap((load, index) => {
				if (!there[index]) return [0, 0];
				const celsius = now[1 + 2 * index] ?? 0;
				gained += (couplings[index] ?? 0) * (celsius - air);
				const rate = rateAt(load.curve, celsius) / rateAt(load.curve, load.referenceCelsius);
				return [(air - celsius) / (constants[index] ?? Infinity), rate];
			});
			return [(gained - taken(air, retarder, regime)) / airHeat, ...changes];
		},
		regimeOf: ([air = 0]) => compressorAt(air, retarder)
	};
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
