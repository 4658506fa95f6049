import type { Plan } from '../schedule/index.ts';

/** A plan of a night as an engine made it, before it is told: what stands where on its grid. Plain data. */
export interface Placement {
	/** What the units of the plan count from. */
	readonly zeroMs: number;
	readonly plan: Plan;
	/** The batches for which hands had to be found or windows overstayed, since nothing else would do. */
	readonly relaxed: readonly string[];
	/** What was taken as done, since a plan before this told so and its time was past. */
	readonly done: readonly DoneTask[];
	/** What the baker wanted so. It only binds, agreements aside: a plan that keeps it holds without it too. */
	readonly wishes: readonly PlanWish[];
}

/** What the baker wants so and not otherwise, or knows of the night that nobody entered. */
export type PlanWish =
	/** It starts then. */
	| { readonly kind: 'start'; readonly task: string; readonly atMs: number }
	| { readonly kind: 'deck'; readonly task: string; readonly deckId: string }
	/** Not there, whichever other deck. */
	| { readonly kind: 'not-deck'; readonly task: string; readonly deckId: string }
	| { readonly kind: 'person'; readonly task: string; readonly personId: string }
	/** Not by them, whoever else. */
	| { readonly kind: 'not-person'; readonly task: string; readonly personId: string }
	/** A portion is baked in so many loads. */
	| { readonly kind: 'in-loads'; readonly batch: string; readonly loads: number }
	/** A dough, or its shaped pieces, go to a cold place to wait. */
	| { readonly kind: 'to-the-cold'; readonly batch: string; readonly placeId: string }
	| { readonly kind: 'not-before'; readonly task: string; readonly atMs: number }
	/** A deck that cannot be used for what is not in it yet: it is down. */
	| { readonly kind: 'deck-down'; readonly deckId: string }
	/** A drop wants so many minutes more to spare than others. */
	| { readonly kind: 'more-to-spare'; readonly dropId: string; readonly minutes: number }
	/** Somebody who is not there from then on: ill, or gone home. */
	| { readonly kind: 'away'; readonly personId: string; readonly fromMs: number }
	/** Nothing is mixed before: the flour comes only then. */
	| { readonly kind: 'flour-from'; readonly atMs: number }
	/** An agreement: a drop may come so many minutes later than it was ordered for. */
	| { readonly kind: 'drop-later'; readonly dropId: string; readonly minutes: number }
	/** An agreement: somebody comes sooner, or stays longer, than the shift says. */
	| {
			readonly kind: 'there-too';
			readonly personId: string;
			readonly fromMs: number;
			readonly toMs: number;
	  };

/** What a plan is made under beside the day itself. */
export interface Conditions {
	/** Nothing that was not begun starts before this; null where the past is no matter. */
	readonly nowMs: number | null;
	readonly wishes: readonly PlanWish[];
	/** What is taken as done when it says, since a plan in force told so and the time is past. */
	readonly done: readonly DoneTask[];
	readonly relaxed: readonly string[];
}

/** A task of the engine that is taken as done. */
export interface DoneTask {
	readonly task: string;
	/** The pre-ferment or mix it is of, or comes of. */
	readonly group: string;
	readonly startMs: number;
	/** The mixer or deck that it was on; null for none. */
	readonly machineId: string | null;
	/** Who was told to do it. */
	readonly personIds: readonly string[];
}

export const AS_IT_IS: Conditions = { nowMs: null, wishes: [], done: [], relaxed: [] };
