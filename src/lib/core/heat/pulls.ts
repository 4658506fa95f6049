import type { TemperatureDifference } from '../units/index.ts';
import { kilojoulesPerKelvinOf, type HeatBalanceInput } from './heat-balance.ts';

/** What one thing does to a dough, in degrees of dough against its target: warmer is positive. */
export interface Pull {
	/** The name of a part, or what it is. */
	readonly of:
		{ readonly kind: 'part'; readonly name: string } | { readonly kind: 'bowl' | 'friction' };
	readonly by: TemperatureDifference;
}

/**
 * Gives what pulls a dough off its target before its water sets it right, in degrees of dough, strongest first.
 *
 * Model: the balance of heat: m c (T - target) of each part and of the bowl, and the friction, over all that is warmed.
 * The water has to pull as much the other way. Range: as `waterByHeatBalance`. Source: choi-okos-1986 for mixtures.
 * Failures: none. Example: 10 kg of flour 5 degrees below the target of a dough that takes 43 kJ for a degree pulls it
 * down by 2.0.
 */
export function pullsOf(input: HeatBalanceInput): readonly Pull[] {
	const parts = input.parts.map(({ name, mass, heatCapacity, temperature }) => ({
		of: { kind: 'part' as const, name },
		capacity: (mass.grams / 1000) * heatCapacity.kilojoulesPerKilogramKelvin,
		kelvins: temperature.temperature.celsius - input.target.celsius
	}));
	const bowl = input.bowl
		? [
				{
					of: { kind: 'bowl' as const },
					capacity: input.bowl.kilojoulesPerKelvin,
					kelvins: input.bowl.temperature.temperature.celsius - input.target.celsius
				}
			]
		: [];
	const all = [...parts, ...bowl];
	const whole = all.reduce((total, { capacity }) => total + capacity, kilojoulesPerKelvinOf(input));
	const grams = input.parts.reduce((total, part) => total + part.mass.grams, input.water.grams);
	const friction = (input.friction.work.kilojoulesPerKilogram * grams) / 1000 / whole;
	// What goes in at two moments under one name is one thing to a baker.
	const byName = new Map<string, Pull>();
	for (const { of, capacity, kelvins } of all) {
		const key = of.kind === 'part' ? `part ${of.name}` : of.kind;
		const by = (byName.get(key)?.by.kelvins ?? 0) + (capacity * kelvins) / whole;
		byName.set(key, { of, by: { kelvins: by } });
	}
	return [
		...byName.values(),
		{ of: { kind: 'friction' as const }, by: { kelvins: friction } }
	].sort((a, b) => Math.abs(b.by.kelvins) - Math.abs(a.by.kelvins));
}
