import type { FormulaProductView } from '../../contracts/views.ts';
import { divide, type Division } from '../../core/production/index.ts';

/** Pieces that the formula was scaled to. */
export interface MadePieces {
	readonly product: FormulaProductView;
	readonly pieces: number;
}

/** How the pieces of a product come off its divider. */
export interface DividedPieces extends MadePieces {
	readonly divider: string;
	/** null when a piece is lighter or heavier than the divider takes. */
	readonly division: Division | null;
	readonly range: string;
}

export function dividedPieces(made: readonly MadePieces[]): readonly DividedPieces[] {
	return made.flatMap(({ product, pieces }) => {
		const { divider, scaledGrams } = product;
		if (!divider) return [];
		const result = divide(pieces, { grams: scaledGrams }, divider);
		return [
			{
				product,
				pieces,
				divider: divider.name,
				division: result.ok ? result.value : null,
				range: `${divider.leastPiece.grams} to ${divider.mostPiece.grams} g`
			}
		];
	});
}
