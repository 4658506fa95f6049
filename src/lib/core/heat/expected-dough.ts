import { given, worked, type Explained, type Source } from '../explain/index.ts';
import type { TemperatureDifference } from '../units/index.ts';
import type { SourcedTemperature } from './factor-rule.ts';
import { kilojoulesPerKelvinOf, liquidCapacity, type HeatBalanceInput } from './heat-balance.ts';

const FORMULA: Source = { kind: 'formula' };

/** How far a temperature may be from what it is said to be, as a standard deviation in kelvins (our defaults). */
const ASSUMED_KELVINS = 2;
const MEASURED_KELVINS = 0.3;
const SURFACE_KELVINS = 1;
/** A place keeps what its thermostat is set to within this. */
const SET_KELVINS = 1;
/** A measured temperature is worth less with every hour, down to an assumed one. */
const KELVINS_PER_HOUR = 0.5;

/**
 * Gives the temperature a dough is expected to come out of the mixer with, with its arithmetic.
 *
 * Model: the heat of all that goes in, counted from 0 degrees, with the bowl and the friction, over what
 * warms all of it by a degree. Range: water above 0 g; water below 0 degrees stands for ice.
 * Source: choi-okos-1986 for mixtures, tabulated. Failures: none.
 * Example: the dough of the worked figures with water at 22.724 degrees is expected at 25.0.
 */
export function expectedDough(
	input: Omit<HeatBalanceInput, 'target'>,
	water: SourcedTemperature
): Explained {
	const capacities: Explained[] = [];
	const heats: Explained[] = [];
	const put = (of: string, capacity: Explained, { temperature, source }: SourcedTemperature) => {
		capacities.push(capacity);
		heats.push(
			worked({ key: 'heat-in', of }, 'kJ', 'product', [
				capacity,
				given({ key: 'temperature-of', of }, temperature.celsius, '°C', source)
			])
		);
	};
	for (const { name, mass, heatCapacity, temperature } of input.parts)
		put(
			name,
			capacityOf(
				name,
				mass.grams / 1000,
				given(
					{ key: 'heat-capacity-of', of: name },
					heatCapacity.kilojoulesPerKilogramKelvin,
					'kJ/(kg K)',
					FORMULA
				)
			),
			temperature
		);
	const { name } = input.liquid;
	put(name, capacityOf(name, input.water.grams / 1000, liquidCapacity(input.liquid)), water);
	if (input.bowl)
		put(
			'bowl',
			given({ key: 'heat-capacity-of', of: 'bowl' }, input.bowl.kilojoulesPerKelvin, 'kJ/K', {
				kind: 'bakery'
			}),
			input.bowl.temperature
		);
	heats.push(
		worked({ key: 'friction-heat' }, 'kJ', 'product', [
			given(
				{ key: 'friction-work' },
				input.friction.work.kilojoulesPerKilogram,
				'kJ/kg',
				input.friction.source
			),
			given({ key: 'dough-mass' }, kilogramsOf(input), 'kg', FORMULA)
		])
	);
	return worked({ key: 'expected-dough' }, '°C', 'quotient', [
		worked({ key: 'heat-brought' }, 'kJ', 'sum', heats),
		worked({ key: 'heat-per-degree' }, 'kJ/K', 'sum', capacities)
	]);
}

/**
 * Gives how far the dough may come out from what is expected, as a standard deviation in degrees of dough.
 *
 * Model: each temperature is off by its own spread (measured 0.3 K, growing by 0.5 K an hour; a surface 1 K;
 * assumed 2 K), weighed by its share of the heat; the friction by what is known of it; all independent.
 * Range: as `expectedDough`; `nowMs` on the clock of the readings. Source: our default. Failures: none.
 * Example: with nothing measured but the water, a levain dough is told to about 1 K.
 */
export function doughSpread(
	input: Omit<HeatBalanceInput, 'target'>,
	water: SourcedTemperature,
	frictionSpreadKilojoulesPerKilogram: number,
	nowMs: number
): TemperatureDifference {
	const parts = [
		...input.parts.map((part) => ({
			capacity: (part.mass.grams / 1000) * part.heatCapacity.kilojoulesPerKilogramKelvin,
			source: part.temperature.source
		})),
		{ capacity: kilojoulesPerKelvinOf(input), source: water.source },
		...(input.bowl
			? [
					{
						capacity: input.bowl.kilojoulesPerKelvin,
						source: input.bowl.temperature.source
					}
				]
			: [])
	];
	const whole = parts.reduce((total, part) => total + part.capacity, 0);
	const friction = (frictionSpreadKilojoulesPerKilogram * kilogramsOf(input)) / whole;
	const variance = parts.reduce(
		(total, part) => total + ((part.capacity / whole) * spreadOf(part.source, nowMs)) ** 2,
		friction ** 2
	);
	return { kelvins: Math.sqrt(variance) };
}

function spreadOf(source: Source, nowMs: number): number {
	switch (source.kind) {
		case 'measured': {
			const hours = Math.max(0, (nowMs - source.epochMs) / 3_600_000);
			const fresh =
				source.instrument === 'surface-thermometer' ? SURFACE_KELVINS : MEASURED_KELVINS;
			return Math.min(ASSUMED_KELVINS, Math.hypot(fresh, KELVINS_PER_HOUR * hours));
		}
		case 'assumed':
			return ASSUMED_KELVINS;
		case 'set':
			return SET_KELVINS;
		case 'forecast':
			return source.spreadKelvins;
		default:
			return MEASURED_KELVINS;
	}
}

function capacityOf(of: string, kilograms: number, perKilogram: Explained): Explained {
	return worked({ key: 'heat-capacity-of', of }, 'kJ/K', 'product', [
		given({ key: 'mass-of', of }, kilograms, 'kg', FORMULA),
		perKilogram
	]);
}

function kilogramsOf({ parts, water }: Pick<HeatBalanceInput, 'parts' | 'water'>): number {
	return (water.grams + parts.reduce((total, part) => total + part.mass.grams, 0)) / 1000;
}
