import { NEVER } from './compiled.ts';
import { MinCut } from './min-cut.ts';
import { Orders } from './orders.ts';
import { priceAt, priceOfLag } from './prices.ts';
import type { State } from './state.ts';

/**
 * The best times for a plan whose order, modes and units stay as they are.
 *
 * Model: with all orders fixed the plan is a simple temporal network with convex prices, an L-natural-convex function of
 * whole numbers; it is brought down by steepest descent: the set of tasks to move one unit later (or earlier) that
 * saves most is a minimum cut, until no set saves anything, which proves the optimum for that order. Portions of a
 * load move as one.
 * Source: Murota, discrete convex analysis; Dinic for the cuts. Failures: none; a plan that breaks something is left.
 */
export class Timing {
	private readonly orders: Orders;
	private readonly cut: MinCut;
	private readonly kept: Uint8Array;

	constructor(private readonly state: State) {
		this.orders = new Orders(state);
		this.cut = new MinCut(this.orders.most);
		this.kept = new Uint8Array(this.orders.most);
	}

	/** Gives the starts of all tasks at the optimum for the order of the plan; null where none can be improved. */
	improve(mostSteps: number): Int32Array | null {
		this.orders.read();
		let moved = false;
		let failed = 0;
		let sign: 1 | -1 = 1;
		for (let step = 0; step < mostSteps && failed < 2; step += 1) {
			if (this.step(sign)) {
				moved = true;
				failed = 0;
			} else {
				failed += 1;
				sign = sign === 1 ? -1 : 1;
			}
		}
		if (!moved) return null;
		const { model } = this.state;
		const starts = new Int32Array(model.tasks);
		for (let u = 0; u < model.tasks; u += 1) {
			const node = this.orders.nodeOf[u] as number;
			starts[u] = node < 0 ? -1 : (this.orders.time[node] as number);
		}
		return starts;
	}

	/** Moves the set of nodes that saves most by one unit; false where none saves anything. */
	private step(sign: 1 | -1): boolean {
		const { cut, state, kept, orders } = this;
		const { time, low, high, nodeOf, nodes } = orders;
		const { model } = state;
		cut.clear();
		const own = new Int32Array(nodes);
		for (let node = 0; node < nodes; node += 1) {
			const to = (time[node] as number) + sign;
			if (to < (low[node] as number) || to > (high[node] as number)) own[node] = NEVER;
		}
		for (let u = 0; u < model.tasks; u += 1) {
			const node = nodeOf[u] as number;
			if (node < 0) continue;
			const start = time[node] as number;
			const length = (state.end[u] as number) - (state.start[u] as number);
			for (const price of model.prices[u] ?? [])
				charge(
					own,
					node,
					priceAt(price, start + sign, start + sign + length) -
						priceAt(price, start, start + length)
				);
		}
		for (const { node, price } of orders.spanNodes) charge(own, node, sign * price);
		for (const edge of model.edges) {
			const window = orders.windowNow(edge);
			if (!window) continue;
			const a = nodeOf[edge.before] as number;
			const b = nodeOf[edge.after] as number;
			if (a === b) continue;
			const off = edge.fromStart
				? 0
				: (state.end[edge.before] as number) - (state.start[edge.before] as number);
			const lag = (time[b] as number) - (time[a] as number) - off;
			const now = priceOfLag(window, lag);
			this.joinPair(
				a,
				b,
				priceOfLag(window, lag - sign) - now,
				priceOfLag(window, lag + sign) - now,
				own
			);
		}
		for (const { a, b, least } of orders.arcs) {
			const room = (time[b] as number) - (time[a] as number) - least;
			// Only the one that is moved towards the other can break the order.
			if (room < 1) this.joinPair(a, b, sign > 0 ? NEVER : 0, sign > 0 ? 0 : NEVER, own);
		}
		for (let node = 0; node < nodes; node += 1) cut.price(node, own[node] as number);
		kept.fill(0);
		cut.solve(kept);
		let any = false;
		for (let node = 0; node < nodes; node += 1) {
			if (kept[node] !== 1) continue;
			time[node] = (time[node] as number) + sign;
			any = true;
		}
		return any;
	}

	/** Moving a but not b costs `first`, b but not a `second`; both together nothing. Convex: their sum is never less than 0. */
	private joinPair(a: number, b: number, first: number, second: number, own: Int32Array): void {
		const there = Math.min(NEVER, first);
		const back = Math.min(NEVER, second);
		if (there >= 0 && back >= 0) {
			this.cut.join(a, b, there, back);
			return;
		}
		// A saving is a node's own, and the other pays it back when it comes along.
		if (back < 0) {
			own[b] = Math.min(NEVER, (own[b] as number) + back);
			own[a] = Math.min(NEVER, (own[a] as number) - back);
			this.cut.join(a, b, Math.max(0, there + back), 0);
			return;
		}
		own[a] = Math.min(NEVER, (own[a] as number) + there);
		own[b] = Math.min(NEVER, (own[b] as number) - there);
		this.cut.join(b, a, Math.max(0, back + there), 0);
	}
}

function charge(own: Int32Array, node: number, price: number): void {
	own[node] = Math.min(NEVER, (own[node] as number) + price);
}
