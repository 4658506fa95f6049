import { layoutOn, type Deck, type OvenPiece } from '../../core/bakery/index.ts';

/** One piece from above, in cm of its deck. */
export interface LyingPiece {
	readonly xCm: number;
	readonly yCm: number;
	readonly lengthCm: number;
	readonly widthCm: number;
}

/** A group of like pieces to be laid on a deck. */
export interface PiecesToLie {
	readonly piece: OvenPiece;
	readonly pieces: number;
}

/** Where rows with the spacing of the piece do not take as many as the baker says, they lie closer. */
const CLOSER = [1, 0.5, 0.25, 0];

/**
 * Where pieces lie on a deck from above, to scale: row by row from the back, one product behind the other. Null for a rack
 * or pots, where the ground of a piece is not known, and where so many do not lie on it even side by side.
 */
export function lieOnDeck(
	deck: Deck,
	groups: readonly PiecesToLie[]
): readonly LyingPiece[] | null {
	if (deck.kind !== 'sole') return null;
	for (const share of CLOSER) {
		const lying = inRows(deck, groups, share);
		if (lying) return lying;
	}
	return null;
}

function inRows(
	deck: Deck,
	groups: readonly PiecesToLie[],
	spacingShare: number
): readonly LyingPiece[] | null {
	const lying: LyingPiece[] = [];
	let rowFromCm = 0;
	for (const { piece, pieces } of groups) {
		const { footprint } = piece;
		if (!footprint) return null;
		const spacingCm = piece.spacingCm * spacingShare;
		const { turned, along } = layoutOn(deck, footprint, spacingCm);
		if (along === 0) return null;
		const lengthCm = turned ? footprint.widthCm : footprint.lengthCm;
		const widthCm = turned ? footprint.lengthCm : footprint.widthCm;
		for (let at = 0; at < pieces; at += 1)
			lying.push({
				xCm: (at % along) * (lengthCm + spacingCm) + spacingCm / 2,
				yCm: rowFromCm + Math.floor(at / along) * (widthCm + spacingCm) + spacingCm / 2,
				lengthCm,
				widthCm
			});
		rowFromCm += Math.ceil(pieces / along) * (widthCm + spacingCm);
	}
	return rowFromCm <= deck.widthCm + 1e-9 ? lying : null;
}
