import type { Demand, Window } from '../problem.ts';
import { found, foundAll } from './by-name.ts';
import type { LagPiece } from '../kernel/row.ts';
import type { CompiledDemand, CompiledWindow } from './compiled.ts';
import { listOf } from './lists.ts';

function piecesOf(window: Window, horizon: number): LagPiece[] {
	const most = window.most ?? horizon;
	const wish = window.wish ?? window.least;
	const price = window.wish === null ? 0 : window.price;
	const pieces: LagPiece[] = [];
	if (window.outside !== null) {
		if (!window.firmLeast)
			pieces.push({
				least: -horizon,
				most: window.least - 1,
				base: price * (wish - window.least) + window.outside * window.least,
				slope: -window.outside
			});
		if (window.most !== null)
			pieces.push({
				least: most + 1,
				most: horizon,
				base: price * (most - wish) - window.outside * most,
				slope: window.outside
			});
	}
	if (price === 0) return [...pieces, { least: window.least, most, base: 0, slope: 0 }];
	if (wish > window.least)
		pieces.push({ least: window.least, most: wish, base: price * wish, slope: -price });
	if (most >= wish) pieces.push({ least: wish, most, base: -price * wish, slope: price });
	return pieces;
}

/**
 * Demands and windows of a problem as they are read at every turn; what is alike is one object: hundreds of them are read,
 * and should lie near each other.
 */
export class Alike {
	/** Pools by the amounts that are asked of them. */
	readonly views: { pool: number; amount: number }[] = [];
	private readonly viewIndex = new Map<number, number>();
	private readonly demands = new Map<string, CompiledDemand>();
	private readonly windows = new Map<string, CompiledWindow>();

	constructor(
		private readonly horizon: number,
		private readonly pools: ReadonlyMap<string, number>,
		/** Pools that never run out while they are there. */
		private readonly plenty: ReadonlySet<string>
	) {}

	demand({ pools: names, from, to, amount }: Demand): CompiledDemand {
		const pools = foundAll(this.pools, names);
		const key = `${from} ${to} ${amount} ${pools.join(' ')}`;
		const known = this.demands.get(key);
		if (known) return known;
		const [only] = pools;
		const isOne = pools.length === 1 && only !== undefined;
		const view = isOne ? this.view(only, amount) : -1;
		const choice: number[][] = [];
		if (!isOne)
			for (const pool of pools) {
				const views: number[] = [];
				for (let of = 1; of <= amount; of += 1) views.push(this.view(pool, of));
				choice.push(views);
			}
		const plenty = names.length === 1 && this.plenty.has(names[0] ?? '');
		const made: CompiledDemand = { from, to, amount, pools, view, plenty, choice };
		this.demands.set(key, made);
		return made;
	}

	window(window: Window): CompiledWindow {
		const { least, wish, price, outside, firmLeast, tier } = window;
		const most = window.most ?? this.horizon;
		const holds: CompiledWindow['holds'][number][] = [];
		let key = `${least} ${window.most} ${wish} ${price} ${outside} ${firmLeast} ${tier}`;
		for (const { pool: name, amount } of window.holds) {
			const pool = found(this.pools, name);
			key += ` ${pool} ${amount}`;
			holds.push({ pool, amount, view: this.view(pool, amount) });
		}
		const known = this.windows.get(key);
		if (known) return known;
		const made: CompiledWindow = {
			least,
			most,
			hardLeast: outside === null || firmLeast ? least : -this.horizon,
			hardMost: outside === null ? most : this.horizon,
			wish: wish ?? least,
			price: wish === null ? 0 : price,
			outside: outside ?? -1,
			tier,
			pieces: listOf(piecesOf(window, this.horizon)),
			holds
		};
		this.windows.set(key, made);
		return made;
	}

	private view(pool: number, amount: number): number {
		const key = pool * 100_000 + amount;
		const known = this.viewIndex.get(key);
		if (known !== undefined) return known;
		this.viewIndex.set(key, this.views.length);
		this.views.push({ pool, amount });
		return this.views.length - 1;
	}
}
