import { given, worked, type Explained, type Source } from '../explain/index.ts';
import type {
	SpecificEnergy,
	SpecificHeat,
	Temperature,
	TemperatureDifference
} from '../units/index.ts';

/** A temperature with where it comes from. */
export interface SourcedTemperature {
	readonly temperature: Temperature;
	readonly source: Source;
}

/** What the factor rule needs. */
export interface FactorRuleInput {
	readonly target: Temperature;
	readonly flour: SourcedTemperature;
	readonly room: SourcedTemperature;
	/** What counts beside water, flour and room: the pre-ferment where there is one, and the soaker where the baker counts it. */
	readonly counted: readonly (SourcedTemperature & { readonly name: string })[];
	readonly friction: {
		readonly work: SpecificEnergy;
		readonly heatCapacity: SpecificHeat;
		readonly source: Source;
	};
	/** How far the dough comes out above the mean of what counts, as this baker's own doughs showed; null until they did. */
	readonly rise: LearnedRise | null;
}

/** A rise that a school learned from its own doughs. */
export interface LearnedRise {
	readonly difference: TemperatureDifference;
	readonly source: Source;
}

/** How many temperatures the rule counts: water, flour, room, and what counts beside them. */
export function countedTemperatures(input: Pick<FactorRuleInput, 'counted'>): number {
	return 3 + input.counted.length;
}

/**
 * Gives the water temperature that lands a dough on its target, by the factor rule, with its
 * arithmetic.
 *
 * Model: T_water = n x DDT - (sum of the other temperatures) - F, with F = n x friction work / heat
 * capacity of the dough until the baker's own doughs showed the rise by the rule itself. All parts weigh alike; the heat balance differs when a pre-ferment is small.
 * Range: any finite temperatures; a result below 0 degrees stands for ice and is not an error.
 * Source: domain arithmetic (factor rule). Failures: none.
 * Example: DDT 25, flour 19, room 23, levain 24, F 14 at n = 4 give 20.0 degrees.
 */
export function waterByFactorRule(input: FactorRuleInput): Explained {
	const n = countedTemperatures(input);
	const others: Explained[] = [
		sourced('flour-temperature', input.flour),
		sourced('room-temperature', input.room)
	];
	for (const part of input.counted) others.push(sourced('preferment-temperature', part, part.name));
	others.push(frictionFactor(n, input.friction, input.rise));
	return worked({ key: 'water-temperature' }, '°C', 'difference', [
		worked({ key: 'grouped' }, '°C', 'product', [
			given({ key: 'temperatures-counted' }, n, '1', { kind: 'constant', source: 'factor-rule' }),
			given({ key: 'target-dough' }, input.target.celsius, '°C', { kind: 'formula' })
		]),
		worked({ key: 'grouped' }, '°C', 'sum', others)
	]);
}

/**
 * The friction factor at n counted temperatures: n times the rise that was learned, or worked from the friction work.
 * An F learned at one n is never carried over to another: what is learned is the rise.
 */
export function frictionFactor(
	n: number,
	friction: FactorRuleInput['friction'],
	rise: LearnedRise | null
): Explained {
	if (rise)
		return worked({ key: 'friction-factor' }, 'K', 'product', [
			given({ key: 'temperatures-counted' }, n, '1', { kind: 'constant', source: 'factor-rule' }),
			given({ key: 'learned-rise' }, rise.difference.kelvins, 'K', rise.source)
		]);
	return worked({ key: 'friction-factor' }, 'K', 'quotient', [
		worked({ key: 'grouped' }, 'kJ/kg', 'product', [
			given({ key: 'temperatures-counted' }, n, '1', { kind: 'constant', source: 'factor-rule' }),
			given({ key: 'friction-work' }, friction.work.kilojoulesPerKilogram, 'kJ/kg', friction.source)
		]),
		given(
			{ key: 'dough-heat-capacity' },
			friction.heatCapacity.kilojoulesPerKilogramKelvin,
			'kJ/(kg K)',
			{ kind: 'formula' }
		)
	]);
}

function sourced(
	key: 'flour-temperature' | 'room-temperature' | 'preferment-temperature',
	one: SourcedTemperature,
	of?: string
): Explained {
	return given(of === undefined ? { key } : { key, of }, one.temperature.celsius, '°C', one.source);
}

/**
 * Gives the friction factor that a measured dough temperature reveals.
 * Model: the factor rule solved for F. Example: dough 26.2 with water at 20.0, flour 19, room 23 and
 * levain 24 reveals F = 18.8 at n = 4.
 */
export function observedFrictionFactor(
	dough: Temperature,
	water: Temperature,
	others: readonly Temperature[]
): TemperatureDifference {
	const n = others.length + 1;
	const sum = others.reduce((total, other) => total + other.celsius, water.celsius);
	return { kelvins: n * dough.celsius - sum };
}

/** By how much the dough misses its target when its water misses its temperature, by the factor rule. */
export function doughMiss(
	waterMiss: TemperatureDifference,
	counted: number
): TemperatureDifference {
	return { kelvins: waterMiss.kelvins / counted };
}
