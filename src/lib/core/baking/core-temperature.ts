import { fail, ok, type Result } from '../result.ts';
import type { BakeFigures } from './programme.ts';

/** Water boils a degree lower with so many metres (our default, near 0.33 K per 100 m up to some 3 000 m). */
const METRES_PER_KELVIN = 300;

/**
 * The core temperature that says done at a height above the sea.
 *
 * Model: what is wanted falls as the boiling point of water does, a degree for 300 m. Range: 0 to 4 000 m.
 * Source: domain (ovens); our default. Failures: none; heights outside are taken as the nearest inside.
 * Example: 97 degC at the sea are 93 degC at 1 200 m.
 */
export function coreWantedAt(coreCelsius: number, altitudeMetres: number): number {
	return coreCelsius - Math.min(4000, Math.max(0, altitudeMetres)) / METRES_PER_KELVIN;
}

/** A core temperature read in the oven. */
export interface CoreReading {
	readonly atMinutes: number;
	readonly celsius: number;
}

/** How long a load still takes, in minutes, with what it may be earlier or later. */
export interface DoneForecast {
	readonly minutesLeft: number;
	readonly least: number;
	readonly most: number;
}

export type DoneFailure =
	/** It is done. */
	| { readonly kind: 'done' }
	/** The core has not begun to follow the oven: a forecast would be a guess. */
	| { readonly kind: 'too-early'; readonly fromCelsius: number }
	/** No core comes to that in an oven. */
	| { readonly kind: 'beyond-reason' };

/** Below this a core tells little of when it is done (our default, in degC). */
const TELLS_FROM_CELSIUS = 50;
/** What a forecast may be off, as a share of what is left and in minutes (our defaults). */
const SPREAD_SHARE = 0.25;
const SPREAD_MINUTES = 1;

/**
 * When a load is done, by a core temperature read while it bakes.
 *
 * Model: the core nears the oven's heat at a steady rate that is the programme's own: so that the core wanted comes at
 * its end. A reading tells at which point of that course the load stands, and by how much it goes faster or slower.
 * Range: readings from 50 degC on. Source: our default (Newton's law, as for cooling). Failures: `done`, `too-early`,
 * `beyond-reason`.
 * Example: a loaf that takes 42 minutes to 97 degC at 245 degC and reads 80 degC at minute 32 goes on for 12, from 8 to 16.
 */
export function doneForecast(
	{ loadCelsius, bakeMinutes, coreCelsius }: Omit<BakeFigures, 'steamSeconds'>,
	doughCelsius: number,
	{ atMinutes, celsius }: CoreReading
): Result<DoneForecast, DoneFailure> {
	if (!(atMinutes > 0) || celsius >= loadCelsius || celsius > 105)
		return fail({ kind: 'beyond-reason' });
	if (celsius >= coreCelsius) return fail({ kind: 'done' });
	if (celsius < TELLS_FROM_CELSIUS)
		return fail({ kind: 'too-early', fromCelsius: TELLS_FROM_CELSIUS });
	const shareAt = (core: number) => Math.log((loadCelsius - doughCelsius) / (loadCelsius - core));
	const stands = (bakeMinutes * shareAt(celsius)) / shareAt(coreCelsius);
	const pace = atMinutes / stands;
	const minutesLeft = (bakeMinutes - stands) * pace;
	const spread = minutesLeft * SPREAD_SHARE + SPREAD_MINUTES;
	return ok({
		minutesLeft,
		least: Math.max(0, minutesLeft - spread),
		most: minutesLeft + spread
	});
}
