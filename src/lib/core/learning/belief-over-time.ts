import type { DoughInstrument, MixDone } from '../heat/index.ts';
import { learnedFriction, type MeasuredDough } from './learned-friction.ts';

/** What was believed of a dough's friction after one of its mixes was measured. */
export interface BeliefThen {
	readonly id: string;
	readonly occurredAtMs: number;
	readonly mixerId: string | null;
	readonly doughCelsius: number;
	readonly targetCelsius: number;
	readonly instrument: DoughInstrument;
	readonly counted: boolean;
	/** The friction it revealed, as degrees of this dough. */
	readonly frictionKelvins: number;
	readonly believed: { readonly kelvins: number; readonly low: number; readonly high: number };
}

/**
 * Gives what was believed after each measured mix, as it would have been told then.
 * Range: a heat capacity above 0, in kJ/(kg K); readings newest first. Source: `learnedFriction`. Failures: none.
 * Example: the band after the last mix is narrower than that after the first.
 */
export function beliefOverTime(
	own: MeasuredDough,
	others: readonly MeasuredDough[],
	mixerId: string | null,
	done: MixDone,
	heatCapacity: number
): readonly BeliefThen[] {
	const { readings } = learnedFriction(own, others, mixerId, done).figures;
	const oldestFirst = [...readings].reverse();
	const asDough = (kilojoules: number) => kilojoules / heatCapacity;
	return oldestFirst.map((reading, index) => {
		const sofar = new Set(oldestFirst.slice(0, index + 1).map((each) => each.id));
		const then = { ...own, readings: own.readings.filter((each) => sofar.has(each.id)) };
		const before = others.map((other) => ({
			...other,
			readings: other.readings.filter((each) => each.occurredAtMs <= reading.occurredAtMs)
		}));
		const { figures } = learnedFriction(then, before, mixerId, done);
		return {
			id: reading.id,
			occurredAtMs: reading.occurredAtMs,
			mixerId: reading.mixerId,
			doughCelsius: reading.doughCelsius,
			targetCelsius: reading.targetCelsius,
			instrument: reading.instrument,
			counted: !reading.ignored && !reading.leftOut,
			frictionKelvins: asDough(reading.frictionKilojoulesPerKilogram),
			believed: {
				kelvins: asDough(figures.kilojoulesPerKilogram),
				low: asDough(figures.bandKilojoulesPerKilogram.low),
				high: asDough(figures.bandKilojoulesPerKilogram.high)
			}
		};
	});
}
