import type { TemperatureDifference } from '../units/index.ts';
import { WATER_HEAT_CAPACITY } from './constants.ts';
import { waterDegreesPerDough, type HeatBalanceInput } from './heat-balance.ts';

/** What would bring a dough to its target when its water cannot. Colder is a negative difference. */
export type WayOut =
	| { readonly kind: 'part'; readonly name: string; readonly by: TemperatureDifference }
	| { readonly kind: 'friction'; readonly shareLess: number }
	| { readonly kind: 'target'; readonly by: TemperatureDifference };

/** No part of a dough is cooled or warmed by more than this to save a mix (our default). */
const MOST_KELVINS = 20;
/** Parts that are less of the dough than this are not worth cooling (our default). */
const LEAST_SHARE = 0.05;

/**
 * Gives what would reach the target when the water misses its temperature by `waterMiss` (what it is less
 * what was wanted), each way alone.
 *
 * Model: the balance of heat: the water's missing heat is taken from one part of the dough, from the
 * friction, or left in the dough, which then comes out at another temperature.
 * Range: a miss other than 0. Source: domain arithmetic (limits of water). Failures: none; a way that would
 * take more than 20 degrees, or all of the friction, is left out; the moved target always stands.
 * Example: a dough whose water is 6 degrees too warm comes out as many warmer as its heat is more.
 */
export function waysOut(
	input: HeatBalanceInput,
	waterMiss: TemperatureDifference
): readonly WayOut[] {
	const heat = waterMiss.kelvins * (input.water.grams / 1000) * WATER_HEAT_CAPACITY;
	const dough = input.parts.reduce((total, part) => total + part.mass.grams, input.water.grams);
	const ways: WayOut[] = [];
	for (const { name, mass, heatCapacity } of input.parts) {
		const kelvins = -heat / ((mass.grams / 1000) * heatCapacity.kilojoulesPerKilogramKelvin);
		if (mass.grams / dough >= LEAST_SHARE && Math.abs(kelvins) <= MOST_KELVINS)
			ways.push({ kind: 'part', name, by: { kelvins } });
	}
	const friction = (input.friction.work.kilojoulesPerKilogram * dough) / 1000;
	const shareLess = heat / friction;
	if (shareLess > 0 && shareLess < 1) ways.push({ kind: 'friction', shareLess });
	ways.push({
		kind: 'target',
		by: { kelvins: waterMiss.kelvins / waterDegreesPerDough(input) }
	});
	return ways;
}
