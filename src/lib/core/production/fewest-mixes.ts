/** What a number of mixes follows from, before it is known how the pieces are shared out over them. */
export interface MixAsked {
	/** Pieces of each product that takes this dough, and what one takes of it. */
	readonly products: readonly { readonly pieces: number; readonly grams: number }[];
	readonly doughLossShare: number;
	/** What of the dough the mixer sees: what is rolled in afterwards it does not. */
	readonly mixedShare: number;
	/** The most that a mixer takes. */
	readonly mostGrams: number;
}

/**
 * Gives the fewest mixes that pieces of one dough ask for.
 *
 * Model: dough = pieces x weight / (1 - dough loss); dough fills mixes, and whole pieces of the heaviest product do: no
 * fewer than either asks for. Range: pieces and weights of 0 or more; a mixer that takes one piece at least. Source: domain
 * arithmetic (mixes). Failures: none; no pieces are no mix.
 * Example: 40 x 900 g and 24 x 520 g at 2.5 % loss in a mixer of 30 kg are 2.
 */
export function fewestMixes({ products, doughLossShare, mixedShare, mostGrams }: MixAsked): number {
	const asked = products.filter(({ pieces }) => pieces > 0);
	if (asked.length === 0) return 0;
	const kept = 1 - doughLossShare;
	const most = mostGrams / mixedShare;
	const grams = asked.reduce((total, one) => total + one.pieces * one.grams, 0);
	const heaviest = asked.reduce((heavy, one) => (one.grams > heavy.grams ? one : heavy));
	const wholePieces = Math.floor((most * kept) / heaviest.grams + 1e-9);
	return Math.max(
		1,
		Math.ceil(grams / kept / most - 1e-9),
		Math.ceil(heaviest.pieces / Math.max(1, wholePieces))
	);
}
