import type { BakeStep, HandsOnStep, PreparationKind, Step, WaitStep } from '../formula/index.ts';
import type { DropId, FormulaId, PreparationId, ProductId } from '../identity.ts';
import type { BakeDate } from '../time/index.ts';

export type { BakeStep, HandsOnStep, Step, WaitStep };

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

export interface PlannedBuild {
	readonly preparationId: PreparationId;
	readonly revisionId: string;
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
	readonly revisionId: string;
	readonly name: string;
	/** Mixing and bulk; dividing and what follows belongs to the product. */
	readonly steps: readonly Step[];
	readonly mixes: readonly PlannedMix[];
}

export interface PlannedMix {
	readonly ordinal: number;
	readonly count: number;
	readonly grams: number;
	/** How much earlier than its drops ask the baker wants it to be ready. */
	readonly leadMinutes: number;
	readonly lots: readonly PlannedLot[];
}

export interface PlannedLot {
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
