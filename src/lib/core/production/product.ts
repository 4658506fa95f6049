import type { FormulaId, ProductId } from '../identity.ts';
import type { Material } from '../formula/index.ts';
import { sheetShare, type SheetOfProduct } from '../sheeting/index.ts';
import type { Mass, Share } from '../units/index.ts';
import type { DoughProduct } from './demand.ts';

/** What goes on, in or around the piece beside its dough. */
export const EXTRA_USES = [
	'filling',
	'coating',
	'topping',
	'wash',
	'bath',
	'glaze',
	'dusting'
] as const;
export type ExtraUse = (typeof EXTRA_USES)[number];

/** So many grams for so many pieces: 25 g for 1 piece, 500 g for 24, or a bath of 4 kg for up to 60. */
export interface ProductExtra {
	readonly use: ExtraUse;
	readonly material: Material;
	readonly amount: Mass;
	readonly forPieces: number;
}

/**
 * One of the doughs of a piece. The first carries the piece through its chain, the others join it; one dough may stand
 * there twice, inside and outside.
 */
export interface ProductDough {
	readonly formulaId: FormulaId;
	readonly scaledWeight: Mass;
}

/** A product: one or more doughs, and what goes with them. */
export interface BakeryProduct {
	readonly id: ProductId;
	readonly name: string;
	readonly doughs: readonly ProductDough[];
	readonly extras: readonly ProductExtra[];
	/** How it is rolled out and cut; null for what is divided by weight. */
	readonly sheet: SheetOfProduct | null;
	/** Pieces made beyond what is ordered, for breakage and seconds, as a share of them. */
	readonly spares: Share;
}

/**
 * Gives each product as each of its doughs sees it; a dough that stands in a piece twice is made as one. What is cut from
 * a sheet takes its trim along, by the sheets that all its pieces are cut from.
 * Range: any products, whole pieces. Source: definition. Failures: none.
 * Example: 350 g inside and 125 g outside of one dough are 475 g of it, in two parts.
 */
export function asDoughs(
	products: readonly BakeryProduct[],
	pieces: (product: ProductId) => number = () => 0
): readonly DoughProduct[] {
	return products.flatMap(({ id, name, doughs, sheet }) => {
		const share = sheetShare(sheet, pieces(id));
		return [...new Set(doughs.map(({ formulaId }) => formulaId))].map((formulaId, at) => {
			const parts = doughs
				.filter((dough) => dough.formulaId === formulaId)
				.map(({ scaledWeight }) => scaledWeight);
			const scaled = parts.reduce((total, { grams }) => total + grams, 0);
			return {
				id,
				name,
				formulaId,
				scaledWeight: { grams: scaled },
				parts,
				takes: { grams: scaled * share },
				role: at === 0 ? ('carries' as const) : ('joins' as const)
			};
		});
	});
}

/**
 * What the pieces of a product take of an extra: each its share, but a bath is made whole, and a filling that is spread
 * before the sheet is cut goes onto all of the sheet.
 */
export function amountOfExtra(
	extra: ProductExtra,
	pieces: number,
	sheet: SheetOfProduct | null
): Mass {
	const shares = pieces / extra.forPieces;
	if (extra.use === 'bath') return { grams: extra.amount.grams * Math.ceil(shares) };
	const spread = extra.use === 'filling' && sheet?.filledFirst ? sheetShare(sheet, pieces) : 1;
	return { grams: extra.amount.grams * shares * spread };
}
