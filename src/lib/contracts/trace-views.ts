import type { LotKnown } from '../core/tracing/index.ts';
import type { BakeDate } from '../core/time/index.ts';

/** A lot of an ingredient, ours or a supplier's. */
export interface LotView {
	readonly ingredientId: string;
	readonly ingredient: string;
	readonly lot: string;
	/** When it came; null for one that was only told at the scale. */
	readonly receivedAtMs: number | null;
}

/** A batch as a trace names it. */
export interface TracedBatchView {
	readonly id: string;
	readonly kind: 'pre-ferment' | 'preparation' | 'feed' | 'mix' | 'portion' | 'load';
	readonly date: BakeDate;
	readonly name: string;
	readonly ordinal: number;
	readonly grams: number | null;
	readonly pieces: number | null;
	readonly state: 'planned' | 'begun' | 'ended';
}

/** Bread that went to a drop. */
export interface TracedDrop {
	readonly date: BakeDate;
	readonly drop: string;
	readonly dueMs: number;
	readonly product: string;
	/** Ordered of the product for the drop. */
	readonly pieces: number;
	/** How it is known that what is traced is in it. */
	readonly known: LotKnown;
	/** Its bread came of these mixes, some of which may be others' too. */
	readonly mixes: readonly string[];
}

/** What a search finds. */
export interface TraceSearchView {
	readonly date: BakeDate;
	readonly query: string;
	readonly lots: readonly LotView[];
	readonly batches: readonly TracedBatchView[];
	/** Ingredients that it names and of which no lot was ever told. */
	readonly withoutLot: readonly string[];
	/** Batches that took any of these. */
	readonly tookIt: readonly TracedBatchView[];
	/** There are more than are shown. */
	readonly more: boolean;
}

/** A lot, and everywhere it went. */
export interface LotTraceView {
	readonly lot: LotView;
	readonly batches: readonly (TracedBatchView & {
		readonly known: LotKnown;
		readonly firstHand: boolean;
	})[];
	readonly drops: readonly TracedDrop[];
	/** Dates whose drops no accepted plan tells. */
	readonly unplanned: readonly BakeDate[];
	/** Cultures that were fed with it: what is made with them since carries it. */
	readonly cultures: readonly {
		readonly name: string;
		readonly sinceMs: number;
		readonly known: LotKnown;
	}[];
}

/** A batch, all that went into it, and where it went. */
export interface BatchTraceView {
	readonly batch: TracedBatchView;
	/** What it was made of, itself first. */
	readonly madeOf: readonly (TracedBatchView & {
		readonly ingredients: readonly {
			readonly ingredientId: string;
			readonly ingredient: string;
			readonly grams: number;
			readonly lots: readonly { readonly lot: string; readonly known: LotKnown }[];
		}[];
	})[];
	readonly drops: readonly TracedDrop[];
	/** Its date, where no accepted plan tells its drops. */
	readonly unplanned: readonly BakeDate[];
	readonly allergens: readonly string[];
	/** When the first of it was booked; null where nothing was. */
	readonly beganMs: number | null;
}
