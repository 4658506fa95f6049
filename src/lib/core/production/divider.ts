import { fail, ok, type Result } from '../result.ts';
import type { Mass } from '../units/index.ts';

/** A dough divider presses a fixed number of pieces at once, each within a range of weights. */
export interface Divider {
	readonly name: string;
	readonly heads: number;
	readonly leastPiece: Mass;
	readonly mostPiece: Mass;
}

export interface Division {
	/** Full presses. */
	readonly presses: number;
	/** What one press is loaded with. */
	readonly press: Mass;
	/** Pieces that are left for the hand after the last full press. */
	readonly byHand: number;
	/** Pieces one more press would give beyond what is wanted; 0 when the presses come out even. */
	readonly spareWithOneMore: number;
}

export type DivisionFailure = {
	readonly kind: 'piece-outside-divider';
	readonly piece: Mass;
	readonly divider: Divider;
};

/**
 * Gives the presses of a divider for some pieces and what is left over.
 *
 * Model: full presses of all heads; the rest is scaled by hand, or pressed as one more with pieces to spare.
 * Range: pieces of 0 or more, a piece within the divider's range. Source: domain arithmetic (dividers).
 * Failures: `piece-outside-divider`.
 * Example: 144 pieces of 62 g on 30 heads are 4 presses of 1 860 g and 24 by hand, or 6 to spare.
 */
export function divide(
	pieces: number,
	piece: Mass,
	divider: Divider
): Result<Division, DivisionFailure> {
	if (piece.grams < divider.leastPiece.grams || piece.grams > divider.mostPiece.grams)
		return fail({ kind: 'piece-outside-divider', piece, divider });
	const presses = Math.floor(pieces / divider.heads);
	const byHand = pieces - presses * divider.heads;
	return ok({
		presses,
		press: { grams: piece.grams * divider.heads },
		byHand,
		spareWithOneMore: byHand === 0 ? 0 : divider.heads - byHand
	});
}
