import type { Explained } from '../explain/index.ts';
import { BOILING, scaldEnds, scaldPoured } from '../heat/index.ts';
import type { Temperature } from '../units/index.ts';
import { bowlParts, pouredOf, type Bowl, type BowlTemperatures } from './bowl-parts.ts';

/** A scald: what its liquid does to it. */
export interface ScaldOfBowl {
	readonly liquid: string;
	readonly liquidGrams: number;
	/** Where it ends when its liquid boils. */
	readonly boiledEnds: Explained;
	/** How hot its liquid is poured for what its recipe wants; null for one that wants nothing. */
	readonly poured: Explained | null;
}

/**
 * Gives what a scald comes to: so much boiling liquid onto so much grain, and how hot to pour it for what is wanted.
 * Range: all its liquid is poured at one temperature. Source: as `scaldEnds`. Failures: null for a scald without any
 * liquid. Example: 20 kg of boiling water on 10 kg of meal end at 86 degrees; for 65 it is poured at 74.5.
 */
export function scaldOfBowl(
	bowl: Omit<Bowl, 'picked'>,
	at: BowlTemperatures,
	wanted: Temperature | null
): ScaldOfBowl | null {
	const whole = { ...bowl, picked: [] };
	const all = pouredOf(whole).map(({ line, ingredient }) => ({
		ingredientId: ingredient.id,
		addition: line.addition
	}));
	const found = bowlParts({ ...bowl, picked: all }, at);
	if (!found) return null;
	const mass = {
		grams: found.liquidLines.reduce((total, { weighing }) => total + weighing.weighed.grams, 0)
	};
	const input = {
		parts: found.parts.map(({ line: _, ...part }) => part),
		liquid: found.liquid,
		mass
	};
	return {
		liquid: found.liquid.name,
		liquidGrams: mass.grams,
		boiledEnds: scaldEnds(input, BOILING),
		poured: wanted && scaldPoured(input, wanted)
	};
}
