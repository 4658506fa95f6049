import { NEVER } from './compiled.ts';
import type { Atom, Components } from './components.ts';
import type { Dice } from './dice.ts';
import type { Manner } from './manner.ts';
import type { State } from './state.ts';
import type { Values } from './values.ts';

/** After so many moves it is looked again whether something stands out by its price; and by how much it must. */
const LOOK_EVERY = 16;
const STANDS_OUT = 6;

/** Chooses what is taken out of a plan together, to be put back otherwise. */
export class Neighbourhoods {
	/** All tasks to take out, each once. */
	readonly tasks: number[] = [];
	/** Price up to which a worse start may be taken for a better one. */
	noise = 0;
	/** How far from where it stood a task may be put. */
	radius = NEVER;
	/** The whole that stood out when it was last looked, and how many moves ago that was. */
	private worst = -1;
	private since = 0;
	/** Whether all that comes after a chain is lifted with it, or only what ends it. */
	private deep = false;
	/** Whether anything comes after what ends the chains, as picking for a drop does. */
	private readonly leadsOn: boolean;
	private readonly tops: number[] = [];
	private readonly marked: Int32Array;
	private mark = 0;
	private readonly branches: number[];
	private readonly wholes: number[];

	constructor(
		private readonly state: State,
		private readonly dice: Dice,
		private readonly values: Values,
		private readonly manner: Manner
	) {
		const { components, tasks } = state.model;
		this.leadsOn = leadsOn(components);
		this.marked = new Int32Array(tasks);
		this.wholes = this.atomsThat(({ whole, tasks }) => whole && !this.isTail(tasks));
		const branches = this.atomsThat(({ whole, tasks }) => !whole && tasks.length > 1);
		this.branches = branches.length === 0 ? this.wholes : branches;
	}

	/** Of the atoms that are not pinned, those of a kind. */
	private atomsThat(are: (atom: Atom) => boolean): number[] {
		const { atoms } = this.state.model.components;
		const found: number[] = [];
		for (let at = 0; at < atoms.length; at += 1) {
			const atom = atoms[at] as Atom;
			if (!this.isPinned(atom) && are(atom)) found.push(at);
		}
		return found;
	}

	/** Chooses the tasks to take out; gives the tops to put back, in order. */
	choose(missing: number): readonly number[] {
		const { dice, tops } = this;
		this.tasks.length = 0;
		tops.length = 0;
		this.mark += 1;
		this.deep = this.leadsOn && dice.next(8) < this.manner.deep;
		this.noise = 0;
		this.radius = NEVER;
		this.values.unbar();
		const kind = dice.next(100);
		if (missing >= 0 && dice.next(2) === 0) {
			this.take(missing);
			this.near(this.wholes, 1 + dice.next(3), false);
			if (dice.next(2) === 0) dice.shuffle(tops);
			return tops;
		}
		const { manner } = this;
		const worst = this.worstAtom();
		if (worst >= 0 && dice.next(2) === 0) {
			this.near(this.wholes, 1 + dice.next(manner.withWorst), true, worst);
			return tops;
		}
		const [a, b, c, d] = manner.shares;
		if (kind < a) this.near(this.branches, 1 + dice.next(5), false);
		else if (kind < a + b) this.near(this.wholes, 1 + dice.next(2), false);
		else if (kind < a + b + c) this.near(this.wholes, 2 + dice.next(2), false);
		else if (kind < a + b + c + d) this.near(this.wholes, 2 + dice.next(2), true);
		else this.near(this.branches, 4 + dice.next(6), false);
		if (dice.next(4) < manner.noisy) this.noise = 1 + dice.next(manner.noise);
		if (kind < a + b + c || kind >= a + b + c + d) {
			const roll = dice.next(4);
			if (roll < 3) this.radius = roll < 2 ? manner.near : manner.far;
		}
		if (kind < a + b + c || kind >= a + b + c + d || dice.next(2) === 0) dice.shuffle(tops);
		return tops;
	}

