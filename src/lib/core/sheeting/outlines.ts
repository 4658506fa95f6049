import type { SheetCut, SheetOfProduct } from './cut.ts';
import type { SheetLayout } from './lay-out.ts';

export interface Point {
	/** Along the sheet and across it, in cm from its corner. */
	readonly x: number;
	readonly y: number;
}

/** What one cut leaves, as it lies on the sheet. */
export type Outline =
	| { readonly kind: 'polygon'; readonly points: readonly Point[]; readonly isHalf: boolean }
	| { readonly kind: 'circle'; readonly centre: Point; readonly radiusCm: number };

/**
 * Gives the pieces of one sheet where they are cut, and the half triangles at the ends of rows.
 * Range: a layout of this very sheet. Source: as `layOut`. Failures: none.
 * Example: a row of 3 triangles has two halves beside them.
 */
export function outlinesOf(
	{ cut, edgeCm }: SheetOfProduct,
	{ rows, inRow, staggered }: Pick<SheetLayout, 'rows' | 'inRow' | 'staggered'>
): readonly Outline[] {
	const found: Outline[] = [];
	for (let row = 0; row < rows; row += 1)
		found.push(...outlinesOfRow(cut, edgeCm, row, inRow, staggered));
	return found;
}

function outlinesOfRow(
	cut: SheetCut,
	edgeCm: number,
	row: number,
	inRow: number,
	staggered: boolean
): readonly Outline[] {
	const at = Array.from({ length: inRow }, (_, place) => place);
	switch (cut.kind) {
		case 'triangles':
			return triangles(cut, edgeCm, edgeCm + row * cut.heightCm, inRow);
		case 'rounds': {
			const radiusCm = cut.diameterCm / 2;
			const y = edgeCm + radiusCm + row * cut.diameterCm * (staggered ? Math.sqrt(3) / 2 : 1);
			const shift = staggered && row % 2 === 1 ? radiusCm : 0;
			return at.map((place) => ({
				kind: 'circle' as const,
				centre: { x: edgeCm + radiusCm + shift + place * cut.diameterCm, y },
				radiusCm
			}));
		}
		case 'rectangles':
			return at.map((place) => box(edgeCm, row, place, cut.alongCm, cut.acrossCm));
		case 'strips':
			return at.map((place) => box(edgeCm, row, place, cut.widthCm, cut.lengthCm));
		case 'slices':
			return at.map((place) => box(edgeCm, row, place, cut.thicknessCm, cut.rolledCm));
	}
}

function box(
	edgeCm: number,
	row: number,
	place: number,
	alongCm: number,
	acrossCm: number
): Outline {
	const x = edgeCm + place * alongCm;
	const y = edgeCm + row * acrossCm;
	return {
		kind: 'polygon',
		isHalf: false,
		points: [
			{ x, y },
			{ x: x + alongCm, y },
			{ x: x + alongCm, y: y + acrossCm },
			{ x, y: y + acrossCm }
		]
	};
}

function triangles(
	{ baseCm, heightCm, halvesJoined }: Extract<SheetCut, { kind: 'triangles' }>,
	left: number,
	top: number,
	inRow: number
): readonly Outline[] {
	const half = baseCm / 2;
	const bottom = top + heightCm;
	const whole = inRow - (halvesJoined ? 1 : 0);
	const found: Outline[] = [];
	// The first stands on its base at the near side; its tip and the next one's base are at the far side.
	const y = (onBase: boolean) => (onBase ? bottom : top);
	for (let place = 0; place < whole; place += 1) {
		const x = left + place * half;
		const onBase = place % 2 === 0;
		found.push({
			kind: 'polygon',
			isHalf: false,
			points: [
				{ x, y: y(onBase) },
				{ x: x + baseCm, y: y(onBase) },
				{ x: x + half, y: y(!onBase) }
			]
		});
	}
	const end = left + (whole + 1) * half;
	const lastOnBase = whole % 2 === 1;
	return [
		...found,
		{
			kind: 'polygon',
			isHalf: true,
			points: [
				{ x: left, y: top },
				{ x: left + half, y: top },
				{ x: left, y: bottom }
			]
		},
		{
			kind: 'polygon',
			isHalf: true,
			points: [
				{ x: end, y: y(!lastOnBase) },
				{ x: end - half, y: y(!lastOnBase) },
				{ x: end, y: y(lastOnBase) }
			]
		}
	];
}
