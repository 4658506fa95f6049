import type { HandsOnActivity } from '../formula/index.ts';
import type { Demand, Pool } from '../schedule/index.ts';
import { GRID_MINUTES, unitsFilled } from './grid.ts';
import type { BakeryMachines, PlannedPerson } from './input.ts';
import type { Run } from './runs.ts';

/** What is done at a bench. */
const AT_A_BENCH: ReadonlySet<HandsOnActivity> = new Set([
	'divide',
	'pre-shape',
	'shape',
	'laminate',
	'sheet',
	'cut',
	'fill',
	'wrap'
]);
/** What is done on a sheeter, where there is one. */
const ON_A_SHEETER: ReadonlySet<HandsOnActivity> = new Set(['laminate', 'sheet']);

export const BENCH_POOL = 'bench:';
export const SHEETER_POOL = 'sheeter:';
export const DIVIDER_POOL = 'divider:';

/**
 * Where work is done: benches with room for so many, sheeters and dividers for one thing at a time.
 *
 * Model: work at a bench takes one place at any of them for as long as its activities last; laminating and sheeting take a
 * sheeter, where there is one; dividing takes the divider that the product names. Benches with a place for everybody who
 * works bind nobody and are left out. Range: any bakery. Source: domain (benches and sheeters as places), our default.
 * Failures: none.
 */
export class Workplaces {
	private readonly benches: readonly string[];
	private readonly sheeters: readonly string[];

	constructor(
		private readonly bakery: BakeryMachines,
		people: readonly PlannedPerson[] | null,
		private readonly horizon: number
	) {
		const room = bakery.benches.reduce((sum, { hands }) => sum + hands, 0);
		const suffice = people !== null && room >= people.length;
		this.benches = suffice ? [] : bakery.benches.map(({ id }) => BENCH_POOL + id);
		this.sheeters = bakery.sheeters.map(({ id }) => SHEETER_POOL + id);
	}

	pools(): readonly Pool[] {
		const pool = (id: string, amount: number): Pool => ({
			id,
			there: [{ from: 0, to: this.horizon, amount }]
		});
		return [
			...this.bakery.benches
				.filter(({ id }) => this.benches.includes(BENCH_POOL + id))
				.map(({ id, hands }) => pool(BENCH_POOL + id, hands)),
			...this.sheeters.map((id) => pool(id, 1)),
			...this.bakery.dividers.map(({ id }) => pool(DIVIDER_POOL + id, 1))
		];
	}

	/** What a run takes of them, in units from its start, where it takes so many times its usual minutes. */
	demandsOf(run: Run, dividerId: string | null, times: number): readonly Demand[] {
		const known = this.bakery.dividers.some(({ id }) => id === dividerId);
		return [
			...this.taking(run, AT_A_BENCH, this.benches, times),
			...this.taking(run, ON_A_SHEETER, this.sheeters, times),
			...(known ? this.taking(run, DIVIDING, [`${DIVIDER_POOL}${dividerId}`], times) : [])
		];
	}

	private taking(
		{ steps }: Run,
		activities: ReadonlySet<HandsOnActivity>,
		pools: readonly string[],
		times: number
	): readonly Demand[] {
		if (pools.length === 0) return [];
		let [first, last, passed] = [Infinity, 0, 0];
		for (const { step, minutes } of steps) {
			const begins = passed;
			passed += minutes * times;
			if (step.kind !== 'hands-on' || !activities.has(step.activity)) continue;
			first = Math.min(first, begins);
			last = passed;
		}
		const from = Math.floor(first / GRID_MINUTES);
		const to = unitsFilled(last);
		return from < to ? [{ pools, amount: 1, from, to }] : [];
	}
}

const DIVIDING: ReadonlySet<HandsOnActivity> = new Set(['divide']);
