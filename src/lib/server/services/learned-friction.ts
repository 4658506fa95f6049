import type { FrictionView } from '../../contracts/views.ts';
import type { Source } from '../../core/explain/index.ts';
import {
	doughSpread,
	factorRevealed,
	frictionOf,
	mixerWork,
	type FrictionBook,
	type HeatBalanceInput,
	type MixDone,
	type MixerHeat
} from '../../core/heat/index.ts';
import { estimateWithin, type Observation } from '../../core/learning/index.ts';
import type { SpecificEnergy } from '../../core/units/index.ts';
import type { DoughTemperatureRow } from '../db/dough-temperatures.ts';

/** How far the mixer may be off from what the book says of it, and doughs on it from one another (our defaults). */
const GROUP = { mean: 1, spread: 0.25 };
const BETWEEN_DOUGHS = 0.12;
/** How far a reading's friction lies from the truth in kJ/kg, where that was not told with it (our defaults). */
const SPREAD = { typed: 1.1, 'core-probe': 0.9, 'surface-thermometer': 3 } as const;
/** How well a thermometer tells a dough, in kelvins (our defaults). */
const THERMOMETER_KELVINS = { typed: 0.35, 'core-probe': 0.25, 'surface-thermometer': 1 } as const;
/** Of every other dough on the mixer so many of the newest readings count (our default). */
const OF_ANOTHER_DOUGH = 5;

export interface LearnedFriction {
	readonly work: SpecificEnergy;
	readonly spread: SpecificEnergy;
	readonly source: Source;
	readonly mixer: MixerHeat;
	readonly view: FrictionView;
}

/** A dough's readings with the book they are read by. */
export interface MeasuredDough {
	readonly book: FrictionBook;
	/** Newest first. */
	readonly readings: readonly DoughTemperatureRow[];
}

/**
 * The friction of one mix: from its book, what its own mixes showed on this mixer, and what other doughs
 * showed on it.
 */
export function learnedFriction(
	own: MeasuredDough,
	others: readonly MeasuredDough[],
	mixerId: string | null,
	done: MixDone
): LearnedFriction {
	const here = (one: DoughTemperatureRow) => one.mixerId === null || one.mixerId === mixerId;
	const mine = own.readings.filter(here);
	const elsewhere = own.readings.filter((one) => !here(one));
	const group = [
		...observationsOf(own.book, elsewhere),
		...others.flatMap(({ book, readings }) =>
			observationsOf(book, readings.filter(here).slice(0, OF_ANOTHER_DOUGH))
		)
	];
	const counted = observationsOf(own.book, mine);
	const belief = estimateWithin(GROUP, group, BETWEEN_DOUGHS, counted);
	const mixer = mixerWork(own.book, done);
	const work = frictionOf(own.book, done, belief.mean);
	const learned = belief.used.length + group.length > 0;
	return {
		work,
		spread: { kilojoulesPerKilogram: belief.spread * mixer.kilojoulesPerKilogram },
		source: learned ? { kind: 'learned' } : { kind: 'assumed' },
		mixer: {
			workKilojoulesPerKilogram: belief.mean * mixer.kilojoulesPerKilogram,
			program: done.program
		},
		view: {
			kilojoulesPerKilogram: work.kilojoulesPerKilogram,
			spreadKilojoulesPerKilogram: belief.spread * mixer.kilojoulesPerKilogram,
			bandKilojoulesPerKilogram: {
				low: frictionOf(own.book, done, belief.band.low).kilojoulesPerKilogram,
				high: frictionOf(own.book, done, belief.band.high).kilojoulesPerKilogram
			},
			bookKilojoulesPerKilogram: frictionOf(own.book, done, 1).kilojoulesPerKilogram,
			used: belief.used.length,
			usedOfOthers: group.length,
			readings: mine.map((one) => ({
				...one,
				leftOut: belief.leftOut.includes(one.id),
				// As it would have been in the mix that is asked about, so that all can be compared.
				frictionKilojoulesPerKilogram: comparable(own.book, one, done)
			}))
		}
	};
}

/**
 * How far the friction that a measured dough reveals may lie from the truth, in kJ/kg: its thermometer, and all
 * that went into the bowl at temperatures that were measured, or only assumed.
 */
export function spreadOfReading(
	balance: HeatBalanceInput,
	waterCelsius: number,
	instrument: DoughTemperatureRow['instrument'],
	heatCapacity: number,
	nowMs: number
): number {
	const water = { temperature: { celsius: waterCelsius }, source: { kind: 'bakery' as const } };
	const inputs = doughSpread(balance, water, 0, nowMs).kelvins;
	return heatCapacity * Math.hypot(THERMOMETER_KELVINS[instrument], inputs);
}

/** How a reading's mix was done, as far as it was told. */
function doneIn(book: FrictionBook, row: DoughTemperatureRow): MixDone {
	return { program: row.program ?? book.program, fill: row.fillShare };
}

function comparable(book: FrictionBook, row: DoughTemperatureRow, done: MixDone): number {
	const revealed = { kilojoulesPerKilogram: row.frictionKilojoulesPerKilogram };
	const factor = factorRevealed(book, doneIn(book, row), revealed);
	return factor === null
		? row.frictionKilojoulesPerKilogram
		: frictionOf(book, done, factor).kilojoulesPerKilogram;
}

function observationsOf(
	book: FrictionBook,
	rows: readonly DoughTemperatureRow[]
): readonly Observation[] {
	return rows
		.filter((one) => !one.ignored)
		.flatMap((row) => {
			const done = doneIn(book, row);
			const value = factorRevealed(book, done, {
				kilojoulesPerKilogram: row.frictionKilojoulesPerKilogram
			});
			const work = mixerWork(book, done).kilojoulesPerKilogram;
			const spread = row.spreadKilojoulesPerKilogram ?? SPREAD[row.instrument];
			return value === null ? [] : [{ id: row.id, value, spread: spread / work }];
		});
}
