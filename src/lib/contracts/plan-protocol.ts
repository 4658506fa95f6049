import type {
	BakeDayInput,
	Conditions,
	DayPlan,
	DropUnderChance,
	HeldTask,
	Placement,
	WaysOut
} from '../core/planning/index.ts';
import type { Cost } from '../core/schedule/index.ts';

/** What a plan is asked for: a day under conditions, from a plan in force or from nothing. */
export interface PlanWanted {
	readonly input: BakeDayInput;
	readonly conditions: Omit<Conditions, 'relaxed'>;
	/** A plan to go on from; null for a first one. */
	readonly inForce: Placement | null;
	/** True where what stands is moved only for a reason: something changed while a plan is in force. */
	readonly keepsInForce: boolean;
	readonly seed: number;
	readonly budgetMs: number;
	/** Looked for longer where what was found does not hold: nobody waits for it with something in hand. */
	readonly isPatient: boolean;
}

/** What a page says to the plan worker. The latest request wins; an older one ends as cancelled. */
export type PlanRequest =
	| { readonly kind: 'plan'; readonly id: number; readonly wanted: PlanWanted }
	| { readonly kind: 'cancel'; readonly id: number }
	/** Why everything of a plan stands where it does, and how its drops may turn out. */
	| {
			readonly kind: 'look-into';
			readonly id: number;
			readonly input: BakeDayInput;
			readonly placement: Placement;
	  }
	/** What would free a night that has no plan that holds. A later question of any kind ends it. */
	| {
			readonly kind: 'ways-out';
			readonly id: number;
			readonly input: BakeDayInput;
			readonly conditions: Omit<Conditions, 'relaxed'>;
			/** The plan that does not hold. */
			readonly standing: Placement;
	  };

/** What is known of a plan beyond its times. */
export interface PlanLookedInto {
	readonly held: readonly HeldTask[];
	/** null while a plan lacks something: then nothing can be said of chance. */
	readonly chances: readonly DropUnderChance[] | null;
}

/** A plan that was found, as it is told; its checker found nothing that forbids it. */
export interface FoundPlan {
	readonly placement: Placement;
	readonly plan: DayPlan;
	/** In all and by goal; null while something is missing. */
	readonly cost: Cost | null;
}

/** What the plan worker says back, always with the id of the request. */
export type PlanReply =
	/** The best so far, each time it is better than what was told before. */
	| { readonly kind: 'better'; readonly id: number; readonly found: FoundPlan }
	| { readonly kind: 'planned'; readonly id: number; readonly found: FoundPlan }
	| { readonly kind: 'looked-into'; readonly id: number; readonly found: PlanLookedInto }
	/** null where it was ended before it was known. */
	| { readonly kind: 'ways-out'; readonly id: number; readonly found: WaysOut<FoundPlan> | null }
	| { readonly kind: 'cancelled'; readonly id: number }
	| { readonly kind: 'broken'; readonly id: number; readonly message: string };
