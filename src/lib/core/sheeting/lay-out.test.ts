import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import {
	areaOfPiece,
	densityOfWeighed,
	layOut,
	outlinesOf,
	sheetDensity,
	sheetShare,
	thicknessOf,
	weightAt,
	type Outline,
	type SheetCut,
	type SheetLayout,
	type SheetOfProduct
} from './index.ts';

const close = (found: number, wanted: number, within: number, what = '') =>
	assert.ok(Math.abs(found - wanted) <= within, `${what} ${found} is not ${wanted}`);

function sheetOf(cut: SheetCut, rest: Partial<SheetOfProduct> = {}): SheetOfProduct {
	return {
		cut,
		edgeCm: 1,
		mostWidthCm: 62,
		mostLengthCm: 180,
		gramsPerCubicCm: 1.1,
		filledFirst: false,
		trimGoes: 'thrown-away',
		...rest
	};
}

function laid(sheet: SheetOfProduct, grams: number, pieces: number): SheetLayout {
	const found = layOut(sheet, { grams }, pieces);
	assert.ok(found.ok, `not laid out: ${JSON.stringify(found)}`);
	return found.value;
}

test('worked figures: 84 strips in two rows, weighed with their trim', () => {
	const strips = sheetOf({ kind: 'strips', widthCm: 2, lengthCm: 30 });
	const found = laid(strips, 66, 84);
	assert.deepEqual(
		[found.sheets, found.rows, found.inRow, found.pieces, found.over],
		[1, 2, 42, 84, 0]
	);
	// 60 cm2 of 66 g at 1.1 g/cm3 are 1 cm thick: 86 x 62 x 1 cm are 5865.2 g.
	assert.deepEqual(found.size, { lengthCm: 86, widthCm: 62, thicknessMm: 10 });
	close(found.sheet.grams, 5865.2, 1e-6);
	close(found.trim.grams, 5865.2 - 84 * 66, 1e-6);
	close(sheetShare(strips, 84), 5865.2 / (84 * 66), 1e-9);
});

test('a table that is too short takes several sheets, all alike', () => {
	const short = sheetOf({ kind: 'strips', widthCm: 2, lengthCm: 30 }, { mostLengthCm: 62 });
	const found = laid(short, 66, 84);
	assert.deepEqual([found.sheets, found.rows, found.inRow, found.over], [2, 2, 21, 0]);
	close(found.size.lengthCm, 44, 1e-9);
	// One more asks for a row more in both.
	assert.deepEqual([laid(short, 66, 85).pieces, laid(short, 66, 85).over], [88, 3]);
});

test('a row of triangles ends in halves, which are cut off or pressed together', () => {
	const cut = { kind: 'triangles', baseCm: 10, heightCm: 28, halvesJoined: false } as const;
	const apart = sheetOf(cut, { edgeCm: 0, mostWidthCm: 28 });
	const joined = { ...apart, cut: { ...cut, halvesJoined: true } };
	// Eleven of 140 cm2 reach over twelve half bases.
	assert.deepEqual(
		[laid(apart, 77, 11).size.lengthCm, laid(joined, 77, 12).size.lengthCm],
		[60, 60]
	);
	close(laid(apart, 77, 11).trim.grams, 77, 1e-9, 'the two halves are one piece');
	close(laid(joined, 77, 12).trim.grams, 0, 1e-9);
	close(laid(apart, 77, 11).size.thicknessMm, 5, 1e-9);
});

test('rounds lie in the gaps of the row before where that takes less dough', () => {
	const rounds = sheetOf(
		{ kind: 'rounds', diameterCm: 10 },
		{ edgeCm: 0, mostWidthCm: 50, mostLengthCm: 200 }
	);
	const many = laid(rounds, 50, 60);
	assert.ok(many.staggered, 'sixty are staggered');
	const square = (many.pieces * 100) / (many.size.lengthCm * many.size.widthCm);
	assert.ok(square > 1, `${square} pieces on the ground of one`);
	assert.ok(!laid(rounds, 50, 5).staggered, 'one row is not');
});

test('what no sheet can hold is told with what it needs and what there is', () => {
	const wide = layOut(
		sheetOf({ kind: 'rectangles', alongCm: 20, acrossCm: 70 }),
		{ grams: 100 },
		4
	);
	assert.deepEqual(wide, {
		ok: false,
		error: { kind: 'piece-beyond-sheet', way: 'across', needsCm: 72, mostCm: 62 }
	});
	const long = layOut(
		sheetOf({ kind: 'rectangles', alongCm: 40, acrossCm: 10 }, { mostLengthCm: 41 }),
		{ grams: 100 },
		4
	);
	assert.ok(
		!long.ok && long.error.kind === 'piece-beyond-sheet' && long.error.way === 'along',
		'along'
	);
	const many = layOut(
		sheetOf({ kind: 'rounds', diameterCm: 55 }, { mostLengthCm: 60 }),
		{ grams: 100 },
		9999
	);
	assert.ok(!many.ok && many.error.kind === 'too-many-sheets', 'too many');
	assert.equal(sheetShare(sheetOf({ kind: 'rounds', diameterCm: 90 }), 10), 1);
	assert.equal(sheetShare(null, 10), 1);
});

