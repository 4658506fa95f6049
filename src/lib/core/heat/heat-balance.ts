import { given, worked, type Explained, type Source } from '../explain/index.ts';
import type { Mass, SpecificEnergy, SpecificHeat, Temperature } from '../units/index.ts';
import { WATER_HEAT_CAPACITY } from './constants.ts';
import type { SourcedTemperature } from './factor-rule.ts';

/** One thing that goes into the bowl beside the water. */
export interface HeatPart {
	readonly name: string;
	readonly mass: Mass;
	readonly heatCapacity: SpecificHeat;
	readonly temperature: SourcedTemperature;
}

/** What the temperature is found for: water, or the milk of a dough that takes none. */
export interface Liquid {
	readonly name: string;
	readonly heatCapacity: SpecificHeat;
}

export const WATER: Liquid = {
	name: 'water',
	heatCapacity: { kilojoulesPerKilogramKelvin: WATER_HEAT_CAPACITY }
};

export interface HeatBalanceInput {
	readonly target: Temperature;
	readonly parts: readonly HeatPart[];
	/** The bowl takes its share of the heat; null where it stands at the dough's own temperature. */
	readonly bowl: {
		readonly kilojoulesPerKelvin: number;
		readonly temperature: SourcedTemperature;
	} | null;
	/** The water (or other liquid) that is solved for; above 0. */
	readonly water: Mass;
	readonly liquid: Liquid;
	readonly friction: { readonly work: SpecificEnergy; readonly source: Source };
}

const CONSTANT: Source = { kind: 'constant', source: 'tabulated' };
const FORMULA: Source = { kind: 'formula' };

/**
 * Gives the water temperature that lands a dough on its target, by the balance of heat.
 *
 * Model: sum of m c (DDT - T) over all that goes in, with the bowl, less the friction work of the whole
 * dough, is what the water brings: T_water = DDT + that / (m c of the water). Exchange with the room during
 * the mix is not counted.
 * Range: water above 0 g, any finite temperatures; a result below 0 degrees stands for ice.
 * Source: choi-okos-1986 for mixtures, tabulated. Failures: none; water of 0 g is a bug of the caller and
 * throws.
 * Example: the 34.22 kg of the worked figures ask for water at 22.724 degrees.
 */
export function waterByHeatBalance(input: HeatBalanceInput): Explained {
	if (!(input.water.grams > 0)) throw new RangeError('there is no water to find a temperature for');
	const target = given({ key: 'target-dough' }, input.target.celsius, '°C', FORMULA);
	return worked({ key: 'water-temperature' }, '°C', 'sum', [
		target,
		worked({ key: 'grouped' }, 'K', 'quotient', [
			worked({ key: 'grouped' }, 'kJ', 'difference', [
				worked({ key: 'grouped' }, 'kJ', 'sum', heatToBring(input, target)),
				worked({ key: 'friction-heat' }, 'kJ', 'product', [
					given(
						{ key: 'friction-work' },
						input.friction.work.kilojoulesPerKilogram,
						'kJ/kg',
						input.friction.source
					),
					given({ key: 'dough-mass' }, doughKilograms(input), 'kg', FORMULA)
				])
			]),
			worked({ key: 'grouped' }, 'kJ/K', 'product', [
				given({ key: 'water-mass' }, input.water.grams / 1000, 'kg', FORMULA),
				liquidCapacity(input.liquid)
			])
		])
	]);
}

/**
 * Gives the friction work that a measured dough temperature reveals, in kJ per kg of dough.
 *
 * Model: the balance of heat solved for the work, with the water as warm as it went in (ice counts as the
 * water it stands for). Range, source and failures: as `waterByHeatBalance`.
 * Example: the dough of the worked figures with water at 22.724 that comes out at 25 reveals 9.6.
 */
export function frictionRevealed(
	input: Omit<HeatBalanceInput, 'target' | 'friction'>,
	dough: SourcedTemperature,
	water: Temperature
): Explained {
	const measured = given(
		{ key: 'dough-temperature' },
		dough.temperature.celsius,
		'°C',
		dough.source
	);
	const waterPart: HeatPart = {
		name: input.liquid.name,
		mass: input.water,
		heatCapacity: input.liquid.heatCapacity,
		temperature: { temperature: water, source: { kind: 'bakery' } }
	};
	const all = { ...input, parts: [...input.parts, waterPart] };
	return worked({ key: 'friction-work' }, 'kJ/kg', 'quotient', [
		worked({ key: 'grouped' }, 'kJ', 'sum', heatToBring(all, measured)),
		given({ key: 'dough-mass' }, doughKilograms(input), 'kg', FORMULA)
	]);
}

/** By how many degrees of water the dough changes by one: the dough's and the bowl's heat over the water's. */
export function waterDegreesPerDough(input: HeatBalanceInput): number {
	const water = kilojoulesPerKelvinOf(input);
	const parts = input.parts.reduce(
		(total, part) =>
			total + (part.mass.grams / 1000) * part.heatCapacity.kilojoulesPerKilogramKelvin,
		0
	);
	return (parts + (input.bowl?.kilojoulesPerKelvin ?? 0) + water) / water;
}

/** The heat that warms the liquid by a degree. */
export function kilojoulesPerKelvinOf({
	water,
	liquid
}: Pick<HeatBalanceInput, 'water' | 'liquid'>): number {
	return (water.grams / 1000) * liquid.heatCapacity.kilojoulesPerKilogramKelvin;
}

/** The heat capacity of the liquid as an explanation names it. */
export function liquidCapacity({ name, heatCapacity }: Liquid): Explained {
	const { kilojoulesPerKilogramKelvin } = heatCapacity;
	return name === WATER.name
		? given({ key: 'water-heat-capacity' }, kilojoulesPerKilogramKelvin, 'kJ/(kg K)', CONSTANT)
		: given({ key: 'heat-capacity-of', of: name }, kilojoulesPerKilogramKelvin, 'kJ/(kg K)', {
				kind: 'formula'
			});
}

/** The heat that brings each part, and the bowl, to a dough; the sum of these is what the liquid has to give. */
export function heatToBring(
	input: Pick<HeatBalanceInput, 'parts' | 'bowl'>,
	dough: Explained
): readonly Explained[] {
	const parts = input.parts.map(({ name: of, mass, heatCapacity, temperature }) =>
		worked({ key: 'heat-of', of }, 'kJ', 'product', [
			given({ key: 'mass-of', of }, mass.grams / 1000, 'kg', FORMULA),
			given(
				{ key: 'heat-capacity-of', of },
				heatCapacity.kilojoulesPerKilogramKelvin,
				'kJ/(kg K)',
				FORMULA
			),
			risen(dough, temperature, of)
		])
	);
	if (!input.bowl) return parts;
	const { kilojoulesPerKelvin, temperature } = input.bowl;
	return [
		...parts,
		worked({ key: 'heat-of', of: 'bowl' }, 'kJ', 'product', [
			given({ key: 'heat-capacity-of', of: 'bowl' }, kilojoulesPerKelvin, 'kJ/K', {
				kind: 'bakery'
			}),
			risen(dough, temperature, 'bowl')
		])
	];
}

function risen(
	dough: Explained,
	{ temperature, source }: SourcedTemperature,
	of: string
): Explained {
	return worked({ key: 'grouped' }, 'K', 'difference', [
		dough,
		given({ key: 'temperature-of', of }, temperature.celsius, '°C', source)
	]);
}

function doughKilograms({ parts, water }: Pick<HeatBalanceInput, 'parts' | 'water'>): number {
	return (water.grams + parts.reduce((total, part) => total + part.mass.grams, 0)) / 1000;
}
