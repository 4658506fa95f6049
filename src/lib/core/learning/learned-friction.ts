import type { Source } from '../explain/index.ts';
import {
	doughSpread,
	factorRevealed,
	frictionOf,
	mixerWork,
	THERMOMETER_KELVINS,
	type DoughInstrument,
	type FrictionBook,
	type HeatBalanceInput,
	type MixDone,
	type MixerHeat
} from '../heat/index.ts';
import type { SpecificEnergy } from '../units/index.ts';
import type { Observation } from './estimate.ts';
import { estimateWithin } from './estimate-within.ts';
import type { MeasuredMix } from './observed.ts';

/** What is believed of a dough's friction, and from which readings. */
export interface FrictionFigures {
	readonly kilojoulesPerKilogram: number;
	readonly spreadKilojoulesPerKilogram: number;
	/** Eight times in ten the truth lies within. */
	readonly bandKilojoulesPerKilogram: { readonly low: number; readonly high: number };
	/** What the book says of this mix, before anything was measured. */
	readonly bookKilojoulesPerKilogram: number;
	/** Its own mixes on this mixer that count, and readings of other doughs on it. */
	readonly used: number;
	readonly usedOfOthers: number;
	readonly readings: readonly (MeasuredMix & { readonly leftOut: boolean })[];
}

/** How far the mixer may be off from what the book says of it, and doughs on it from one another (our defaults). */
const MIXER_MAY_BE_OFF_BY = 0.25;
const BETWEEN_DOUGHS = 0.12;
/** How far a reading's friction lies from the truth in kJ/kg, where that was not told with it (our defaults). */
const SPREAD = { typed: 1.1, 'core-probe': 0.9, 'surface-thermometer': 3 } as const;
/** Of every other dough on the mixer so many of the newest readings count (our default). */
const OF_ANOTHER_DOUGH = 5;

export interface LearnedFriction {
	readonly work: SpecificEnergy;
	readonly spread: SpecificEnergy;
	readonly source: Source;
	readonly mixer: MixerHeat;
	readonly figures: FrictionFigures;
}

/** A dough's readings with the book they are read by. */
export interface MeasuredDough {
	readonly book: FrictionBook;
	/** Newest first. */
	readonly readings: readonly MeasuredMix[];
}

/**
 * Gives the friction of one mix: from its book, what its own mixes showed on this mixer, and what other doughs
 * showed on it.
 *
 * Model: a factor on the mixer's own work, estimated within its group; readings are compared as they would have
 * been in the mix that is asked about. Range: readings newest first. Source: our defaults. Failures: none; a
 * dough without readings has the book's friction, as an assumption.
 * Example: warmer doughs than the book says teach more friction, and the next water is colder.
 */
export function learnedFriction(
	own: MeasuredDough,
	others: readonly MeasuredDough[],
	mixerId: string | null,
	done: MixDone
): LearnedFriction {
	const here = (mix: MeasuredMix) => mix.mixerId === null || mix.mixerId === mixerId;
	const mine = own.readings.filter(here);
	const elsewhere = own.readings.filter((reading) => !here(reading));
	const group = [
		...observationsOf(own.book, elsewhere),
		...others.flatMap(({ book, readings }) =>
			observationsOf(book, readings.filter(here).slice(0, OF_ANOTHER_DOUGH))
		)
	];
	const counted = observationsOf(own.book, mine);
	const prior = { mean: 1, spread: own.book.mixerMayBeOffBy ?? MIXER_MAY_BE_OFF_BY };
	const belief = estimateWithin(prior, group, BETWEEN_DOUGHS, counted);
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
		figures: {
			kilojoulesPerKilogram: work.kilojoulesPerKilogram,
			spreadKilojoulesPerKilogram: belief.spread * mixer.kilojoulesPerKilogram,
			bandKilojoulesPerKilogram: {
				low: frictionOf(own.book, done, belief.band.low).kilojoulesPerKilogram,
				high: frictionOf(own.book, done, belief.band.high).kilojoulesPerKilogram
			},
			bookKilojoulesPerKilogram: frictionOf(own.book, done, 1).kilojoulesPerKilogram,
			used: belief.used.length,
			usedOfOthers: group.length,
			readings: mine.map((mix) => ({
				...mix,
				leftOut: belief.leftOut.includes(mix.id),
				// As it would have been in the mix that is asked about, so that all can be compared.
				frictionKilojoulesPerKilogram: comparable(own.book, mix, done)
			}))
		}
	};
}

/**
 * Gives how far the friction that a measured dough reveals may lie from the truth, in kJ/kg: its thermometer,
 * and all that went into the bowl at temperatures that were measured, or only assumed.
 * Range: a heat capacity above 0, in kJ/(kg K). Source: our defaults. Failures: none.
 * Example: a core probe of 0.25 K in a dough of 2.74 kJ/(kg K) alone is 0.69 kJ/kg.
 */
export function spreadOfReading(
	balance: HeatBalanceInput,
	waterCelsius: number,
	instrument: DoughInstrument,
	heatCapacity: number,
	nowMs: number
): number {
	const water = { temperature: { celsius: waterCelsius }, source: { kind: 'bakery' as const } };
	const inputs = doughSpread(balance, water, 0, nowMs).kelvins;
	return heatCapacity * Math.hypot(THERMOMETER_KELVINS[instrument], inputs);
}

/** How a reading's mix was done, as far as it was told. */
function doneIn(book: FrictionBook, row: MeasuredMix): MixDone {
	return { program: row.program ?? book.program, fill: row.fillShare };
}

function comparable(book: FrictionBook, row: MeasuredMix, done: MixDone): number {
	const revealed = { kilojoulesPerKilogram: row.frictionKilojoulesPerKilogram };
	const factor = factorRevealed(book, doneIn(book, row), revealed);
	return factor === null
		? row.frictionKilojoulesPerKilogram
		: frictionOf(book, done, factor).kilojoulesPerKilogram;
}

function observationsOf(book: FrictionBook, rows: readonly MeasuredMix[]): readonly Observation[] {
	return rows
		.filter((row) => !row.ignored)
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
