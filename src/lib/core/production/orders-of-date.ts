/** A number that was typed for one date; null pieces leave it to the standing order again. */
export interface TypedOrder {
	readonly dropId: string;
	readonly productId: string;
	readonly pieces: number | null;
	readonly version: number;
}

/** What a standing order asks for on the weekday of a date. */
export interface StandingOrder {
	readonly dropId: string;
	readonly productId: string;
	readonly pieces: number;
}

/** What is ordered of one product for one drop of a date. */
export interface OrderOfDate {
	readonly dropId: string;
	readonly productId: string;
	readonly pieces: number;
	/** What the standing order asks for; 0 where there is none. */
	readonly standing: number;
	/** It was typed for this date, and does not follow the standing order. */
	readonly typed: boolean;
	/** Of the typed number; 0 where there was none yet. */
	readonly version: number;
}

/**
 * Gives what is ordered on a date: what was typed for it, and the standing orders where nothing was.
 *
 * Model: an exception by date goes before the standing order, 0 pieces too; a standing order counts only where its drop
 * goes and its product is made (`counts`). Range: one typed number and one standing order at the most for a product and
 * drop. Source: domain (orders). Failures: none.
 * Example: 24 standing and 30 typed are 30; 24 standing on a closed day are 0; 24 standing and 0 typed are 0.
 */
export function ordersOfDate(
	typed: readonly TypedOrder[],
	standing: readonly StandingOrder[],
	counts: (order: StandingOrder) => boolean
): readonly OrderOfDate[] {
	const key = ({ dropId, productId }: { readonly dropId: string; readonly productId: string }) =>
		`${dropId} ${productId}`;
	const stands = new Map(
		standing.filter(counts).map((order) => [key(order), order.pieces] as const)
	);
	const lines = typed.map((line): OrderOfDate => {
		const standingPieces = stands.get(key(line)) ?? 0;
		return {
			dropId: line.dropId,
			productId: line.productId,
			pieces: line.pieces ?? standingPieces,
			standing: standingPieces,
			typed: line.pieces !== null,
			version: line.version
		};
	});
	const seen = new Set(typed.map(key));
	return [
		...lines,
		...standing
			.filter((order) => counts(order) && !seen.has(key(order)))
			.map(({ dropId, productId, pieces }) => ({
				dropId,
				productId,
				pieces,
				standing: pieces,
				typed: false,
				version: 0
			}))
	];
}
