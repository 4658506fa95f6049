import { THERMOMETER_KELVINS, type LearnedRise } from '../heat/index.ts';
import type { SpecificEnergy, SpecificHeat } from '../units/index.ts';
import { centreOf } from './estimate.ts';
import type { MeasuredMix } from './observed.ts';

/** How far a rule may be off from the friction of the dough, in kelvins of dough: it weighs all parts alike (our default). */
const RULE_MAY_BE_OFF_BY = 1.5;
/** How far the rise of one night lies from another's, in kelvins: the rule does not see what changed (our default). */
const BETWEEN_NIGHTS = 0.6;

/**
 * Gives how far a dough comes out above the mean of what a rule counts, as its own doughs on this mixer showed.
 *
 * Model: the friction's rise as the prior, and what the rule itself reads from each measured dough; wild readings weigh
 * next to nothing. It is no physical figure: what a rule leaves out is in it.
 * Range: readings in any order. Source: our defaults. Failures: null while none of its doughs was measured so.
 * Example: doughs that came out 4.5 above the mean of water, flour, room and levain teach a rise near 4.5, which is a
 * factor of 18 at four counted temperatures.
 */
export function learnedRise(
	rule: 'factor-rule' | 'base-temperature',
	work: SpecificEnergy,
	heatCapacity: SpecificHeat,
	readings: readonly MeasuredMix[],
	mixerId: string | null
): LearnedRise | null {
	const observed = readings.flatMap(({ id, ignored, instrument, schools, mixerId: on }) =>
		ignored || !schools || (on !== null && on !== mixerId)
			? []
			: [
					{
						id,
						value: schools.risesKelvins[rule],
						spread: Math.hypot(BETWEEN_NIGHTS, THERMOMETER_KELVINS[instrument])
					}
				]
	);
	if (observed.length === 0) return null;
	const prior = {
		mean: work.kilojoulesPerKilogram / heatCapacity.kilojoulesPerKilogramKelvin,
		spread: RULE_MAY_BE_OFF_BY
	};
	return {
		difference: { kelvins: centreOf(prior, observed).mean },
		source: { kind: 'learned' }
	};
}
