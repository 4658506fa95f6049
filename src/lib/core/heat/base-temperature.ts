import { given, worked, type Explained } from '../explain/index.ts';
import type { Temperature } from '../units/index.ts';
import { frictionFactor, type FactorRuleInput } from './factor-rule.ts';

/** What the base-temperature school needs; it never counts a pre-ferment. */
export type BaseTemperatureInput = Omit<FactorRuleInput, 'counted'> & {
	/** The base that the baker typed; null where it follows from the doughs. */
	readonly typed: Temperature | null;
};

/** How many temperatures a base is the sum of: water, flour and room. */
const COUNTED = 3;

/**
 * Gives the base temperature of a dough: the sum that water, flour and room have to come to.
 *
 * Model: base = 3 x DDT - F at n = 3, one figure per dough and mixer, or the one the baker typed. It is a sum of three readings and no
 * temperature: in degrees Fahrenheit it is 1.8 x base + 96.
 * Range: any finite temperatures. Source: domain arithmetic (base temperature). Failures: none.
 * Example: DDT 25 with a friction of 3.5 degrees of dough has a base of 64.5.
 */
export function baseTemperature(
	input: Pick<BaseTemperatureInput, 'target' | 'friction' | 'rise' | 'typed'>
): Explained {
	if (input.typed)
		return given({ key: 'base-temperature' }, input.typed.celsius, '°C', { kind: 'bakery' });
	return worked({ key: 'base-temperature' }, '°C', 'difference', [
		worked({ key: 'grouped' }, '°C', 'product', [
			given({ key: 'temperatures-counted' }, COUNTED, '1', {
				kind: 'constant',
				source: 'base-temperature'
			}),
			given({ key: 'target-dough' }, input.target.celsius, '°C', { kind: 'formula' })
		]),
		frictionFactor(COUNTED, input.friction, input.rise)
	]);
}

/** The water temperature by the base: base - flour - room. */
export function waterByBaseTemperature(input: BaseTemperatureInput): Explained {
	return worked({ key: 'water-temperature' }, '°C', 'difference', [
		baseTemperature(input),
		given({ key: 'flour-temperature' }, input.flour.temperature.celsius, '°C', input.flour.source),
		given({ key: 'room-temperature' }, input.room.temperature.celsius, '°C', input.room.source)
	]);
}

/** The base that a bakery in degrees Fahrenheit reads as so much. Example: 212.1 is 64.5. */
export function baseFromFahrenheit(base: number): number {
	return (base - 96) / 1.8;
}

/** A base as a bakery in degrees Fahrenheit reads it: the sum of three readings, 1.8 x base + 96. */
export function baseInFahrenheit(baseCelsius: number): number {
	return 1.8 * baseCelsius + 96;
}
