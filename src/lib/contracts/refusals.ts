import type { EntryProblem } from '../core/bakery/index.ts';
import type { FormulaFailure } from '../core/formula/index.ts';
import type { Caution } from '../core/planning/index.ts';
import type { Violation } from '../core/schedule/index.ts';

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
	| 'place'
	| 'mixer'
	| 'ingredient'
	| 'supplier'
	| 'culture'
	| 'delivery'
	| 'draft'
	| 'scale'
	| 'divider'
	| 'vessel'
	| 'entry'
	| 'work'
	| 'person'
	| 'portion'
	| 'deck'
	| 'bakery-entry';

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
	/** Of many numbers that were set at once, these were changed; none of them was set. */
	| {
			readonly kind: 'numbers-changed-meanwhile';
			readonly lines: readonly {
				readonly dropId: string;
				readonly productId: string;
				readonly version: number;
				readonly value: number;
				readonly by: string;
			}[];
	  }
	/** What is over stays as it was. */
	| { readonly kind: 'in-the-past'; readonly date: string; readonly today: string }
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
	/** What its figures say together cannot be. */
	| {
			readonly kind: 'entry-impossible';
			readonly name: string;
			readonly problems: readonly EntryProblem[];
	  }
	/** The bakery cannot be without it. */
	| {
			readonly kind: 'entry-needed';
			readonly name: string;
			readonly as: 'head-baker' | 'bakehouse' | 'flour' | 'somebody';
	  }
	| { readonly kind: 'bakery-is-there' }
	| { readonly kind: 'name-taken'; readonly name: string }
	/** A reader would take one for the other; sent again as meant, it stands. */
	| { readonly kind: 'name-alike'; readonly name: string; readonly other: string }
	/** A dough is followed from the moment it came out of the mixer. */
	| { readonly kind: 'not-mixed-yet'; readonly name: string }
	| { readonly kind: 'dough-has-no-clock'; readonly name: string }
	/** A culture is followed from its last feed. */
	| { readonly kind: 'not-fed-yet'; readonly name: string }
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
	/** It says that it happened when it cannot have: the clock it was written by is off. */
	| { readonly kind: 'clock-off'; readonly occurredAtMs: number; readonly bakeryNowMs: number }
	| { readonly kind: 'too-large'; readonly mostBytes: number }
	/** A page of another site sent it. */
	| { readonly kind: 'from-elsewhere' }
	/** It asks for more work than one request may. */
	| { readonly kind: 'too-much' }
	/** The database holds a rule that its content breaks. */
	| { readonly kind: 'not-storable'; readonly rule: string }
	| { readonly kind: 'no-bakery' }
	/** Nobody is signed in, or somebody else than who did it: it waits for them. */
	| { readonly kind: 'signed-out' }
	| { readonly kind: 'busy' }
	| { readonly kind: 'database-unavailable' }
	/** The disk of the database has no room, or is damaged. */
	| { readonly kind: 'storage'; readonly is: 'full' | 'damaged' };

/** Refusals that say nothing of the command itself: it is sent again as it is. */
export function isPassing(refusal: Refusal): boolean {
	return (
		refusal.kind === 'busy' ||
		refusal.kind === 'database-unavailable' ||
		refusal.kind === 'storage' ||
		refusal.kind === 'signed-out'
	);
}

export type RefusalOf<K extends Refusal['kind']> = Extract<Refusal, { kind: K }>;
