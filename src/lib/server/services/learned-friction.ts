import type { FrictionView } from '../../contracts/views.ts';
import type { Source } from '../../core/explain/index.ts';
import { estimate } from '../../core/learning/index.ts';
import type { SpecificEnergy } from '../../core/units/index.ts';
import type { DoughTemperatureRow } from '../db/dough-temperatures.ts';

/** How far the friction of a formula's book may be off, as a share of it (our default). */
const PRIOR_SHARE = 0.3;
/** How far a reading's friction lies from the truth in kJ/kg, by instrument (our defaults). */
const SPREAD = { typed: 1.1, 'core-probe': 0.9, 'surface-thermometer': 3 } as const;

export interface LearnedFriction {
	readonly work: SpecificEnergy;
	readonly source: Source;
	readonly view: FrictionView;
}

/** The friction of a formula from its book and what was measured since, newest readings first. */
export function learnedFriction(
	bookKilojoulesPerKilogram: number,
	readings: readonly DoughTemperatureRow[]
): LearnedFriction {
	const counted = readings.filter((one) => !one.ignored);
	const belief = estimate(
		{
			mean: bookKilojoulesPerKilogram,
			spread: Math.max(0.5, bookKilojoulesPerKilogram * PRIOR_SHARE)
		},
		counted.map((one) => ({
			id: one.id,
			value: one.frictionKilojoulesPerKilogram,
			spread: SPREAD[one.instrument]
		}))
	);
	const learned = belief.used.length > 0;
	return {
		work: { kilojoulesPerKilogram: learned ? belief.mean : bookKilojoulesPerKilogram },
		source: learned ? { kind: 'learned' } : { kind: 'assumed' },
		view: {
			kilojoulesPerKilogram: belief.mean,
			spreadKilojoulesPerKilogram: belief.spread,
			bookKilojoulesPerKilogram,
			used: belief.used.length,
			readings: readings.map((one) => ({ ...one, leftOut: belief.leftOut.includes(one.id) }))
		}
	};
}
