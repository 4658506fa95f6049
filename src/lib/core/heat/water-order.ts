import type { Explained, Source } from '../explain/index.ts';
import type { Mass, Share, Temperature, TemperatureDifference } from '../units/index.ts';
import { blendOfTaps } from './blend.ts';
import { doughMiss } from './factor-rule.ts';
import { iceFor, temperatureWithIce } from './ice.ts';

/** What the taps and the ice of the bakery can give. */
export interface WaterSupply {
	readonly cold: { readonly temperature: Temperature; readonly source: Source };
	readonly hot: Temperature;
	readonly ice: {
		readonly temperature: Temperature;
		/** Largest share of the water that may be ice in this form. */
		readonly mostShare: Share;
	};
	/** No warmer where yeast meets the water. */
	readonly hottestForYeast: Temperature;
}

/** How to fill the water of one mix. */
export type WaterOrder =
	| {
			readonly kind: 'blend';
			readonly temperature: Temperature;
			readonly hot: Mass;
			readonly cold: Mass;
	  }
	| {
			readonly kind: 'ice';
			readonly temperature: Temperature;
			readonly ice: Explained;
			readonly cold: Mass;
	  }
	| {
			readonly kind: 'too-cold-for-ice';
			/** The coldest the water gets with all the ice that is allowed. */
			readonly temperature: Temperature;
			readonly ice: Mass;
			readonly cold: Mass;
			readonly wantedIce: Explained;
			readonly doughWarmerBy: TemperatureDifference;
	  }
	| {
			readonly kind: 'too-warm';
			readonly temperature: Temperature;
			readonly hot: Mass;
			readonly cold: Mass;
			readonly limit: 'yeast' | 'hot-tap';
			readonly doughColderBy: TemperatureDifference;
	  };

/** Temperatures closer than this are the same to a bench thermometer (our default). */
const SAME_KELVINS = 0.05;

/**
 * Decides how the water of a mix is filled from taps and ice.
 *
 * Model: between the taps a blend; below the cold tap ice stands in for part of the water, up to the
 * cap of its form; above the limit for yeast or the hot tap the warmest allowed is given. What cannot
 * be reached says by how much the dough will miss, by the factor rule with `counted` temperatures.
 * Range: water above 0 g. Source: domain arithmetic. Failures: none; an unreachable temperature is an
 * answer of its own kind.
 * Example: 9 kg wanted at 3 degrees from a tap at 11 with a cap of 15 % takes 0.794 kg of ice.
 */
export function orderWater(
	wanted: Explained,
	water: Explained,
	counted: number,
	supply: WaterSupply
): WaterOrder {
	const mass = { grams: water.value };
	const cold = supply.cold.temperature;
	if (wanted.value < cold.celsius - SAME_KELVINS) return withIce(wanted, water, counted, supply);
	const limit =
		supply.hottestForYeast.celsius < supply.hot.celsius ? supply.hottestForYeast : supply.hot;
	const reached = { celsius: Math.max(cold.celsius, Math.min(wanted.value, limit.celsius)) };
	const blend = blendOfTaps(mass, reached, cold, supply.hot);
	const filled = blend.ok ? blend.value : { hot: { grams: 0 }, cold: mass };
	if (wanted.value > limit.celsius + SAME_KELVINS)
		return {
			kind: 'too-warm',
			temperature: reached,
			...filled,
			limit: limit === supply.hot ? 'hot-tap' : 'yeast',
			doughColderBy: doughMiss({ kelvins: wanted.value - reached.celsius }, counted)
		};
	return { kind: 'blend', temperature: reached, ...filled };
}

function withIce(
	wanted: Explained,
	water: Explained,
	counted: number,
	supply: WaterSupply
): WaterOrder {
	const ice = iceFor({ water, wanted, tap: supply.cold, ice: supply.ice.temperature });
	const most = water.value * supply.ice.mostShare.share;
	if (ice.value <= most)
		return {
			kind: 'ice',
			temperature: { celsius: wanted.value },
			ice,
			cold: { grams: water.value - ice.value }
		};
	const reached = temperatureWithIce(
		{ grams: water.value },
		{ grams: most },
		supply.cold.temperature,
		supply.ice.temperature
	);
	return {
		kind: 'too-cold-for-ice',
		temperature: reached,
		ice: { grams: most },
		cold: { grams: water.value - most },
		wantedIce: ice,
		doughWarmerBy: doughMiss({ kelvins: reached.celsius - wanted.value }, counted)
	};
}
