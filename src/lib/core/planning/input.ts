import type { HandsOnStep, PreparationKind, Step, WaitStep } from '../formula/index.ts';
import type { DropId, FormulaId, PreparationId, ProductId } from '../identity.ts';
import type { BakeDate } from '../time/index.ts';

export type { HandsOnStep, Step, WaitStep };

/** All that a plan of one date needs, as plain data: it crosses to the worker and is kept with the plan. */
export interface BakeDayInput {
	readonly date: BakeDate;
	readonly builds: readonly PlannedBuild[];
	readonly doughs: readonly PlannedDough[];
	readonly products: readonly PlannedProduct[];
	readonly drops: readonly PlannedDrop[];
	readonly bakery: BakeryMachines;
}

export interface BakeryMachines {
	readonly mixers: readonly Machine[];
	readonly decks: readonly Machine[];
	/** What a deck needs between two loads. */
	readonly recoveryMinutes: number;
}

export interface Machine {
	readonly id: string;
	readonly name: string;
}

export interface PlannedDrop {
	readonly id: DropId;
	readonly name: string;
	readonly dueMs: number;
}

/** What already happened to a batch: it stands where it is, and the plan goes around it. */
export interface Begun {
	/** When it came out of the mixer or was stirred. */
	readonly mixedAtMs: number;
	/** When its wait was ended; null while it goes on. */
	readonly endedAtMs: number | null;
}

export interface PlannedBuild {
	readonly preparationId: PreparationId;
	/** Which of several of the same recipe: what falls short of one that was made is made by a further one. */
	readonly ordinal: number;
	readonly revisionId: string;
	readonly begun: Begun | null;
	readonly name: string;
	readonly kind: PreparationKind;
	readonly grams: number;
	readonly steps: readonly Step[];
	/** Builds that take from this one. */
	readonly takenByBuilds: readonly PreparationId[];
	/** Doughs that take from this one. */
	readonly takenByDoughs: readonly FormulaId[];
	/** Products that take from this one at the piece: a filling, a wash, a bath. */
	readonly takenByProducts: readonly ProductId[];
}

export interface PlannedDough {
	readonly formulaId: FormulaId;
	readonly name: string;
	readonly mixes: readonly PlannedMix[];
}

export interface PlannedMix {
	readonly ordinal: number;
	/** The revision it is made by: a mix that was begun keeps its own. */
	readonly revisionId: string;
	/** Mixing and bulk; dividing and what follows belongs to the product. */
	readonly steps: readonly Step[];
	readonly begun: Begun | null;
	readonly count: number;
	readonly grams: number;
	/** How much earlier than its drops ask the baker wants it to be ready. */
	readonly leadMinutes: number;
	readonly portions: readonly PlannedPortion[];
}

export interface PlannedPortion {
	readonly productId: ProductId;
	/** A piece of two doughs goes through its chain with the one; the other joins it on the way. */
	readonly role: 'carries' | 'joins';
	readonly pieces: number;
	readonly dropIds: readonly DropId[];
}

export interface PlannedProduct {
	readonly id: ProductId;
	readonly revisionId: string;
	readonly name: string;
	readonly scaledGrams: number;
	readonly steps: readonly Step[];
	readonly piecesPerDeck: number;
}
