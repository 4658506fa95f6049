import type { FormulaFailure } from '../core/formula/index.ts';
import type { Caution, Violation } from '../core/schedule/index.ts';

/** What a command can speak of that is not there. */
export type UnknownThing =
	| 'drop'
	| 'mix'
	| 'product'
	| 'build'
	| 'formula'
	| 'reading'
	| 'observation'
	| 'dough'
	| 'device'
	| 'retarder'
	| 'mixer'
	| 'ingredient'
	| 'delivery'
	| 'draft'
	| 'scale'
	| 'divider'
	| 'vessel'
	| 'entry';

/** Why a command was not carried out; nothing of it was written. */
export type Refusal =
	| {
			readonly kind: 'malformed';
			readonly problems: readonly { readonly where: string; readonly what: string }[];
	  }
	| { readonly kind: 'id-used-before' }
	/** Who gives it may not; these may. */
	| { readonly kind: 'not-permitted'; readonly roles: readonly string[] }
	| { readonly kind: 'unknown'; readonly what: UnknownThing }
	| {
			readonly kind: 'changed-meanwhile';
			readonly version: number;
			readonly value: number;
			readonly by: string;
	  }
	| { readonly kind: 'settings-changed-meanwhile'; readonly version: number }
	| {
			readonly kind: 'newer-revision';
			readonly name: string;
			readonly revision: number;
			readonly by: string;
	  }
	| {
			readonly kind: 'formula-impossible';
			readonly formula: string;
			readonly reason: FormulaFailure;
	  }
	| { readonly kind: 'name-taken'; readonly name: string }
	/** A dough is followed from the moment it came out of the mixer. */
	| { readonly kind: 'not-mixed-yet'; readonly name: string }
	| { readonly kind: 'dough-has-no-clock'; readonly name: string }
	| { readonly kind: 'before-the-mix'; readonly name: string }
	/** More than any mixer of the bakery takes. */
	| { readonly kind: 'more-than-a-mixer'; readonly name: string; readonly mostGrams: number }
	| { readonly kind: 'orders-there-already'; readonly lines: number }
	| { readonly kind: 'nothing-to-copy' }
	| { readonly kind: 'plan-out-of-date' }
	| {
			readonly kind: 'plan-impossible';
			readonly violations: readonly Violation[];
			readonly cautions: readonly Caution[];
	  }
	| { readonly kind: 'no-bakery' }
	| { readonly kind: 'database-unavailable' };

export type RefusalOf<K extends Refusal['kind']> = Extract<Refusal, { kind: K }>;
