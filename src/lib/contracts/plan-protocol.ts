import type { BakeDayInput } from '../core/planning/index.ts';
import type { PlaceFailure, Placement } from '../core/latest-start/index.ts';

/** What a page says to the plan worker. The latest request wins; an older one ends as cancelled. */
export type PlanRequest =
	| { readonly kind: 'plan'; readonly id: number; readonly input: BakeDayInput }
	| { readonly kind: 'cancel'; readonly id: number };

/** What the plan worker says back, always with the id of the request. */
export type PlanReply =
	| {
			readonly kind: 'progress';
			readonly id: number;
			readonly done: number;
			readonly total: number;
	  }
	| { readonly kind: 'planned'; readonly id: number; readonly placement: Placement }
	| { readonly kind: 'impossible'; readonly id: number; readonly failure: PlaceFailure }
	| { readonly kind: 'cancelled'; readonly id: number }
	| { readonly kind: 'broken'; readonly id: number; readonly message: string };
