import type { DropId, ProductId } from '../identity.ts';
import type { BakeDayInput } from '../planning/index.ts';
import type { CountedPortion } from './counted.ts';
import type { ResultEntry } from './result-entry.ts';

/** A drop that a short product goes to. */
export interface ShortDrop {
	readonly dropId: DropId;
	readonly name: string;
	readonly readyByMs: number;
	readonly ordered: number;
	/** What it gets by what was answered so far. */
	readonly gets: number;
	/** What it would get if it bears what is still open, as far as it can. */
	readonly wouldGet: number;
}

/** A product of which there is less than was ordered. */
export interface Short {
	readonly productId: ProductId;
	readonly name: string;
	readonly ordered: number;
	readonly expected: number;
	/** Missing, and nobody has said what is done about it. */
	readonly open: number;
	/** To be made again by a batch that is in no accepted plan yet. */
	readonly toPlan: number;
	/** Where it was short: the portion with the most second and lost, which is made again. */
	readonly portion: CountedPortion;
	/** The one that goes last first: it can still be helped (our default). */
	readonly drops: readonly ShortDrop[];
}

/**
 * What the drops of a night lack, product by product, with who could get less.
 *
 * Model: ordered less expected is missing; answered is what drops get less and what is made again by a plan to come. Range: the counted portions of
 * the plan, the results of its date. Source: definition. Failures: none.
 * Example: 32 ordered, 30 expected, the last drop gets 2 less: nothing is open, and that drop gets its order less 2.
 */
export function shortsOf(
	input: Pick<BakeDayInput, 'orders' | 'drops'>,
	counted: readonly CountedPortion[],
	results: readonly ResultEntry[],
	acceptedAtMs: number
): readonly Short[] {
	const products = [...new Set(input.orders.map(({ productId }) => productId))];
	return products.flatMap((productId): readonly Short[] => {
		const orders = input.orders.filter((order) => order.productId === productId);
		const ordered = sum(orders.map(({ pieces }) => pieces));
		const portions = counted.filter(({ portion }) => portion.productId === productId);
		const expected = sum(portions.map((one) => one.expected));
		const [worst] = [...portions].sort((a, b) => b.second + b.lost - (a.second + a.lost));
		if (!worst) return [];
		const ofProduct = results.filter(({ portion }) => portion.productId === productId);
		const lessOf = (dropId: DropId | null) =>
			sum(
				ofProduct.map(({ told }) =>
					told.kind === 'less' && (dropId === null || told.dropId === dropId) ? told.pieces : 0
				)
			);
		const toPlan = sum(
			ofProduct.map(({ told, atMs }) =>
				told.kind === 'again' && atMs > acceptedAtMs ? told.pieces : 0
			)
		);
		const missing = Math.max(0, ordered - expected);
		const less = lessOf(null);
		if (missing === 0 && less === 0) return [];
		const open = Math.max(0, missing - less - toPlan);
		const drops = input.drops
			.flatMap(({ id: dropId, name, readyByMs }): readonly ShortDrop[] => {
				const order = sum(
					orders.filter((one) => one.dropId === dropId).map(({ pieces }) => pieces)
				);
				if (order === 0) return [];
				const gets = Math.max(0, order - lessOf(dropId));
				return [
					{ dropId, name, readyByMs, ordered: order, gets, wouldGet: Math.max(0, gets - open) }
				];
			})
			.sort((a, b) => b.readyByMs - a.readyByMs);
		return [
			{
				productId,
				name: orders[0]?.name ?? '',
				ordered,
				expected,
				open,
				toPlan,
				portion: worst,
				drops
			}
		];
	});
}

const sum = (numbers: readonly number[]) => numbers.reduce((all, one) => all + one, 0);
