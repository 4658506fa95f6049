import { worseAllowed } from './acceptance.ts';
import { NEVER, type Compiled, type CompiledEdge } from './compiled.ts';
import type { Plan } from '../plan.ts';
import { costOf } from './cost.ts';
import { Dice } from './dice.ts';
import { Inserter } from './insert.ts';
import { Lateness } from './lateness.ts';
import { learnBounds } from './learn-bounds.ts';
import { MANNER, type Manner } from './manner.ts';
import { Neighbourhoods } from './neighbourhoods.ts';
import { planOf } from './plan-of.ts';
import { firstLate } from './prices.ts';
import { shopOf } from './shop.ts';
import { State, type Stand } from './state.ts';
import { Swaps } from './swaps.ts';
import { Timing } from './timing.ts';
import { tryStand } from './try-stand.ts';
import { byTrouble, type Turn } from './turns.ts';

/** Price of a task that found no place: more than any wish, so that a complete plan always wins. */
const MISSING = 1 << 22;

/** What was late is weighed by one to two times as much when another beginning is made. */
const SHAKE = 256;

/** The search for a better plan, one move at a time; it never takes the time itself. */
export class Search {
	readonly state: State;
	readonly best: Stand[] = [];
	bestCost = Infinity;
	cost = Infinity;
	moves = 0;
	accepted = 0;
	/** The move that found the best, or after which the search began anew; and how long it is waited for the next. */
	private improvedAt = 0;
	private readonly patience: number;
	private readonly latePatience: number;
	/** Another beginning that is being made, a component a move; null for none. */
	private anew: Generator<void, void> | null = null;
	private readonly lateness: Lateness;
	private readonly dice: Dice;
	private readonly inserter: Inserter;
	private readonly neighbourhoods: Neighbourhoods;
	private readonly timing: Timing;
	private readonly removed: Stand[] = [];
	/** Where only orders are to be decided, what decides them. */
	private readonly swaps: Swaps | null;

	constructor(
		readonly model: Compiled,
		seed: number,
		readonly manner: Manner = MANNER
	) {
		this.state = new State(model);
		this.timing = new Timing(this.state);
		this.dice = new Dice(seed);
		this.inserter = new Inserter(this.state, this.dice);
		this.neighbourhoods = new Neighbourhoods(this.state, this.dice, this.inserter.values, manner);
		// As many moves as there are pairs to move together: a small day is tried out soon, a large one hardly ever.
		const atoms = model.components.atoms.length;
		this.patience = atoms ** 2;
		this.latePatience = atoms * manner.latePatience;
		this.lateness = new Lateness(this.state, MISSING, manner.muchLate);
		const shop = shopOf(model);
		this.swaps = shop && new Swaps(shop, model.prices, model.horizon, this.dice);
	}

	/**
	 * First plans: all components put in one by one, in an order for each attempt; the best is gone on from. Where much of
	 * what the best costs is lateness, what was late goes in first the next time, more so each time it was. Stops for breath
	 * after each component, looked at alone or put in.
	 */
	*begin(): Generator<void, void> {
		yield* learnBounds(this.inserter.values);
		for (let attempt = 0; attempt < this.manner.attempts; attempt += 1) {
			yield* this.attempt(attempt);
			this.lateness.blame();
		}
		for (
			let again = 0;
			again < this.manner.again && this.lateness.isMuch(this.bestCost);
			again += 1
		)
			yield* this.lateFirst(again > 0);
		this.restore();
	}

	/** Another beginning: what was late before goes in first; shaken, so that none is made twice. */
	private *lateFirst(shaken: boolean): Generator<void, void> {
		const { trouble } = this.lateness;
		const first = shaken ? trouble.map((one) => one * (SHAKE + this.dice.next(SHAKE))) : trouble;
		yield* this.attempt(shaken ? 2 : 0, first);
		this.lateness.blame();
	}