	/**
	 * The dearer of a few atoms by chance and others that are near it in time: where it is, or where it would be best
	 * off.
	 */
	private near(atoms: readonly number[], count: number, wished: boolean, from = -1): void {
		const { dice } = this;
		if (atoms.length === 0) return;
		let seed = from >= 0 ? from : (atoms[dice.next(atoms.length)] as number);
		// What does not stand goes in whole, or not at all.
		if (!this.stands(seed)) return;
		if (from < 0)
			for (let k = wished ? 0 : 1; k < 2; k += 1) {
				const other = atoms[dice.next(atoms.length)] as number;
				if (this.stands(other) && this.excessOf(other) > this.excessOf(seed)) seed = other;
			}
		this.take(seed);
		this.bar(seed);
		const when = wished ? this.wishOf(seed) : this.whenOf(seed);
		for (let more = 1; more < count; more += 1) {
			let best = -1;
			let distance = 1 << 28;
			for (let tries = 0; tries < 3; tries += 1) {
				const other = atoms[dice.next(atoms.length)] as number;
				if (this.isTaken(other) || !this.stands(other)) continue;
				const apart = Math.abs(this.whenOf(other) - when);
				if (apart < distance) {
					distance = apart;
					best = other;
				}
			}
			if (best >= 0) this.take(best);
		}
	}

	/** Keeps the seed from going back to where it was, often: else most moves would change nothing. */
	private bar(seed: number): void {
		const { dice, values, state, manner } = this;
		const atom = state.model.components.atoms[seed] as Atom;
		if (dice.next(100) >= manner.barred) return;
		const u = atom.whole ? atom.hub : (atom.tasks[atom.tasks.length - 1] as number);
		const start = state.start[u] as number;
		const around = dice.next(atom.whole ? manner.barWhole : manner.barBranch);
		values.bar(u, start - around, start + around);
	}

	/**
	 * The whole that is far dearer than the others over its least: something of it is late. -1 where none stands out.
	 * Looked for now and then only.
	 */
	private worstAtom(): number {
		this.since += 1;
		if (this.since < LOOK_EVERY) return this.worst;
		this.since = 0;
		let most = 0;
		let sum = 0;
		let found = -1;
		for (let at = 0; at < this.wholes.length; at += 1) {
			const atom = this.wholes[at] as number;
			if (!this.stands(atom)) continue;
			const excess = this.excessOf(atom);
			sum += excess;
			if (excess <= most) continue;
			most = excess;
			found = atom;
		}
		const mean = (sum - most) / Math.max(1, this.wholes.length - 1);
		this.worst = most > STANDS_OUT * (mean + 10) ? found : -1;
		return this.worst;
	}

	private wishOf(at: number): number {
		const atom = this.state.model.components.atoms[at];
		return this.values.bounds.wished[atom?.tasks[atom.tasks.length - 1] ?? 0] ?? 0;
	}

	/** What an atom costs where it stands over what it must cost. */
	private excessOf(at: number): number {
		const { state } = this;
		const atom = state.model.components.atoms[at] as Atom;
		let sum = -(this.values.bounds.least[atom.top] as number);
		for (let k = 0; k < atom.tasks.length; k += 1) sum += state.priceOf(atom.tasks[k] as number);
		return sum;
	}

	private stands(at: number): boolean {
		const { start, model } = this.state;
		return (start[(model.components.atoms[at] as Atom).top] as number) >= 0;
	}

	private isTaken(at: number): boolean {
		const atom = this.state.model.components.atoms[at];
		return atom !== undefined && this.marked[atom.top] === this.mark;
	}

	private whenOf(at: number): number {
		const atom = this.state.model.components.atoms[at];
		const last = atom?.tasks[atom.tasks.length - 1] ?? 0;
		return this.state.start[last] ?? 0;
	}

	private take(at: number): void {
		const { components } = this.state.model;
		const atom = components.atoms[at];
		if (!atom) return;
		this.tops.push(atom.top);
		for (const u of atom.tasks) {
			if (this.marked[u] === this.mark) continue;
			this.marked[u] = this.mark;
			this.tasks.push(u);
			for (const tail of (this.deep ? components.tails[u] : components.ends[u]) as number[]) {
				if (this.marked[tail] === this.mark) continue;
				this.marked[tail] = this.mark;
				this.tasks.push(tail);
			}
		}
	}

	private isPinned({ tasks }: Atom): boolean {
		for (const u of tasks) if (this.state.model.pinned[u] === 1) return true;
		return false;
	}

	/** True where all of it is lifted with what it follows. */
	private isTail(tasks: readonly number[]): boolean {
		for (const u of tasks) if (this.state.model.components.isTail[u] !== 1) return false;
		return true;
	}
}

/** True where anything comes after what ends a chain. */
function leadsOn({ tails, ends }: Components): boolean {
	for (let u = 0; u < tails.length; u += 1)
		if ((tails[u]?.length ?? 0) > (ends[u]?.length ?? 0)) return true;
	return false;
}
