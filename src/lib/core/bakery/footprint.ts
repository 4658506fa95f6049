/** The ground that something takes or gives, in cm. */
export interface Area {
	readonly lengthCm: number;
	readonly widthCm: number;
}

/** Where pieces lie on a deck: rows along its length and its width, turned by a quarter or not. */
export interface Layout {
	readonly along: number;
	readonly across: number;
	readonly turned: boolean;
	readonly pieces: number;
}

/** Room around a piece on its deck, in cm (our default). */
export const USUAL_SPACING_CM = 3;

/**
 * How pieces of a footprint lie on a deck.
 *
 * Model: straight rows, every piece with its spacing around it, half of it towards the wall; the better of the two ways
 * to turn them.
 * Range: any lengths above 0. Source: our default. Failures: none; what does not fit gives 0 pieces.
 * Example: on 120 x 80 cm, pieces of 24 x 14 cm with 3 cm between them lie 4 by 4 along and 7 by 2 turned: 16.
 */
export function layoutOn(deck: Area, piece: Area, spacingCm: number): Layout {
	const rows = (room: number, length: number) => Math.floor(room / (length + spacingCm) + 1e-9);
	const straight = layout(
		rows(deck.lengthCm, piece.lengthCm),
		rows(deck.widthCm, piece.widthCm),
		false
	);
	const turned = layout(
		rows(deck.lengthCm, piece.widthCm),
		rows(deck.widthCm, piece.lengthCm),
		true
	);
	return turned.pieces > straight.pieces ? turned : straight;
}

function layout(along: number, across: number, turned: boolean): Layout {
	return { along, across, turned, pieces: along * across };
}