	private *attempt(attempt: number, trouble: Float64Array | null = null): Generator<void, void> {
		this.inserter.attempts = 4;
		const { model, state, dice } = this;
		const { components } = model;
		for (let u = 0; u < model.tasks; u += 1) if ((state.start[u] as number) >= 0) state.remove(u);
		const turns: Turn[] = [];
		for (let at = 0; at < components.members.length; at += 1)
			turns.push({ at, trouble: trouble?.[at] ?? 0, rank: this.rankOf(at, attempt) });
		turns.sort(byTrouble);
		const order: number[] = [];
		for (const { at } of turns) order.push(at);
		if (attempt < 0) dice.shuffle(order);
		// The first goes by what everything would like; whether the day is worth beginning for it shows when all stand.
		const assumed = attempt % 2 === 0 ? this.earliestWish() : model.horizon;
		for (const component of order) {
			this.fill(component, assumed);
			yield;
		}
		this.cost = this.total();
		if (this.cost < this.bestCost) this.keep();
	}

	/** Whose turn it is to be put in: soon wanted first, or large first, shaken from the third attempt on. */
	private rankOf(component: number, attempt: number): number {
		const { dice } = this;
		const due = this.dueOf(component);
		const size = this.model.components.members[component]?.length ?? 0;
		if (attempt === 0) return due * 1000 - size;
		if (attempt === 1) return -size * 1000 + due;
		return attempt % 2 === 0
			? due * 1000 - size + dice.next(40_000)
			: (dice.next(8) - size) * 1000 + due;
	}

	/** The earliest start in the priced day that anything would choose if it were alone. */
	private earliestWish(): number {
		const { bounds, beginning } = this.inserter.values;
		let first = this.model.horizon;
		for (let u = 0; u < this.model.tasks; u += 1) {
			const wish = bounds.wished[u] as number;
			if (wish >= beginning.floor && wish < first) first = wish;
		}
		return first;
	}

	/** Puts in what of a component does not stand; where a tree finds no place it is left out, and told as missing. */
	private fill(component: number, assumed: number): void {
		const { model, state, inserter } = this;
		for (const top of model.components.members[component] ?? []) {
			const parent = model.components.parent[top] as number;
			const begins = parent < 0 || (state.start[parent] as number) >= 0;
			if ((state.start[top] as number) >= 0 || !begins) continue;
			if (this.waits(top)) continue;
			const least = inserter.values.bounds.least[top] as number;
			// Where what hangs from it gets in its own way at the best start, another start may do.
			let noise = 0;
			for (const over of [100, 400, 1600, NEVER / 2, NEVER / 2, NEVER / 2]) {
				inserter.values.beginning.look(assumed);
				if (inserter.insert(top, least + over, noise)) break;
				inserter.takeOut(top);
				noise = 4 * noise + 16;
			}
		}
	}

	/** True where something that a task follows does not stand yet. */
	private waits(u: number): boolean {
		const { model, state } = this;
		for (const e of model.into[u] ?? []) {
			const { before, tight } = model.edges[e] as CompiledEdge;
			if (!tight && (state.start[before] as number) < 0) return true;
		}
		return false;
	}

	/**
	 * Begins from a plan that was made for the problem as it was: what still can stands where it stood, the rest is put
	 * in around it, in order of due times.
	 */
	*resume(stands: readonly Stand[]): Generator<void, void> {
		yield* learnBounds(this.inserter.values);
		const { state, model } = this;
		this.inserter.attempts = 4;
		for (const stand of stands) if (model.pinned[stand.task] === 1) tryStand(state, stand);
		for (const stand of stands) if (model.pinned[stand.task] !== 1) tryStand(state, stand);
		const { components } = model;
		// A tree stands from its top on: what hangs from something that does not stand goes in with it.
		for (const members of components.members)
			for (const u of members) {
				const parent = components.parent[u] as number;
				if (parent >= 0 && (state.start[parent] as number) < 0 && model.pinned[u] !== 1)
					if ((state.start[u] as number) >= 0) state.remove(u);
			}
		const order = components.members.map((_, at) => at);
		order.sort((a, b) => this.dueOf(a) - this.dueOf(b) || a - b);
		for (const component of order) {
			this.fill(component, model.horizon);
			yield;
		}
		this.cost = this.total();
		if (this.cost < this.bestCost) this.keep();
	}

