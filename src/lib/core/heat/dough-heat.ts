import type { SpecificEnergy, SpecificHeat, TemperatureDifference } from '../units/index.ts';

/**
 * Gives the heat capacity of a mixture by mass.
 * Model: heat capacities add in proportion to mass. Range: masses of 0 g or more, not all 0.
 * Source: domain arithmetic; choi-okos-1986 for mixtures. Failures: none; an empty mixture throws.
 * Example: 16.8 kg flour, 6 kg levain at 100 %, 0.42 kg salt and 11 kg water give 2.742 kJ/(kg K).
 */
export function heatCapacityOfMixture(
	parts: readonly { readonly grams: number; readonly heatCapacity: SpecificHeat }[]
): SpecificHeat {
	let mass = 0;
	let heat = 0;
	for (const part of parts) {
		mass += part.grams;
		heat += part.grams * part.heatCapacity.kilojoulesPerKilogramKelvin;
	}
	if (!(mass > 0)) throw new RangeError('a mixture needs mass');
	return { kilojoulesPerKilogramKelvin: heat / mass };
}

/**
 * Gives how much a dough warms by friction work alone.
 * Example: 9.6 kJ/kg warms a dough of 2.742 kJ/(kg K) by 3.501 K.
 */
export function riseFromFriction(
	work: SpecificEnergy,
	heatCapacity: SpecificHeat
): TemperatureDifference {
	return { kelvins: work.kilojoulesPerKilogram / heatCapacity.kilojoulesPerKilogramKelvin };
}

/** The friction work that a friction factor at `counted` temperatures stands for. */
export function workFromFrictionFactor(
	factor: TemperatureDifference,
	counted: number,
	heatCapacity: SpecificHeat
): SpecificEnergy {
	return {
		kilojoulesPerKilogram: (factor.kelvins / counted) * heatCapacity.kilojoulesPerKilogramKelvin
	};
}
