import type { Cost, Fault, Plan, Problem } from '../core/schedule/index.ts';

/** What is asked of the schedule worker. The latest request wins; an older one ends as cancelled. */
export type ScheduleRequest =
	| {
			readonly kind: 'solve';
			readonly id: number;
			readonly problem: Problem;
			/** A plan in force to go on from; null for a first one. */
			readonly inForce: Plan | null;
			readonly seed: number;
			readonly budgetMs: number;
	  }
	| { readonly kind: 'cancel'; readonly id: number }
	/** Runs the engine for a while without an answer, so that what is asked next finds it compiled. */
	| { readonly kind: 'warm'; readonly problem: Problem; readonly budgetMs: number };

/** A plan that the checker judged before it is told. */
export interface JudgedPlan {
	readonly plan: Plan;
	/** In all and by tier; null while tasks are missing. */
	readonly cost: Cost | null;
	readonly moves: number;
}

/** What the schedule worker says back, always with the id of the request. */
export type ScheduleReply =
	/** The best so far, each time it is better than what was told before. */
	| { readonly kind: 'better'; readonly id: number; readonly found: JudgedPlan }
	| { readonly kind: 'solved'; readonly id: number; readonly found: JudgedPlan }
	| { readonly kind: 'faulty'; readonly id: number; readonly fault: Fault }
	| { readonly kind: 'cancelled'; readonly id: number }
	| { readonly kind: 'broken'; readonly id: number; readonly message: string };
