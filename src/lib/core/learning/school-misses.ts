import type { WaterSchool } from '../heat/index.ts';
import type { MeasuredMix } from './observed.ts';

/** By how much each school would have missed a past mix, had its water gone in. */
export interface SchoolMiss {
	readonly id: string;
	readonly occurredAtMs: number;
	readonly roomCelsius: number;
	/** In kelvins of dough; warmer than its target is positive. */
	readonly kelvins: Readonly<Record<WaterSchool, number>>;
}

/** Several misses as one figure for each school. */
export interface MissOfSchools {
	readonly mixes: number;
	/** The mean size of the misses, in kelvins of dough. */
	readonly kelvins: Readonly<Record<WaterSchool, number>>;
}

/** A night is a hot one from here on, in degrees Celsius of the room (our default). */
export const HOT_ROOM_CELSIUS = 27;

/**
 * Gives by how much each school would have missed each past mix.
 *
 * Model: what the school asked for before the mix, with what was known then, less what went in, in degrees of dough,
 * on top of what the dough really missed. Range: readings in any order. Source: domain arithmetic. Failures: none;
 * what was measured before the schools were held against it, or does not count, is left out.
 * Example: a dough that came out 0.5 too warm, with water 2 degrees colder than the rule had asked for and 2 degrees of
 * water to one of dough, would have come out 1.5 too warm by the rule.
 */
export function schoolMisses(readings: readonly MeasuredMix[]): readonly SchoolMiss[] {
	return readings.flatMap((reading): SchoolMiss[] => {
		const { schools, ignored, id, occurredAtMs } = reading;
		if (!schools || ignored) return [];
		const missed = reading.doughCelsius - reading.targetCelsius;
		const by = (school: WaterSchool) =>
			missed + (schools.askedCelsius[school] - reading.waterCelsius) / schools.waterDegreesPerDough;
		return [
			{
				id,
				occurredAtMs,
				roomCelsius: schools.roomCelsius,
				kelvins: {
					'factor-rule': by('factor-rule'),
					'base-temperature': by('base-temperature'),
					'heat-balance': by('heat-balance')
				}
			}
		];
	});
}

/** The mean size of misses, school by school; null where there are none. Example: -1 and 1 miss by 1. */
export function meanMiss(misses: readonly SchoolMiss[]): MissOfSchools | null {
	if (misses.length === 0) return null;
	const of = (school: WaterSchool) =>
		misses.reduce((total, { kelvins }) => total + Math.abs(kelvins[school]), 0) / misses.length;
	return {
		mixes: misses.length,
		kelvins: {
			'factor-rule': of('factor-rule'),
			'base-temperature': of('base-temperature'),
			'heat-balance': of('heat-balance')
		}
	};
}
