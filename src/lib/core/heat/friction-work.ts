import type { SpecificEnergy } from '../units/index.ts';

/** How long a mixer turns at each of its speeds. */
export interface MixProgram {
	readonly slowMinutes: number;
	readonly fastMinutes: number;
}

/** The friction a book tells: for its own program in a mixer that is full. */
export interface FrictionBook {
	readonly work: SpecificEnergy;
	/** null where the book does not tell its speeds; then every program is taken to be its own. */
	readonly program: MixProgram | null;
	/** How far the work beside wetting may be off from this book, as a share of it; our default where it is not told. */
	readonly mixerMayBeOffBy?: number;
}

/** A mix as it was, or as it will be, done. */
export interface MixDone {
	readonly program: MixProgram | null;
	/** Dough in the bowl over the most the mixer takes. */
	readonly fill: number;
}

/** A minute on fast works a dough as much as so many on slow (our default). */
export const FAST_OVER_SLOW = 2.2;
/** The heat of wetting flour: it comes however long the mixer turns, in kJ/kg of dough (our default). */
export const WETTING_KILOJOULES_PER_KILOGRAM = 1.5;
/** A bowl that is emptier works each kilogram a little more (our default). */
const FILL_EXPONENT = -0.12;
const LEAST_FILL = 0.2;
const MOST_FILL = 1.2;

/**
 * Gives the work of the mixer alone on a kilogram of dough, without the heat of wetting, in kJ/kg.
 *
 * Model: the book's figure less the heat of wetting, in proportion to the minutes at each speed (a minute on
 * fast counts as 2.2 on slow) and to the fill by a power of -0.12. Range: a fill above 0, held between 0.2 and
 * 1.2. Source: our default, corrected by what is measured. Failures: none; a program of no minutes works
 * nothing.
 * Example: 9.6 kJ/kg by the book are 8.1 of the mixer, and 4.05 in half the minutes.
 */
export function mixerWork(book: FrictionBook, done: MixDone): SpecificEnergy {
	const turned = book.work.kilojoulesPerKilogram - wettingOf(book).kilojoulesPerKilogram;
	const own = book.program ? slowMinutesOf(book.program) : 0;
	const share = done.program && own > 0 ? slowMinutesOf(done.program) / own : 1;
	const fill = Math.min(MOST_FILL, Math.max(LEAST_FILL, done.fill)) ** FILL_EXPONENT;
	return { kilojoulesPerKilogram: turned * share * fill };
}

/** The heat of wetting that a book's figure holds; never more than the figure. */
export function wettingOf(book: FrictionBook): SpecificEnergy {
	return {
		kilojoulesPerKilogram: Math.min(
			book.work.kilojoulesPerKilogram / 2,
			WETTING_KILOJOULES_PER_KILOGRAM
		)
	};
}

/**
 * Gives the whole friction of a mix when the mixer works `factor` times what the book says of it.
 * Example: a factor of 1 at the book's own program in a full bowl is the book's figure.
 */
export function frictionOf(book: FrictionBook, done: MixDone, factor: number): SpecificEnergy {
	return {
		kilojoulesPerKilogram:
			wettingOf(book).kilojoulesPerKilogram + factor * mixerWork(book, done).kilojoulesPerKilogram
	};
}

/**
 * Gives the factor that a revealed friction stands for, or null where the mixer did no work to tell it by.
 * Example: 9.6 kJ/kg revealed at the book's own 9.6 is a factor of 1.
 */
export function factorRevealed(
	book: FrictionBook,
	done: MixDone,
	revealed: SpecificEnergy
): number | null {
	const work = mixerWork(book, done).kilojoulesPerKilogram;
	if (!(work > 0)) return null;
	return (revealed.kilojoulesPerKilogram - wettingOf(book).kilojoulesPerKilogram) / work;
}

function slowMinutesOf({ slowMinutes, fastMinutes }: MixProgram): number {
	return slowMinutes + FAST_OVER_SLOW * fastMinutes;
}
