import type { State } from './state.ts';

/**
 * What is late, component by component: in the best plan, so that the search knows what it still has to mend, and in all
 * that were begun, so that another beginning puts first what was in trouble before (squeaky wheel, Joslin and Clements
 * 1999).
 */
export class Lateness {
	/** By component, what its being late cost in the plans that were begun. */
	readonly trouble: Float64Array;
	/** What being late costs in the best plan. */
	private best = Infinity;

	/** `missing` is the price of a task that found no place; more than `share` of a price is much. */
	constructor(
		private readonly state: State,
		private readonly missing: number,
		private readonly share: number
	) {
		this.trouble = new Float64Array(state.model.components.members.length);
	}

	/** Adds what is late as it stands to the trouble of each component. */
	blame(): void {
		const { trouble } = this;
		for (let at = 0; at < trouble.length; at += 1)
			trouble[at] = (trouble[at] as number) + this.of(at);
	}

	/** The plan that stands is the best. */
	keep(): void {
		this.best = 0;
		for (let at = 0; at < this.trouble.length; at += 1) this.best += this.of(at);
	}

	/** Whether much of what the best plan costs is lateness. */
	isMuch(bestCost: number): boolean {
		return this.best > this.share * bestCost;
	}

	/** What a component's being late costs, with what follows from it. */
	private of(component: number): number {
		const { components, edges } = this.state.model;
		let sum = 0;
		for (const u of components.members[component] ?? []) {
			sum += this.ofTask(u);
			for (const e of components.followers[u] ?? []) sum += this.ofTask(edges[e]?.after ?? 0);
		}
		return sum;
	}

	private ofTask(u: number): number {
		const { model, start, end } = this.state;
		const from = start[u] as number;
		if (from < 0) return this.missing;
		let sum = 0;
		for (const price of model.prices[u] ?? []) {
			const off = (price.ofStart ? from : (end[u] as number)) - price.at;
			if (off > 0) sum += off * price.late;
		}
		return sum;
	}
}
