import type { Heads } from './table-columns.ts';

/** The columns of a table of products. */
export type ProductColumn =
	'product' | 'part' | 'of' | 'grams' | 'forPieces' | 'lost' | 'spares' | 'label' | 'shape';

/** The columns that are written, and what else each may be called in a file of somebody else. */
export const PRODUCT_HEADS: Heads<ProductColumn> = {
	product: ['Product'],
	part: ['Part', 'use'],
	of: ['Of', 'what', 'dough', 'ingredient'],
	grams: ['Weight (g)', 'scaled weight', 'scaled', 'grams', 'amount'],
	forPieces: ['For pieces'],
	lost: ['Lost in the oven (%)', 'bake loss'],
	spares: ['Spares (%)'],
	label: ['Weight on the label (g)', 'baked weight'],
	shape: ['Shape']
};
