import type { DoughInstrument, MixProgram } from '../heat/index.ts';
import { takesOf, type MixerContent, type MixerTakes } from '../bakery/index.ts';
import { figuresOf, mixedShare, type ResolvedFormula } from '../formula/index.ts';
import {
	learnedFriction,
	learnedRise,
	type LearnedFriction,
	type MeasuredMix
} from '../learning/index.ts';
import type { Mix } from '../production/index.ts';
import { bowlWaterInput, type MomentTemperature, type WaterSupply } from './bowl-of-day.ts';
import { heatCapacityOfBowl, type PickedLiquid } from './bowl-parts.ts';
import { frictionHistory, isByHand, type FrictionRecipe } from './by-hand.ts';
import type { WaterOfMixInput } from './water-of-mix.ts';

/** What a formula says of its mixing. */
export interface MixRecipe extends FrictionRecipe {
	readonly targetCelsius: number;
}

export interface Mixer {
	readonly id: string;
	readonly name: string;
	readonly leastGrams: number;
	readonly mostGrams: number;
	/** It takes less of a stiff dough; null where that is not known to matter. */
	readonly stiff: MixerContent['stiff'];
	/** Heat that warms its bowl by a degree; 0 where nobody found out. */
	readonly bowlKilojoulesPerKelvin: number;
}

/** What of a mix its water follows from: a dough that others take is mixed as one too. */
export type MixedDough = Pick<Mix, 'lines'> & {
	readonly dough: Pick<Mix['dough'], 'value'>;
	readonly resolved: Pick<ResolvedFormula, 'final'>;
};

/** A mix of a date with its mixer, its friction and all that its water follows from. */
export interface MixOfDay {
	readonly recipe: MixRecipe;
	readonly mix: MixedDough;
	readonly mixer: Mixer | null;
	readonly fillShare: number;
	readonly friction: LearnedFriction;
	readonly input: WaterOfMixInput;
	readonly heatCapacity: number;
}

/** What is known when a mix is worked out. */
export interface MixKnowledge {
	readonly supply: WaterSupply;
	readonly mixers: readonly Mixer[];
	/** Heat that warms the tub in which hands mix by a degree; 0 where nobody found out. */
	readonly handBowlKilojoulesPerKelvin: number;
	readonly temperatures: readonly MomentTemperature[];
	/** The measured mixes of this dough, newest first, and of the others with the recipes they were mixed by. */
	readonly own: readonly MeasuredMix[];
	readonly others: readonly {
		readonly recipe: FrictionRecipe;
		readonly readings: readonly MeasuredMix[];
	}[];
	/**
	 * What the bowl was measured at before more went in: an autolyse after its rest, or without one all but the
	 * held-back water; null until then.
	 */
	readonly autolysed: {
		readonly celsius: number;
		readonly instrument: DoughInstrument;
		readonly occurredAtMs: number;
	} | null;
	/** The base its baker typed; null for none. */
	readonly typedBaseCelsius: number | null;
	/** The liquids its baker warms or cools; empty for what follows by itself. */
	readonly picked: readonly PickedLiquid[];
	readonly nowMs: number;
}

/** How a mix was done, where otherwise than planned. */
export interface MixedOtherwise {
	readonly mixerId: string | null;
	readonly program: MixProgram | null;
}

/**
 * Works out one mix: on which mixer, with which friction, and what its water follows from.
 *
 * Model: the mixer that is named, or the first that takes the dough, or none where it is mixed by hand; its friction as
 * it was learned there.
 * `sibling` is another mix of the same recipe that was worked out already; alike ones share their friction.
 * Range: any mix. Source: `learnedFriction`. Failures: none.
 * Example: of two mixers the one that takes 25 kg mixes 25 kg.
 */
export function mixOfDay(
	mix: MixedDough,
	recipe: MixRecipe,
	known: MixKnowledge,
	mixed: MixedOtherwise = { mixerId: null, program: null },
	sibling: MixOfDay | null = null
): MixOfDay {
	const { supply, mixers, temperatures, own, others, autolysed, typedBaseCelsius, picked, nowMs } =
		known;
	const { final } = mix.resolved;
	const mixer =
		mixed.mixerId === null && isByHand(recipe.steps) ? null : mixerOf(mixers, mix, mixed.mixerId);
	const inBowl = mix.dough.value * mixedShare(final);
	const fillShare = mixer ? inBowl / takenOf(mixer, mix).mostGrams : 1;
	const history = frictionHistory(recipe, own, others);
	const { book } = history.own;
	const done = { program: mixed.program ?? book.program, fill: fillShare };
	const alike =
		sibling !== null &&
		sibling.recipe === recipe &&
		sibling.mixer === mixer &&
		sibling.fillShare === fillShare &&
		!mixed.program;
	const friction = alike
		? sibling.friction
		: learnedFriction(history.own, history.others, mixer?.id ?? null, done);
	const inBowlCapacity = heatCapacityOfBowl(final);
	const riseBy = (rule: 'factor-rule' | 'base-temperature') =>
		learnedRise(rule, friction.work, inBowlCapacity, own, mixer?.id ?? null);
	const input = bowlWaterInput(
		{
			lines: mix.lines,
			stage: final,
			steps: recipe.steps,
			bowlKilojoulesPerKelvin: mixer?.bowlKilojoulesPerKelvin ?? known.handBowlKilojoulesPerKelvin,
			targetCelsius: recipe.targetCelsius,
			picked
		},
		supply,
		temperatures,
		friction,
		autolysed
			? {
					temperature: { celsius: autolysed.celsius },
					source: {
						kind: 'measured',
						epochMs: autolysed.occurredAtMs,
						instrument: autolysed.instrument
					}
				}
			: null,
		{
			factorRise: riseBy('factor-rule'),
			baseRise: riseBy('base-temperature'),
			typedBase: typedBaseCelsius === null ? null : { celsius: typedBaseCelsius }
		},
		nowMs
	);
	const heatCapacity = inBowlCapacity.kilojoulesPerKilogramKelvin;
	return { recipe, mix, mixer, fillShare, friction, input, heatCapacity };
}

/** What a mixer takes of the dough of a mix. */
function takenOf(mixer: Mixer, mix: MixedDough): MixerTakes {
	const water = mixer.stiff === null ? null : figuresOf(mix.resolved).effectiveHydration;
	return takesOf(mixer, water);
}

/** The mixer that was named, or the first that takes the dough. */
function mixerOf(mixers: readonly Mixer[], mix: MixedDough, mixerId: string | null): Mixer | null {
	const grams = mix.dough.value * mixedShare(mix.resolved.final);
	return (
		mixers.find((mixer) => mixer.id === mixerId) ??
		mixers.find((mixer) => {
			const { leastGrams, mostGrams } = takenOf(mixer, mix);
			return grams >= leastGrams && grams <= mostGrams;
		}) ??
		mixers[0] ??
		null
	);
}
