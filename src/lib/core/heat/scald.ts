import { given, worked, type Explained } from '../explain/index.ts';
import type { Mass, Temperature } from '../units/index.ts';
import { heatToBring, liquidCapacity, type HeatPart, type Liquid } from './heat-balance.ts';

/** Water boils at this at sea level, and milk close to it; every 300 m of height take a degree (tabulated). */
export const BOILING: Temperature = { celsius: 100 };

/** Grain with the hot liquid that is poured onto it. */
export interface ScaldInput {
	readonly parts: readonly HeatPart[];
	readonly liquid: Liquid;
	/** Above 0. */
	readonly mass: Mass;
}

const FORMULA = { kind: 'formula' } as const;

/**
 * Gives the temperature at which a scald ends that its liquid is poured onto so hot.
 *
 * Model: the heat of all that goes in over what warms all of it by a degree. The tub and the air take more: it is the
 * most that can be expected. Range: any temperatures. Source: choi-okos-1986 for mixtures, tabulated. Failures: none.
 * Example: 20 kg of boiling water on 10 kg of meal at 20 degrees end at 86.1.
 */
export function scaldEnds({ parts, liquid, mass }: ScaldInput, poured: Temperature): Explained {
	const all = [
		...parts.map(({ name, mass, heatCapacity, temperature }) => ({
			name,
			mass,
			capacity: given(
				{ key: 'heat-capacity-of', of: name },
				heatCapacity.kilojoulesPerKilogramKelvin,
				'kJ/(kg K)',
				FORMULA
			),
			temperature
		})),
		{
			name: liquid.name,
			mass,
			capacity: liquidCapacity(liquid),
			temperature: {
				temperature: poured,
				source: { kind: 'constant', source: 'tabulated' } as const
			}
		}
	].map(({ name: of, mass, capacity, temperature: { temperature, source } }) => ({
		warming: worked({ key: 'heat-capacity-of', of }, 'kJ/K', 'product', [
			given({ key: 'mass-of', of }, mass.grams / 1000, 'kg', FORMULA),
			capacity
		]),
		temperature: given({ key: 'temperature-of', of }, temperature.celsius, '°C', source)
	}));
	return worked({ key: 'scald-ends' }, '°C', 'quotient', [
		worked(
			{ key: 'heat-brought' },
			'kJ',
			'sum',
			all.map(({ warming, temperature }) =>
				worked({ key: 'grouped' }, 'kJ', 'product', [warming, temperature])
			)
		),
		worked(
			{ key: 'heat-per-degree' },
			'kJ/K',
			'sum',
			all.map(({ warming }) => warming)
		)
	]);
}

/**
 * Gives how hot the liquid of a scald is to be poured for it to end at a temperature.
 *
 * Model and source: as `scaldEnds`. Range: above the boil it stands for a scald that pouring alone does not make.
 * Failures: none. Example: 20 kg of water on 10 kg of meal at 20 degrees are poured at 74.5 to end at 65.
 */
export function scaldPoured({ parts, liquid, mass }: ScaldInput, ends: Temperature): Explained {
	const target = given({ key: 'scald-ends' }, ends.celsius, '°C', FORMULA);
	return worked({ key: 'scald-poured' }, '°C', 'sum', [
		target,
		worked({ key: 'grouped' }, 'K', 'quotient', [
			worked({ key: 'grouped' }, 'kJ', 'sum', heatToBring({ parts, bowl: null }, target)),
			worked({ key: 'grouped' }, 'kJ/K', 'product', [
				given({ key: 'mass-of', of: liquid.name }, mass.grams / 1000, 'kg', FORMULA),
				liquidCapacity(liquid)
			])
		])
	]);
}
