import type { BakeDate } from '../time/index.ts';
import {
	closedDaysProblems,
	dropProblems,
	supplierProblems,
	type ClosedDaysContent,
	type CustomerContent,
	type DropContent,
	type SupplierContent
} from './delivery.ts';
import {
	benchProblems,
	dividerProblems,
	scaleProblems,
	sheeterProblems,
	type BenchContent,
	type DividerContent,
	type ScaleContent,
	type SheeterContent,
	type VesselContent
} from './equipment.ts';
import { mixerProblems, type MixerContent } from './mixer.ts';
import { ovenProblems, type OvenContent } from './oven.ts';
import { personProblems, type Person } from './person.ts';
import { placeProblems, type PlaceContent } from './place.ts';
import type { EntryProblem } from './problem.ts';

/** What each kind of entry of the bakery says of itself, beside its name. */
export interface EntryContents {
	readonly person: Person;
	readonly mixer: MixerContent;
	readonly oven: OvenContent;
	readonly place: PlaceContent;
	readonly scale: ScaleContent;
	readonly divider: DividerContent;
	readonly sheeter: SheeterContent;
	readonly vessel: VesselContent;
	readonly bench: BenchContent;
	readonly drop: DropContent;
	readonly customer: CustomerContent;
	readonly supplier: SupplierContent;
	readonly 'closed-days': ClosedDaysContent;
}

export type EntryKind = keyof EntryContents;

/** Every kind, in the order in which a bakery is entered. */
export const ENTRY_KINDS = [
	'person',
	'mixer',
	'oven',
	'place',
	'drop',
	'customer',
	'supplier',
	'closed-days',
	'scale',
	'divider',
	'sheeter',
	'vessel',
	'bench'
] as const satisfies readonly EntryKind[];

/** Something the bakery has, as it is from a date on. */
export interface BakeryEntry<K extends EntryKind = EntryKind> {
	readonly id: string;
	readonly kind: K;
	readonly name: string;
	/** How often it was saved. */
	readonly number: number;
	readonly appliesFrom: BakeDate;
	/** It is kept for what names it, and used for nothing new. */
	readonly retired: boolean;
	readonly content: EntryContents[K];
}

const CHECKS: {
	readonly [K in EntryKind]: (content: EntryContents[K]) => readonly EntryProblem[];
} = {
	person: personProblems,
	mixer: mixerProblems,
	oven: ovenProblems,
	place: placeProblems,
	scale: scaleProblems,
	divider: dividerProblems,
	sheeter: sheeterProblems,
	vessel: () => [],
	bench: benchProblems,
	drop: dropProblems,
	customer: () => [],
	supplier: supplierProblems,
	'closed-days': closedDaysProblems
};

/**
 * What is wrong with an entry, beyond the range of a single figure.
 *
 * Range: any content of its kind. Source: our default. Failures: none; nothing wrong is an empty list.
 * Example: a mixer of at least 30 kg and at the most 10 kg has its least above its most.
 */
export function entryProblems<K extends EntryKind>(
	kind: K,
	content: EntryContents[K]
): readonly EntryProblem[] {
	return CHECKS[kind](content);
}
