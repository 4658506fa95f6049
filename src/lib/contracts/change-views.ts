import type { CommandKind } from './commands.ts';

/** Of what something was changed. */
export const CHANGE_AREAS = ['orders', 'plan', 'bench', 'book', 'stock', 'bakery'] as const;
export type ChangeArea = (typeof CHANGE_AREAS)[number];

/** Of what each command changes something. */
export const AREA_OF_COMMAND: Readonly<Record<CommandKind, ChangeArea>> = {
	'accept-plan': 'plan',
	'add-delivery': 'stock',
	'begin-starter': 'bench',
	'bring-in': 'book',
	'change-order': 'orders',
	'change-orders': 'orders',
	'check-dough': 'bench',
	'copy-orders': 'orders',
	'count-stock': 'stock',
	'create-formula': 'book',
	'end-dough': 'bench',
	'feed-culture': 'bench',
	'forget-person': 'bakery',
	'found-bakery': 'bakery',
	'ignore-observation': 'bakery',
	'ignore-time': 'bakery',
	'judge-readiness': 'bench',
	'keep-culture': 'bench',
	'keep-stock': 'stock',
	'measure-dough': 'bench',
	'move-dough': 'bench',
	'register-device': 'bakery',
	'reset-learning': 'bakery',
	'reset-times': 'bakery',
	retire: 'book',
	'revoke-device': 'bakery',
	'save-bakery': 'bakery',
	'save-entry': 'bakery',
	'save-formula': 'book',
	'save-ingredient': 'book',
	'save-preparation': 'book',
	'save-product': 'book',
	'set-aside-draft': 'book',
	'set-base': 'plan',
	'set-batches': 'plan',
	'set-lead': 'bakery',
	'set-liquids': 'plan',
	'set-mixes': 'plan',
	'set-standing': 'orders',
	'set-supply': 'bakery',
	'set-units': 'bakery',
	'set-water-school': 'bakery',
	'strike-culture': 'bench',
	'strike-entry': 'bench',
	'strike-result': 'bench',
	'strike-weighing': 'bench',
	'strike-work': 'bench',
	'take-back-standing': 'orders',
	'take-closed-days': 'bakery',
	'take-reading': 'bench',
	'take-stock': 'stock',
	'tap-work': 'bench',
	'tell-result': 'bench',
	'tend-culture': 'bench',
	'weigh-line': 'bench'
};

/** What was sent; of a list, how many stood in it. */
export type ChangeValue = string | number | boolean | { readonly many: number };

/** Something that somebody changed, as it was sent. */
export interface ChangeView {
	/** Its place in the log of all of them. */
	readonly sequence: number;
	/** By the bakery's clock, when it was done. */
	readonly atMs: number;
	readonly by: string;
	readonly kind: string;
	/** What it is about, by name, as that is called today. */
	readonly about: readonly string[];
	/** The bake it is for; null where it is for none. */
	readonly date: string | null;
	/** The rest of what was sent. */
	readonly said: readonly (readonly [what: string, value: ChangeValue])[];
}

/** What was changed, newest first, a page at a time. */
export interface ChangesView {
	readonly changes: readonly ChangeView[];
	/** Whoever ever changed something. */
	readonly people: readonly { readonly id: string; readonly name: string }[];
	/** Before which the next page begins; null where there is none. */
	readonly before: number | null;
}
