import type { HandsOnActivity } from '../core/formula/index.ts';
import type { LearnedShare } from '../core/learning/index.ts';
import type { BakeDate } from '../core/time/index.ts';

/** How long something took once. */
export interface TimeView {
	readonly id: string;
	readonly date: BakeDate;
	readonly taskId: string;
	readonly by: string;
	/** What it was done in; empty for hands alone. */
	readonly machine: string;
	readonly bookMinutes: number;
	readonly realMinutes: number;
	readonly occurredAtMs: number;
	/** Somebody said that it does not count. */
	readonly ignored: boolean;
	/** It is too wild to be believed. */
	readonly leftOut: boolean;
}

/** How many times its book something takes in one oven, or by one person's hands. */
export interface TimeOf {
	readonly name: string;
	readonly share: number;
	readonly used: number;
}

/** What hands or an oven do to something, with how long it really takes. */
export interface TimedActivityView extends LearnedShare {
	readonly activity: HandsOnActivity | 'bake';
	/** In each oven apart; none where it was baked in one alone. */
	readonly byOven: readonly TimeOf[];
	/** By the hands of each apart; none where one alone did it, or an oven. */
	readonly byPerson: readonly TimeOf[];
	/** Newest first. */
	readonly times: readonly TimeView[];
}

export interface TimesView {
	readonly date: BakeDate;
	readonly recipes: readonly {
		readonly id: string;
		readonly name: string;
		readonly times: number;
	}[];
	/** The one that is looked at; null for a book without any. */
	readonly recipe: { readonly id: string; readonly name: string } | null;
	readonly activities: readonly TimedActivityView[];
	/** What its mixes took of their formula's water; null where none was weighed by its water. */
	readonly water: LearnedShare | null;
	/** How many times its clock it takes in proof; null where nobody looked. */
	readonly proof: LearnedShare | null;
	/** What it loses in the oven, as shares; null where nothing was weighed baked. */
	readonly loss: {
		readonly bookShare: number;
		readonly lossShare: number;
		readonly used: number;
	} | null;
	/** How far the stones of each oven were from their programmes at loading. */
	readonly stones: readonly {
		readonly name: string;
		readonly offKelvins: number;
		readonly minutes: number;
		readonly used: number;
	}[];
}
