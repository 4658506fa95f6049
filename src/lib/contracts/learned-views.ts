import type { ReadinessVerdict } from '../core/fermentation/index.ts';
import type { WaitPlace } from '../core/formula/index.ts';
import type { BakeDate } from '../core/time/index.ts';
import type { DoughInstrument, ReadinessDecision } from './dough-commands.ts';
import type { FrictionView } from './views.ts';

/** What is believed of a figure, with the observations it was learned from. */
export interface LearnedView<Observation> {
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

/** How fast a tub takes the temperature of its place, in minutes. */
export type TimeConstantView = LearnedView<{
	readonly fromCelsius: number;
	readonly toCelsius: number;
	readonly ambientCelsius: number;
	readonly minutes: number;
}> & { readonly place: WaitPlace };

/** How many times the book's minutes a dough takes to be ripe. */
export type ClockView = LearnedView<{
	readonly verdict: ReadinessVerdict;
	readonly decision: ReadinessDecision;
	readonly doseMinutes: number;
}>;

/** A measured dough as the charts draw it. */
export interface MeasuredMixView {
	readonly id: string;
	readonly occurredAtMs: number;
	readonly mixerId: string | null;
	readonly doughCelsius: number;
	readonly targetCelsius: number;
	readonly instrument: DoughInstrument;
	readonly counted: boolean;
	/** The friction it revealed, as degrees of this dough. */
	readonly frictionKelvins: number;
	/** What was believed after it. */
	readonly believed: {
		readonly kelvins: number;
		readonly low: number;
		readonly high: number;
	};
}

export interface TemperatureDayView {
	readonly quantity: 'room' | 'flour' | 'tap';
	readonly day: string;
	readonly meanCelsius: number;
	readonly leastCelsius: number;
	readonly mostCelsius: number;
}

export interface LearnedRoomView {
	readonly date: BakeDate;
	/** Every formula with how many of its mixes were measured. */
	readonly formulas: readonly {
		readonly id: string;
		readonly name: string;
		readonly measured: number;
	}[];
	/** The one that is looked at; null for a book without formulas. */
	readonly formula: {
		readonly id: string;
		readonly name: string;
		readonly kilojoulesPerKilogramKelvin: number;
	} | null;
	readonly mixers: readonly { readonly id: string; readonly name: string }[];
	readonly mixerId: string | null;
	readonly friction: FrictionView | null;
	/** Oldest first, as time runs. */
	readonly mixes: readonly MeasuredMixView[];
	readonly timeConstants: readonly TimeConstantView[];
	readonly clock: ClockView | null;
	readonly days: readonly TemperatureDayView[];
}
