import type { ProductDetailView } from '../../../contracts/book-views.ts';
import type { CutKind, SheetCut, SheetOfProduct } from '../../../core/sheeting/index.ts';

/** A cut of a kind, to be typed over (our defaults). */
export function beginCut(kind: CutKind): SheetCut {
	switch (kind) {
		case 'triangles':
			return { kind, baseCm: 10, heightCm: 24, halvesJoined: false };
		case 'rectangles':
			return { kind, alongCm: 10, acrossCm: 10 };
		case 'strips':
			return { kind, widthCm: 2, lengthCm: 24 };
		case 'rounds':
			return { kind, diameterCm: 10 };
		case 'slices':
			return { kind, thicknessCm: 3, rolledCm: 40 };
	}
}

/** Where nobody said what is rolled out on (our default). */
const USUAL_ROOM = { widthCm: 50, lengthCm: 120 };
const USUAL_EDGE_CM = 1;

/** The sheet that a product begins with. */
export function beginSheet({ rollsOut }: Pick<ProductDetailView, 'rollsOut'>): SheetOfProduct {
	const room = rollsOut ?? USUAL_ROOM;
	return {
		cut: beginCut('triangles'),
		edgeCm: USUAL_EDGE_CM,
		mostWidthCm: room.widthCm,
		mostLengthCm: room.lengthCm,
		gramsPerCubicCm: null,
		filledFirst: false,
		trimGoes: 'thrown-away'
	};
}
