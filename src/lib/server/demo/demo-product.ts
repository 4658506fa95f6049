import type { Step } from '../../core/formula/index.ts';
import type { ExtraUse } from '../../core/production/index.ts';
import type { SheetOfProduct } from '../../core/sheeting/index.ts';

export interface DemoProduct {
	readonly name: string;
	/** Formula by name with what it is scaled at; the first carries the piece. */
	readonly doughs: readonly (readonly [formula: string, grams: number])[];
	/** Use, ingredient or preparation by name, grams, and for how many pieces when not for one. */
	readonly extras?: readonly (readonly [
		use: ExtraUse,
		name: string,
		grams: number,
		forPieces?: number
	])[];
	readonly bakedGrams?: number;
	readonly bakeLoss: number;
	/** Pieces made beyond the orders, as a share of them. */
	readonly spares?: number;
	readonly shape: string;
	/** How it is cut, and how deep in millimetres. */
	readonly score?: readonly [how: string, mm: number];
	readonly vessel?: string;
	readonly divider?: string;
	readonly footprint: readonly [lengthCm: number, widthCm: number];
	/** How it is rolled out and cut. */
	readonly sheet?: SheetOfProduct;
	/** How high it is baked. */
	readonly heightCm?: number;
	/** A count for every deck; null where it is worked out. */
	readonly piecesPerDeck: number | null;
	readonly steps: readonly Step[];
}
