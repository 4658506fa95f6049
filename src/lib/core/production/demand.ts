import type { DropId, FormulaId, ProductId } from '../identity.ts';
import type { Mass } from '../units/index.ts';

/** A product as far as one of its doughs is concerned. */
export interface DoughProduct {
	readonly id: ProductId;
	readonly name: string;
	readonly formulaId: FormulaId;
	/** What one piece takes of the dough, before it is baked. */
	readonly scaledWeight: Mass;
	/** The parts it is scaled in: more than one where the dough is wrapped in itself. */
	readonly parts: readonly Mass[];
	/** The dough that is made for one piece: with its share of what is cut off a sheet. */
	readonly takes: Mass;
	/** Whether the piece goes through its chain with this dough, or this one joins it on the way. */
	readonly role: 'carries' | 'joins';
}

/** Pieces of one product for one drop. */
export interface Demand {
	readonly dropId: DropId;
	readonly dueMs: number;
	readonly productId: ProductId;
	readonly pieces: number;
}

/** The part of one mix that becomes one product. */
export interface Portion {
	readonly productId: ProductId;
	readonly pieces: number;
	readonly drops: readonly {
		readonly dropId: DropId;
		readonly dueMs: number;
		readonly pieces: number;
	}[];
}

/** When the first of a portion's drops is due. */
export function dueOf(portion: Portion): number {
	return Math.min(...portion.drops.map((drop) => drop.dueMs));
}
