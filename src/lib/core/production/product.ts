import type { FormulaId, ProductId } from '../identity.ts';
import type { Material } from '../formula/index.ts';
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
	/** Pieces made beyond what is ordered, for breakage and seconds, as a share of them. */
	readonly spares: Share;
}

/**
 * Gives each product as each of its doughs sees it; a dough that stands in a piece twice is made as one.
 * Range: any products. Source: definition. Failures: none.
 * Example: 350 g inside and 125 g outside of one dough are 475 g of it, in two parts.
 */
export function asDoughs(products: readonly BakeryProduct[]): readonly DoughProduct[] {
	return products.flatMap(({ id, name, doughs }) =>
		[...new Set(doughs.map(({ formulaId }) => formulaId))].map((formulaId, at) => {
			const parts = doughs
				.filter((dough) => dough.formulaId === formulaId)
				.map(({ scaledWeight }) => scaledWeight);
			return {
				id,
				name,
				formulaId,
				scaledWeight: { grams: parts.reduce((total, { grams }) => total + grams, 0) },
				parts,
				role: at === 0 ? ('carries' as const) : ('joins' as const)
			};
		})
	);
}

/** What the pieces of a product take of an extra: each its share, but a bath is made whole. */
export function amountOfExtra(extra: ProductExtra, pieces: number): Mass {
	const shares = pieces / extra.forPieces;
	return { grams: extra.amount.grams * (extra.use === 'bath' ? Math.ceil(shares) : shares) };
}
