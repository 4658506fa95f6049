import type { ReadinessDecision, ReadinessVerdict } from '../fermentation/index.ts';
import type { WaitPlace } from '../formula/index.ts';
import type { DoughInstrument, MixProgram, WaterSchool } from '../heat/index.ts';
import type { BatchId } from '../identity.ts';

/** What is learned from the log of a dough. */
export const LEARNED_SUBJECTS = ['friction', 'time-constant', 'clock'] as const;
export type LearnedSubject = (typeof LEARNED_SUBJECTS)[number];

/** An entry of the log that something is learned from. */
interface Observed {
	readonly id: string;
	readonly batchId: BatchId;
	readonly occurredAtMs: number;
	/** Somebody said that it does not count. */
	readonly ignored: boolean;
}

/** A dough as it came out of a mixer, with the friction that this revealed. */
export interface MeasuredMix extends Observed {
	/** The date it was made for. */
	readonly date: string;
	readonly doughCelsius: number;
	readonly targetCelsius: number;
	readonly waterCelsius: number;
	readonly instrument: DoughInstrument;
	readonly frictionKilojoulesPerKilogram: number;
	/** null for one that was measured before mixers were told apart. */
	readonly mixerId: string | null;
	/** null where it was mixed as the formula says. */
	readonly program: MixProgram | null;
	readonly fillShare: number;
	/** How far its friction may lie from the truth; null for one that was measured before that was told. */
	readonly spreadKilojoulesPerKilogram: number | null;
	/** null for one that was measured before the schools were held against what came out. */
	readonly schools: SchoolsOfMix | null;
}

/** What each school reads from a measured mix, and what it had asked for before. */
export interface SchoolsOfMix {
	/** How far the dough came out above the mean of what the rule counts, in kelvins. */
	readonly risesKelvins: Readonly<Record<'factor-rule' | 'base-temperature', number>>;
	/** The water each school asked for, in degrees Celsius, with what was known before the mix. */
	readonly askedCelsius: Readonly<Record<WaterSchool, number>>;
	/** By how many degrees of water the dough changes by one. */
	readonly waterDegreesPerDough: number;
	readonly roomCelsius: number;
}

/** A dough as it was measured where it stood. */
export interface CheckedDough extends Observed {
	readonly celsius: number;
	readonly instrument: DoughInstrument;
	readonly place: WaitPlace;
	readonly ambientCelsius: number;
}

/** A dough that went elsewhere. */
export type MovedDough = Pick<Observed, 'batchId' | 'occurredAtMs'>;

/** What was seen of a dough, and how far its clock was. */
export interface JudgedDough extends Observed {
	readonly doseMinutes: number;
	readonly bookRipeMinutes: number;
	readonly seenShare: number | null;
	readonly seenSpread: number | null;
	readonly verdict: ReadinessVerdict;
	readonly decision: ReadinessDecision;
}

/** What is believed of a figure, with the observations it was learned from. */
export interface Learned<Observation> {
	readonly mean: number;
	readonly band: { readonly low: number; readonly high: number };
	/** What stood before anything was observed. */
	readonly book: number;
	readonly used: number;
	/** Newest first. */
	readonly observations: readonly (Observation & {
		readonly id: string;
		readonly value: number;
		readonly ignored: boolean;
		readonly leftOut: boolean;
		readonly occurredAtMs: number;
	})[];
}
