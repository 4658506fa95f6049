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

/** A tray as prover and rack take it, in cm (our default). */
const TRAY: Area = { lengthCm: 60, widthCm: 40 };

/** Pieces on a tray where nobody said what ground they take (our default). */
const ON_A_TRAY = 8;

/**
 * How many pieces stand on a tray; less than one for what is larger than a tray.
 *
 * Model: as they lie on a deck, with nothing between them; what does not fit so takes its share of the ground.
 * Range: any ground above 0; null where it is not known. Source: our default. Failures: none.
 * Example: tins of 28 x 13 cm stand 6 to a tray.
 */
export function piecesPerTray(ground: Area | null): number {
	if (!ground) return ON_A_TRAY;
	const { pieces } = layoutOn(TRAY, ground, 0);
	return pieces > 0 ? pieces : (TRAY.lengthCm * TRAY.widthCm) / (ground.lengthCm * ground.widthCm);
}
