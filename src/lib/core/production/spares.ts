import type { ProductId } from '../identity.ts';
import type { Share } from '../units/index.ts';
import type { Demand } from './demand.ts';

/**
 * Gives the pieces made beyond what is ordered, for breakage and seconds.
 * Range: whole pieces of 0 or more, a share of 0 or more. Source: definition. Failures: none.
 * Example: 2 % of 120 pieces are 3 spare ones; of 40, one.
 */
export function sparePieces(ordered: number, spares: Share): number {
	// 2 % of 150 is 3, whatever the last digit of the product says.
	return Math.max(0, Math.ceil(ordered * spares.share - 1e-9));
}

/**
 * Gives the demands with the spare pieces of each product. They go with its earliest drop: what breaks is missed there
 * first, and what does not is there for the later ones.
 * Range: whole pieces. Source: our default. Failures: none.
 * Example: 40 for five o'clock and 80 for seven with 2 % of spares are 43 and 80.
 */
export function withSpares(
	demands: readonly Demand[],
	spares: ReadonlyMap<ProductId, Share>
): readonly Demand[] {
	const first = new Map<ProductId, { readonly demand: Demand; readonly ordered: number }>();
	for (const demand of demands) {
		if (demand.pieces === 0) continue;
		const known = first.get(demand.productId);
		first.set(demand.productId, {
			demand: known && known.demand.dueMs <= demand.dueMs ? known.demand : demand,
			ordered: (known?.ordered ?? 0) + demand.pieces
		});
	}
	return demands.map((demand) => {
		const of = first.get(demand.productId);
		const share = spares.get(demand.productId);
		return of?.demand === demand && share
			? { ...demand, pieces: demand.pieces + sparePieces(of.ordered, share) }
			: demand;
	});
}
