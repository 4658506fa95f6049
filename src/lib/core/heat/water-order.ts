import type { Explained, Source } from '../explain/index.ts';
import type { Mass, Share, Temperature, TemperatureDifference } from '../units/index.ts';
import { blendOfTaps } from './blend.ts';
import { doughMiss } from './factor-rule.ts';
import { iceFor, temperatureWithIce } from './ice.ts';

/** What the taps and the ice of the bakery can give. */
export interface WaterSupply {
	readonly cold: SuppliedWater;
	/** From a chiller or the cold room; null where there is none. */
	readonly chilled: SuppliedWater | null;
	readonly hot: Temperature;
	readonly ice: {
		readonly temperature: Temperature;
		/** Largest share of the water that may be ice in this form. */
		readonly mostShare: Share;
	};
	/** No warmer where yeast meets the water. */
	readonly hottestForYeast: Temperature;
}

export interface SuppliedWater {
	readonly temperature: Temperature;
	readonly source: Source;
}

/** The water that ice is put into. */
export type ColdWater = 'tap' | 'chilled';

/** How to fill the water of one mix. */
export type WaterOrder =
	| {
			readonly kind: 'blend';
			readonly temperature: Temperature;
			readonly hot: Mass;
			readonly cold: Mass;
	  }
	| {
			readonly kind: 'chilled';
			readonly temperature: Temperature;
			readonly chilled: Mass;
			readonly cold: Mass;
	  }
	| {
			readonly kind: 'ice';
			readonly temperature: Temperature;
			readonly ice: Explained;
			readonly cold: Mass;
			readonly of: ColdWater;
	  }
	| {
			readonly kind: 'too-cold-for-ice';
			/** The coldest the water gets with all the ice that is allowed. */
			readonly temperature: Temperature;
			readonly ice: Mass;
			readonly cold: Mass;
			readonly of: ColdWater;
			readonly wantedIce: Explained;
			readonly doughWarmerBy: TemperatureDifference;
	  }
	/** Milk or other liquids that come from no tap, water with them or not: warmed or chilled together. */
	| {
			readonly kind: 'liquid';
			readonly name: string;
			readonly temperature: Temperature;
			readonly parts: readonly { readonly name: string; readonly mass: Mass }[];
			/** What its limits leave of the miss; 0 where it can be had. */
			readonly doughOffBy: TemperatureDifference;
	  }
	| {
			readonly kind: 'too-warm';
			readonly temperature: Temperature;
			readonly hot: Mass;
			readonly cold: Mass;
			readonly limit: 'yeast' | 'hot-tap';
			readonly doughColderBy: TemperatureDifference;
	  };

/** Ice, chilled or hot water that moves the dough by less is not worth fetching (our default). */
const WORTH_KELVINS_OF_DOUGH = 0.5;

/** Temperatures closer than this are the same to a bench thermometer (our default). */
const SAME_KELVINS = 0.05;

/**
 * Decides how the water of a mix is filled from taps and ice.
 *
 * Model: between the taps a blend; below the cold tap chilled water where there is some, and below that ice
 * stands in for part of the water, up to the cap of its form; above the limit for yeast or the hot tap the
 * warmest allowed is given. Where the plain cold tap makes the dough within half a degree it is the answer. What
 * cannot be reached says by how much the dough will miss, `counted` degrees
 * of water standing for one of dough.
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
	const plain = doughMiss({ kelvins: wanted.value - cold.celsius }, counted);
	if (Math.abs(plain.kelvins) < WORTH_KELVINS_OF_DOUGH)
		return { kind: 'blend', temperature: cold, hot: { grams: 0 }, cold: mass };
	if (wanted.value < cold.celsius - SAME_KELVINS) return cooled(wanted, water, counted, supply);
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

/** Colder than this a liquid of a dough is not kept (our default). */
const COLDEST_LIQUID_CELSIUS = 2;

/**
 * Decides how the liquid of a dough that takes little or no water is brought to its temperature.
 * Model: as it is wanted, between the cold room and the limit for yeast. Range, source and failures: as
 * `orderWater`. Example: milk wanted at -3 is given at 2, and the dough comes out warmer.
 */
export function orderLiquid(
	name: string,
	wanted: Explained,
	parts: readonly { readonly name: string; readonly mass: Mass }[],
	counted: number,
	hottest: Temperature
): WaterOrder {
	const celsius = Math.min(hottest.celsius, Math.max(COLDEST_LIQUID_CELSIUS, wanted.value));
	return {
		kind: 'liquid',
		name,
		temperature: { celsius },
		parts,
		doughOffBy: doughMiss({ kelvins: celsius - wanted.value }, counted)
	};
}

function cooled(
	wanted: Explained,
	water: Explained,
	counted: number,
	supply: WaterSupply
): WaterOrder {
	const { chilled, cold } = supply;
	// A chiller that runs warmer than the tap is of no use.
	if (!chilled || chilled.temperature.celsius >= cold.temperature.celsius)
		return withIce(wanted, water, counted, supply, cold, 'tap');
	if (wanted.value < chilled.temperature.celsius - SAME_KELVINS)
		return withIce(wanted, water, counted, supply, chilled, 'chilled');
	const mass = { grams: water.value };
	const reached = { celsius: Math.max(wanted.value, chilled.temperature.celsius) };
	const blend = blendOfTaps(mass, reached, chilled.temperature, cold.temperature);
	return blend.ok
		? {
				kind: 'chilled',
				temperature: reached,
				chilled: blend.value.cold,
				cold: blend.value.hot
			}
		: { kind: 'chilled', temperature: reached, chilled: mass, cold: { grams: 0 } };
}

function withIce(
	wanted: Explained,
	water: Explained,
	counted: number,
	supply: WaterSupply,
	from: SuppliedWater,
	of: ColdWater
): WaterOrder {
	const ice = iceFor({ water, wanted, tap: from, ice: supply.ice.temperature });
	const most = water.value * supply.ice.mostShare.share;
	if (ice.value <= most)
		return {
			kind: 'ice',
			temperature: { celsius: wanted.value },
			ice,
			cold: { grams: water.value - ice.value },
			of
		};
	const reached = temperatureWithIce(
		{ grams: water.value },
		{ grams: most },
		from.temperature,
		supply.ice.temperature
	);
	return {
		kind: 'too-cold-for-ice',
		temperature: reached,
		ice: { grams: most },
		cold: { grams: water.value - most },
		of,
		wantedIce: ice,
		doughWarmerBy: doughMiss({ kelvins: reached.celsius - wanted.value }, counted)
	};
}
