import type { TemperatureDifference } from '../units/index.ts';
import { kilojoulesPerKelvinOf, type HeatBalanceInput } from './heat-balance.ts';
import { FAST_OVER_SLOW, type MixProgram } from './friction-work.ts';

/** What would bring a dough to its target when its water cannot. Colder is a negative difference. */
export type WayOut =
	| { readonly kind: 'part'; readonly name: string; readonly by: TemperatureDifference }
	| { readonly kind: 'bowl'; readonly by: TemperatureDifference }
	| {
			readonly kind: 'friction';
			/** Of the mixer's own work; wetting the flour gives its heat all the same. */
			readonly shareLess: number;
			/** The same in minutes on fast; null where the formula does not tell its speeds, or has too few. */
			readonly fastMinutesLess: number | null;
	  }
	| { readonly kind: 'smaller-batch'; readonly share: number }
	| { readonly kind: 'target'; readonly by: TemperatureDifference };

/** What can be done to a part of a dough, and to a bowl, within the hour before a mix (our defaults). */
const MOST_KELVINS_OF_PART = 6;
const MOST_KELVINS_OF_BOWL = 10;
/** Parts that are less of the dough than this are not worth cooling (our default). */
const LEAST_SHARE = 0.05;
/** A batch that is cut below this is another batch (our default). */
const LEAST_BATCH = 0.4;

/** What the mixer itself does to a dough, for the way out of mixing less. */
export interface MixerHeat {
	readonly workKilojoulesPerKilogram: number;
	readonly program: MixProgram | null;
}

/** A water (or other liquid) that cannot be as it is wanted. */
export interface WaterMissed {
	/** What it is less what was wanted. */
	readonly kelvins: number;
	/** The water that is still to come. */
	readonly grams: number;
	/** By how many degrees of that water the dough changes by one, whatever it rests through. */
	readonly perDough: number;
	/** Parts that are in the bowl already: nothing can be done to them, nor to the bowl. */
	readonly inBowl: readonly string[];
}

/**
 * Gives what would reach the target when the water misses its temperature, each way alone; those that take only a
 * decision first.
 *
 * Model: the balance of heat: the water's missing heat is left in the dough, which then comes out at another
 * temperature, left to the bowl by a smaller batch, or taken from the mixer's work, from one part of the dough or from
 * the bowl.
 * Range: a miss other than 0. Source: domain arithmetic (limits of water). Failures: none; a way that would take a
 * part or a bowl further than an hour does, or all of the work, is left out; the moved target always stands.
 * Example: a dough whose water is 6 degrees too warm comes out as many warmer as its heat is more.
 */
export function waysOut(
	input: HeatBalanceInput,
	{ kelvins, grams, perDough, inBowl }: WaterMissed,
	mixer: MixerHeat
): readonly WayOut[] {
	const heat = kelvins * kilojoulesPerKelvinOf({ water: { grams }, liquid: input.liquid });
	const dough = input.parts.reduce((total, part) => total + part.mass.grams, input.water.grams);
	const bowl = inBowl.length === 0 ? byBowl(input, heat) : [];
	const parts = input.parts.flatMap(({ name, mass, heatCapacity }): WayOut[] => {
		const by = -heat / ((mass.grams / 1000) * heatCapacity.kilojoulesPerKilogramKelvin);
		const isWorth = mass.grams / dough >= LEAST_SHARE && !inBowl.includes(name);
		return isWorth && Math.abs(by) <= MOST_KELVINS_OF_PART
			? [{ kind: 'part', name, by: { kelvins: by } }]
			: [];
	});
	return [
		{ kind: 'target', by: { kelvins: kelvins / perDough } },
		...bowl.filter((way) => way.kind === 'smaller-batch'),
		...byLessMixing(mixer, heat, dough / 1000),
		...parts,
		...bowl.filter((way) => way.kind === 'bowl')
	];
}

function byBowl({ bowl, target }: HeatBalanceInput, heat: number): readonly WayOut[] {
	if (!bowl) return [];
	const kelvins = -heat / bowl.kilojoulesPerKelvin;
	const ways: WayOut[] = [];
	if (Math.abs(kelvins) <= MOST_KELVINS_OF_BOWL) ways.push({ kind: 'bowl', by: { kelvins } });
	// What the bowl takes (or gives) is the same for any batch, so that less dough feels more of it.
	const taken = bowl.kilojoulesPerKelvin * (target.celsius - bowl.temperature.temperature.celsius);
	const share = taken / (taken + heat);
	if (taken * heat > 0 && share >= LEAST_BATCH && share < 1)
		ways.push({ kind: 'smaller-batch', share });
	return ways;
}

function byLessMixing(mixer: MixerHeat, heat: number, kilograms: number): readonly WayOut[] {
	const shareLess = heat / (mixer.workKilojoulesPerKilogram * kilograms);
	if (!(shareLess > 0 && shareLess < 1)) return [];
	const { program } = mixer;
	const fast = program
		? (shareLess * (program.slowMinutes + FAST_OVER_SLOW * program.fastMinutes)) / FAST_OVER_SLOW
		: null;
	const enough = fast !== null && program !== null && fast <= program.fastMinutes;
	return [{ kind: 'friction', shareLess, fastMinutesLess: enough ? fast : null }];
}