	/** The first time that what a component leads to is late. */
	private dueOf(component: number): number {
		const { model } = this;
		const { components, prices, edges } = model;
		let first = model.horizon;
		for (const u of components.members[component] ?? []) {
			first = firstLate(prices[u] ?? [], first);
			for (const e of components.followers[u] ?? [])
				first = firstLate(prices[edges[e]?.after ?? 0] ?? [], first);
		}
		return first;
	}

	/**
	 * The temperature when a share of the budget is spent: so many times what a task costs at first, cooling with the
	 * square of what is left. A plan that is late or lacks tasks is told by its bound, or the heat would melt it.
	 */
	temperature(spent: number): number {
		const { model } = this;
		let bound = model.tasks;
		for (const [root = 0] of model.components.members)
			bound += this.inserter.values.bounds.least[root] ?? 0;
		const left = spent < 1 ? 1 - spent : 0;
		return (this.manner.heat * Math.min(this.bestCost, 4 * bound) * left * left) / model.tasks + 1;
	}

	/** One move: something is taken out and put back otherwise, and kept or undone. */
	move(temperature: number): void {
		this.moves += 1;
		const { state, inserter, removed, swaps } = this;
		if (swaps && state.placed === this.model.tasks) {
			this.swapOrders(swaps);
			return;
		}
		const late = this.lateness.isMuch(this.bestCost);
		const patience = late ? Math.min(this.patience, this.latePatience) : this.patience;
		if (!this.anew && this.moves - this.improvedAt > patience) {
			// Small days are soon searched through from where they began: another beginning, in an order of chance.
			this.improvedAt = this.moves;
			this.anew = late ? this.lateFirst(true) : this.attempt(this.dice.next(2) - 2);
		}
		if (this.anew) {
			if (this.anew.next().done) this.anew = null;
			return;
		}
		const tops = this.neighbourhoods.choose(this.missingAtom());
		removed.length = 0;
		const { values } = inserter;
		const assumed = this.assume(values.beginning.first());
		for (const u of this.neighbourhoods.tasks)
			if ((state.start[u] as number) >= 0) removed.push(state.remove(u));
		const { noise } = this.neighbourhoods;
		inserter.attempts =
			state.placed + removed.length < this.model.tasks ? 6 : this.manner.attemptsOfMove;
		const limit = this.cost + worseAllowed(temperature, this.dice.next(1024));
		let complete = true;
		let cost = costOf(this.state);
		let waiting = 0;
		for (let at = 0; at < tops.length; at += 1)
			waiting += values.bounds.least[tops[at] as number] as number;
		for (let at = 0; at < tops.length && complete; at += 1) {
			const top = tops[at] as number;
			waiting -= values.bounds.least[top] as number;
			if ((state.start[top] as number) >= 0) continue;
			// What costs more than this would be undone, so it need not be looked at.
			values.radius = this.neighbourhoods.radius;
			const budget = limit - cost - values.beginning.look(assumed) - waiting;
			complete = inserter.insert(top, budget, noise);
			if (!complete) break;
			cost = costOf(this.state);
			complete = cost <= limit;
		}
		values.radius = NEVER;
		values.unbar();
		if (complete) cost = this.total();
		if (complete && cost <= limit) {
			this.accepted += 1;
			this.cost = cost;
			if (cost < this.bestCost) this.keep();
			return;
		}
		for (const u of this.neighbourhoods.tasks) if ((state.start[u] as number) >= 0) state.remove(u);
		for (let at = removed.length - 1; at >= 0; at -= 1) state.putBack(removed[at] as Stand);
	}

