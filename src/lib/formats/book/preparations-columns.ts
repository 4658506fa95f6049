import type { Heads } from './table-columns.ts';

/** The columns of a table of preparations. */
export type PreparationColumn =
	'preparation' | 'kind' | 'of' | 'parts' | 'lost' | 'keptBack' | 'dip' | 'renew';

/** The columns that are written, and what else each may be called in a file of somebody else. */
export const PREPARATION_HEADS: Heads<PreparationColumn> = {
	preparation: ['Preparation'],
	kind: ['Kind', 'kind of preparation'],
	of: ['Of', 'what', 'ingredient', 'material'],
	parts: ['Parts', 'weight', 'grams', 'amount'],
	lost: ['Left in the tub (%)'],
	keptBack: ['Kept back for the next feed (g)'],
	dip: ['In the bath (s)'],
	renew: ['Made anew after (min)']
};
