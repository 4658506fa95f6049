import { ok, type Result } from '../result.ts';
import type { Mass } from '../units/index.ts';
import { sheetDensity, type SheetOfProduct } from './cut.ts';
import { layOut, type SheetFailure, type SheetLayout } from './lay-out.ts';
import type { RolledIn } from './rolled-in.ts';
import { turnSizes, type TurnAsked, type TurnSize } from './turn-sizes.ts';

/** A product to be rolled out: its doughs lie one on the other over the whole sheet. */
export interface SheetAsked {
	readonly name: string;
	readonly pieces: number;
	readonly sheet: SheetOfProduct;
	/** By name, with what one piece has of each; the first is the one that is turned. */
	readonly doughs: readonly { readonly name: string; readonly scaled: Mass }[];
	/** What goes onto the sheet before it is cut, for one piece. */
	readonly fillings: readonly { readonly name: string; readonly scaled: Mass }[];
	readonly turns: readonly TurnAsked[];
	readonly rolledIn: RolledIn | null;
	/** How warm its pieces stand to proof, where the fat in them melts at that; null where it does not. */
	readonly proofTooWarmCelsius: number | null;
}

export interface SheetWork {
	readonly layout: SheetLayout;
	/** Each dough of a sheet: how thick it lies and how much of it that is. */
	readonly layers: readonly {
		readonly name: string;
		readonly thicknessMm: number;
		readonly perSheet: Mass;
	}[];
	readonly fillings: readonly { readonly name: string; readonly perSheet: Mass }[];
	/** The block of the first dough: what was mixed of it, and the fat to lock in. */
	readonly block: { readonly dough: Mass; readonly fat: Mass };
	/** Its sizes at each turn; null for a dough that is not turned, or whose fat is not in its formula. */
	readonly turns: readonly TurnSize[] | null;
	/** A turn that is longer than the sheeter and the table take. */
	readonly beyond: TurnSize | null;
}

/**
 * Gives the work at the table for a product that is cut from sheets: what to roll, in what layers, and how its block is
 * turned before.
 *
 * Model: each dough has its share of the thickness by its weight; one block is one sheet, kept as wide as the sheet is.
 * Range: doughs above 0. Source: `layOut`, `turnSizes`. Failures: as `layOut`.
 * Example: a piece of 60 g and a cover of 12 g over the same 84 cm2 lie 6.5 and 1.3 mm thick.
 */
export function sheetWork(asked: SheetAsked): Result<SheetWork, SheetFailure> {
	const { sheet, doughs, turns, rolledIn, fillings } = asked;
	const piece = { grams: doughs.reduce((total, { scaled }) => total + scaled.grams, 0) };
	const laid = layOut(sheet, piece, asked.pieces);
	if (!laid.ok) return laid;
	const layout = laid.value;
	const onSheet = (scaled: Mass) => ({
		grams: (layout.sheet.grams * scaled.grams) / piece.grams
	});
	const layers = doughs.map(({ name, scaled }) => ({
		name,
		thicknessMm: (layout.size.thicknessMm * scaled.grams) / piece.grams,
		perSheet: onSheet(scaled)
	}));
	const turned = layers[0]?.perSheet.grams ?? 0;
	const fat = { grams: turned * (rolledIn?.shareOfDough.share ?? 0) };
	const block = { dough: { grams: turned - fat.grams }, fat };
	const sizes =
		turns.length > 0
			? turnSizes(
					{
						...block,
						gramsPerCubicCm: sheetDensity(sheet),
						fatGramsPerCubicCm: rolledIn?.gramsPerCubicCm ?? 1,
						widthCm: layout.size.widthCm
					},
					turns
				)
			: null;
	return ok({
		layout,
		layers,
		fillings: fillings.map(({ name, scaled }) => ({
			name,
			// A filling that is spread first covers the trim too.
			perSheet: sheet.filledFirst ? onSheet(scaled) : { grams: scaled.grams * layout.each }
		})),
		block,
		turns: sizes,
		beyond: sizes?.find(({ rolled }) => rolled.lengthCm > sheet.mostLengthCm + 1e-6) ?? null
	});
}