	/** Brings the plan to the best times for its order; true where that is better. */
	polish(mostSteps: number): boolean {
		const starts = this.timing.improve(mostSteps);
		if (!starts) return false;
		return this.moveAll(starts);
	}

	/** Changes orders by a swap; a better plan is stood up as soon as it is found. */
	private swapOrders(swaps: Swaps): void {
		if (swaps.cost === Infinity) swaps.read(this.state.start);
		if (swaps.move() && swaps.bestCost < this.bestCost) this.moveAll(swaps.start);
	}

	/** Moves every task that stands to another start; false, and nothing changed, where that is no better. */
	private moveAll(starts: Int32Array): boolean {
		const { state, model } = this;
		const before = this.cost;
		const stands: Stand[] = [];
		for (let u = 0; u < model.tasks; u += 1)
			if ((state.start[u] as number) >= 0) stands.push(state.remove(u));
		// Written out: a spread makes another shape of it, and putting back is slower for all that follows.
		for (const { task, mode, unit, given, attended } of stands)
			state.putBack({ task, mode, start: starts[task] as number, unit, given, attended });
		const cost = this.total();
		if (cost < before) {
			this.cost = cost;
			if (cost < this.bestCost) this.keep();
			return true;
		}
		for (const stand of stands) state.remove(stand.task);
		for (const stand of stands) state.putBack(stand);
		return false;
	}

	/** When the day may begin for nothing while a move is made: as it does, or sooner. */
	private assume(first: number): number {
		const roll = this.dice.next(8);
		if (roll < 4) return first;
		if (roll < 7) return first - this.dice.next(12);
		return first - this.dice.next(48);
	}

	/** The atom of a component that does not stand, by chance; -1 when all stand. */
	private missingAtom(): number {
		const { model, state } = this;
		if (state.placed === model.tasks) return -1;
		const { atoms } = model.components;
		const from = this.dice.next(atoms.length);
		for (let k = 0; k < atoms.length; k += 1) {
			const at = (from + k) % atoms.length;
			const atom = atoms[at];
			if (atom?.whole && (state.start[atom.top] as number) < 0) return at;
		}
		return -1;
	}

	private total(): number {
		const cost = costOf(this.state);
		return cost >= NEVER ? Infinity : cost + MISSING * (this.model.tasks - this.state.placed);
	}

	private keep(): void {
		this.improvedAt = this.moves;
		this.bestCost = this.cost;
		this.lateness.keep();
		this.best.length = 0;
		const { state, model } = this;
		for (let u = 0; u < model.tasks; u += 1)
			if ((state.start[u] as number) >= 0) this.best.push(this.standOf(u));
	}

	/** Goes back to the best plan found. */
	restore(): void {
		this.anew = null;
		this.putAll(this.best);
		this.cost = this.bestCost;
	}

	/** The best plan found, as plain data; the search goes on from where it was. */
	plan(): Plan {
		const now: Stand[] = [];
		const { state, model } = this;
		for (let u = 0; u < model.tasks; u += 1)
			if ((state.start[u] as number) >= 0) now.push(this.standOf(u));
		this.putAll(this.best);
		const plan = planOf(state);
		this.putAll(now);
		return plan;
	}

	private putAll(stands: readonly Stand[]): void {
		for (let u = 0; u < this.model.tasks; u += 1)
			if ((this.state.start[u] as number) >= 0) this.state.remove(u);
		for (const stand of stands) this.state.putBack(stand);
	}

	private standOf(u: number): Stand {
		const { state } = this;
		return {
			task: u,
			mode: state.mode[u] as number,
			start: state.start[u] as number,
			unit: state.load[u]?.unit ?? -1,
			given: state.givenTo(u),
			attended: state.attendedBy(u)
		};
	}
}
