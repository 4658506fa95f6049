import type { EntryKind } from '../core/bakery/index.ts';

/** Where the entries of each kind stand among the pages of the bakery. */
export const ENTRY_PATHS = {
	person: 'people',
	mixer: 'mixers',
	oven: 'ovens',
	place: 'places',
	drop: 'drops',
	customer: 'customers',
	supplier: 'suppliers',
	'closed-days': 'closed-days',
	scale: 'scales',
	divider: 'dividers',
	sheeter: 'sheeters',
	vessel: 'vessels',
	bench: 'benches'
} as const satisfies Readonly<Record<EntryKind, string>>;
