import type { TemperatureDifference } from '../units/index.ts';
import { FAST_OVER_SLOW, type MixProgram } from './friction-work.ts';
import {
	kilojoulesPerKelvinOf,
	waterDegreesPerDough,
	type HeatBalanceInput
} from './heat-balance.ts';

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

/** No part of a dough is cooled or warmed by more than this to save a mix (our default). */
const MOST_KELVINS = 20;
/** Parts that are less of the dough than this are not worth cooling (our default). */
const LEAST_SHARE = 0.05;
/** A batch that is cut below this is another batch (our default). */
const LEAST_BATCH = 0.4;

/** What the mixer itself does to a dough, for the way out of mixing less. */
export interface MixerHeat {
	readonly workKilojoulesPerKilogram: number;
	readonly program: MixProgram | null;
}

/**
 * Gives what would reach the target when the water misses its temperature by `waterMiss` (what it is less
 * what was wanted), each way alone.
 *
 * Model: the balance of heat: the water's missing heat is taken from one part of the dough, from the bowl,
 * from the mixer's work, left to the bowl by a smaller batch, or left in the dough, which then comes out at
 * another temperature.
 * Range: a miss other than 0. Source: domain arithmetic (limits of water). Failures: none; a way that would
 * take more than 20 degrees, or all of the work, is left out; the moved target always stands.
 * Example: a dough whose water is 6 degrees too warm comes out as many warmer as its heat is more.
 */
export function waysOut(
	input: HeatBalanceInput,
	waterMiss: TemperatureDifference,
	mixer: MixerHeat
): readonly WayOut[] {
	const heat = waterMiss.kelvins * kilojoulesPerKelvinOf(input);
	const dough = input.parts.reduce((total, part) => total + part.mass.grams, input.water.grams);
	const ways: WayOut[] = [];
	for (const { name, mass, heatCapacity } of input.parts) {
		const kelvins = -heat / ((mass.grams / 1000) * heatCapacity.kilojoulesPerKilogramKelvin);
		if (mass.grams / dough >= LEAST_SHARE && Math.abs(kelvins) <= MOST_KELVINS)
			ways.push({ kind: 'part', name, by: { kelvins } });
	}
	ways.push(...byBowl(input, heat), ...byLessMixing(mixer, heat, dough / 1000));
	ways.push({
		kind: 'target',
		by: { kelvins: waterMiss.kelvins / waterDegreesPerDough(input) }
	});
	return ways;
}

function byBowl({ bowl, target }: HeatBalanceInput, heat: number): readonly WayOut[] {
	if (!bowl) return [];
	const kelvins = -heat / bowl.kilojoulesPerKelvin;
	const ways: WayOut[] = [];
	if (Math.abs(kelvins) <= MOST_KELVINS) ways.push({ kind: 'bowl', by: { kelvins } });
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