test('thickness, weight and a weighed piece tell the same story', () => {
	const sheet = sheetOf({ kind: 'triangles', baseCm: 12, heightCm: 24, halvesJoined: false });
	close(thicknessOf(weightAt(4, sheet), sheet), 4, 1e-9);
	const weighed = densityOfWeighed({ grams: 54 }, 4, sheet.cut);
	close(weightAt(4, { ...sheet, gramsPerCubicCm: weighed }).grams, 54, 1e-9);
	assert.equal(sheetDensity({ ...sheet, gramsPerCubicCm: null }), 1.1);
});

const side = fc.integer({ min: 1, max: 60 }).map((half) => half / 2);
const cuts: fc.Arbitrary<SheetCut> = fc.oneof(
	fc.record({
		kind: fc.constant('triangles' as const),
		baseCm: side,
		heightCm: side,
		halvesJoined: fc.boolean()
	}),
	fc.record({ kind: fc.constant('rectangles' as const), alongCm: side, acrossCm: side }),
	fc.record({ kind: fc.constant('strips' as const), widthCm: side, lengthCm: side }),
	fc.record({ kind: fc.constant('rounds' as const), diameterCm: side }),
	fc.record({ kind: fc.constant('slices' as const), thicknessCm: side, rolledCm: side })
);
const sheets = fc
	.record({
		cut: cuts,
		edgeCm: fc.integer({ min: 0, max: 4 }).map((half) => half / 2),
		mostWidthCm: fc.integer({ min: 20, max: 90 }),
		mostLengthCm: fc.integer({ min: 30, max: 260 })
	})
	.map(({ cut, ...rest }) => sheetOf(cut, rest));

function areaOf(outline: Outline): number {
	if (outline.kind === 'circle') return Math.PI * outline.radiusCm ** 2;
	const { points } = outline;
	const twice = points.reduce((total, { x, y }, at) => {
		const next = points[(at + 1) % points.length] ?? { x, y };
		return total + x * next.y - next.x * y;
	}, 0);
	return Math.abs(twice) / 2;
}

test('pieces and trim are the sheet, the count is held, and every piece lies on it', () => {
	let laidOut = 0;
	fc.assert(
		fc.property(sheets, fc.integer({ min: 1, max: 300 }), (sheet, pieces) => {
			const found = layOut(sheet, { grams: 80 }, pieces);
			if (!found.ok) return;
			laidOut += 1;
			const layout = found.value;
			const { size } = layout;
			assert.ok(layout.pieces >= pieces, `${layout.pieces} of ${pieces}`);
			assert.equal(layout.pieces - layout.over, pieces);
			close(layout.each * 80 + layout.trim.grams, layout.sheet.grams, 1e-6);
			close(
				layout.sheet.grams,
				((size.lengthCm * size.widthCm * size.thicknessMm) / 10) * 1.1,
				layout.sheet.grams * 1e-9
			);
			assert.ok(size.widthCm <= sheet.mostWidthCm + 1e-6, 'too wide');
			assert.ok(size.lengthCm <= sheet.mostLengthCm + 1e-6, 'too long');
			// What is drawn is what was counted: the same area, and nothing beyond the edge.
			const outlines = outlinesOf(sheet, layout);
			const cutArea = outlines
				.filter((one) => one.kind === 'circle' || !one.isHalf || isJoined(sheet.cut))
				.reduce((total, one) => total + areaOf(one), 0);
			close(cutArea, layout.each * areaOfPiece(sheet.cut), cutArea * 1e-9, 'drawn area');
			for (const one of outlines)
				for (const [x, y] of cornersOf(one)) {
					assert.ok(x >= sheet.edgeCm - 1e-6 && x <= size.lengthCm - sheet.edgeCm + 1e-6, 'along');
					assert.ok(y >= sheet.edgeCm - 1e-6 && y <= size.widthCm - sheet.edgeCm + 1e-6, 'across');
				}
		})
	);
	assert.ok(laidOut > 40, `${laidOut} laid out`);
});

function isJoined(cut: SheetCut): boolean {
	return cut.kind === 'triangles' && cut.halvesJoined;
}

function cornersOf(outline: Outline): readonly (readonly [number, number])[] {
	if (outline.kind === 'polygon') return outline.points.map(({ x, y }) => [x, y]);
	const { centre, radiusCm: r } = outline;
	return [
		[centre.x - r, centre.y - r],
		[centre.x + r, centre.y + r]
	];
}

test('a larger table never takes more sheets, and a piece more never less dough', () => {
	fc.assert(
		fc.property(sheets, fc.integer({ min: 1, max: 200 }), (sheet, pieces) => {
			const grams = (one: SheetOfProduct, count: number) => {
				const found = layOut(one, { grams: 80 }, count);
				return found.ok ? [found.value.sheets, found.value.sheets * found.value.sheet.grams] : null;
			};
			const here = grams(sheet, pieces);
			const larger = grams(
				{ ...sheet, mostWidthCm: sheet.mostWidthCm + 10, mostLengthCm: sheet.mostLengthCm + 20 },
				pieces
			);
			if (!here) return;
			assert.ok(larger && (larger[0] ?? 0) <= (here[0] ?? 0), 'more sheets on a larger table');
			const more = grams(sheet, pieces + 1);
			// A sheet more may lie better; on as many sheets a piece more is never less.
			if (more && more[0] === here[0])
				assert.ok((more[1] ?? 0) >= (here[1] ?? 0) - 1e-6, 'less dough for more');
		})
	);
});
