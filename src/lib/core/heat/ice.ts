import { given, worked, type Explained, type Source } from '../explain/index.ts';
import type { Mass, Temperature } from '../units/index.ts';
import { ICE_HEAT_CAPACITY, ICE_LATENT_HEAT, WATER_HEAT_CAPACITY } from './constants.ts';

const CONSTANT: Source = { kind: 'constant', source: 'tabulated' };

export interface IceInput {
	readonly water: Explained;
	readonly wanted: Explained;
	readonly tap: { readonly temperature: Temperature; readonly source: Source };
	/** 0 °C from the machine, lower from the freezer. */
	readonly ice: Temperature;
}

/**
 * Gives the mass of ice that stands in for part of the water, with its arithmetic.
 *
 * Model: the heat that brings the whole water from the tap to the wanted temperature equals the heat
 * that warms the ice to 0 degrees, melts it and warms it to the tap's temperature:
 * m_ice = m c_w (T_tap - T) / (L + c_w T_tap - c_i T_ice).
 * Range: a wanted temperature below the tap's; it may lie below 0 degrees, which only ice can do.
 * Source: domain arithmetic, constants tabulated. Failures: none; the cap is judged by the caller.
 * Example: 9 kg wanted at 3 degrees from a tap at 11 takes 0.794 kg of ice at 0 degrees, 0.722 kg at -18.
 */
export function iceFor(input: IceInput): Explained {
	const tap = given(
		{ key: 'tap-temperature' },
		input.tap.temperature.celsius,
		'°C',
		input.tap.source
	);
	const heatOfWater = given(
		{ key: 'water-heat-capacity' },
		WATER_HEAT_CAPACITY,
		'kJ/(kg K)',
		CONSTANT
	);
	const cooling = worked({ key: 'grouped' }, 'kJ/kg', 'product', [
		input.water,
		heatOfWater,
		worked({ key: 'grouped' }, 'K', 'difference', [tap, input.wanted])
	]);
	const warmingOfIce = worked({ key: 'grouped' }, 'kJ/kg', 'product', [
		given({ key: 'ice-heat-capacity' }, ICE_HEAT_CAPACITY, 'kJ/(kg K)', CONSTANT),
		given({ key: 'ice-temperature' }, input.ice.celsius, '°C', { kind: 'bakery' })
	]);
	const perKilogram = worked({ key: 'grouped' }, 'kJ/kg', 'difference', [
		worked({ key: 'grouped' }, 'kJ/kg', 'sum', [
			given({ key: 'latent-heat' }, ICE_LATENT_HEAT, 'kJ/kg latent', CONSTANT),
			worked({ key: 'grouped' }, 'kJ/kg', 'product', [heatOfWater, tap])
		]),
		warmingOfIce
	]);
	return worked({ key: 'ice-mass' }, 'g', 'quotient', [cooling, perKilogram]);
}

/** What the water comes to when `ice` of it is ice and the rest comes from the tap. */
export function temperatureWithIce(
	water: Mass,
	ice: Mass,
	tap: Temperature,
	iceTemperature: Temperature
): Temperature {
	const perKilogram =
		ICE_LATENT_HEAT +
		WATER_HEAT_CAPACITY * tap.celsius -
		ICE_HEAT_CAPACITY * iceTemperature.celsius;
	return {
		celsius: tap.celsius - (ice.grams * perKilogram) / (water.grams * WATER_HEAT_CAPACITY)
	};
}
