import type { WorkEntry } from '../core/bench/index.ts';
import type { MixFacts, ResultEntry } from '../core/results/index.ts';
import type { BakeDate } from '../core/time/index.ts';
import type { AcceptedPlanView, PlanView, RunSheetView } from './views.ts';

/** What a night's bench is told by: the accepted plan, the waters of its mixes, how each mix is named. */
export interface BenchView {
	readonly date: BakeDate;
	readonly accepted: AcceptedPlanView | null;
	readonly waters: RunSheetView['waters'];
	readonly mixes: PlanView['mixes'];
}

/** Something that was tapped, with what became of it. */
export interface LoggedEntry extends WorkEntry {
	/** It did not happen: who took it back, and when. */
	readonly struck: { readonly by: string; readonly atMs: number } | null;
}

/** What was told of a portion and is not so. */
export interface StruckResult extends ResultEntry {
	readonly struck: { readonly by: string; readonly atMs: number };
}

/** A night as it went. */
export interface NightLogView {
	readonly date: BakeDate;
	readonly accepted: AcceptedPlanView | null;
	readonly entries: readonly LoggedEntry[];
	readonly mixed: BenchMomentView['mixed'];
	readonly results: readonly ResultEntry[];
	readonly struckResults: readonly StruckResult[];
	/** What was measured, judged and weighed of its mixes. */
	readonly facts: readonly MixFacts[];
}

/** What a probe of a deck said last: of its stone, or of a loaf in it. */
export interface DeckProbe {
	readonly deckId: string;
	readonly kind: 'deck-stone' | 'loaf-core';
	readonly sensor: string;
	readonly celsius: number;
	readonly measuredAtMs: number;
}

/** What changes from tap to tap: read often, and kept small. */
export interface BenchMomentView {
	/** The newest accepted plan; another than the page has asks for the page anew. */
	readonly planNumber: number | null;
	readonly entries: readonly WorkEntry[];
	/** Whether anything was tapped in the nights before: what is not tapped is waited for then. */
	readonly tappedBefore: boolean;
	/** When each mix and pre-ferment was measured out of its bowl, by its batch as a plan names it. */
	readonly mixed: readonly { readonly batch: string; readonly atMs: number }[];
	/** What was told of its portions. */
	readonly results: readonly ResultEntry[];
	/** What the probes of decks say. */
	readonly decks: readonly DeckProbe[];
}
