import type { LearnedChange, LearnedInPlan } from '../core/planning/index.ts';
import type { BakeDate } from '../core/time/index.ts';
import type { NightLogView } from './bench-views.ts';

/** A dough that came out of the mixer otherwise than wanted, with what is believed of its friction since. */
export interface DoughMiss {
	readonly name: string;
	readonly ordinal: number;
	/** How much warmer than wanted. */
	readonly offKelvins: number;
	/** Friction in degrees of dough, before the night and after it; null where nothing was learned of it. */
	readonly friction: { readonly before: number; readonly after: number } | null;
}

/** How long hands of a person take, beside what is set for them. */
export interface PaceOfPerson {
	readonly name: string;
	readonly setPercent: number;
	readonly learnedPercent: number;
	readonly used: number;
}

/** What a product loses in the oven, beside its book. */
export interface LossOfProduct {
	readonly productId: string;
	readonly name: string;
	readonly bookShare: number;
	readonly learnedShare: number;
	readonly used: number;
	/** What a piece has to be scaled at for the weight that is wanted of it baked; null where none is wanted. */
	readonly scaledGrams: { readonly now: number; readonly wanted: number } | null;
}

/** What a night taught, and what it changes in the next. */
export interface MorningView {
	readonly date: BakeDate;
	readonly night: NightLogView;
	readonly misses: readonly DoughMiss[];
	readonly next: {
		readonly date: BakeDate;
		/** Everything learned that its plan takes. */
		readonly learned: readonly LearnedInPlan[];
		/** What the night changed of that, the largest first. */
		readonly changes: readonly LearnedChange[];
		/** Whether a plan was accepted for it, and whether it still stands. */
		readonly accepted: 'none' | 'stands' | 'out-of-date';
	};
	readonly paces: readonly PaceOfPerson[];
	readonly losses: readonly LossOfProduct[];
}
