import type {
	BeliefThen,
	FrictionFigures,
	LearnedClock,
	LearnedTub,
	SchoolMiss
} from '../core/learning/index.ts';
import type { BakeDate } from '../core/time/index.ts';

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
	/** None of them for a dough that is mixed by hand. */
	readonly mixers: readonly { readonly id: string; readonly name: string }[];
	readonly mixerId: string | null;
	readonly friction: FrictionFigures | null;
	/** Oldest first, as time runs. */
	readonly mixes: readonly BeliefThen[];
	/** How far each school would have missed its past mixes; newest first. */
	readonly misses: readonly SchoolMiss[];
	readonly timeConstants: readonly LearnedTub[];
	readonly clock: LearnedClock | null;
	readonly days: readonly TemperatureDayView[];
}
