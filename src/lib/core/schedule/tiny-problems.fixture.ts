import { chanceFrom } from '../chance.ts';
import { checkPlan } from './check/check-plan.ts';
import type { Placed, Plan } from './plan.ts';
import type { Problem, Task, Window } from './problem.ts';

/** Figures of a problem small enough to try every plan of it. */
export interface Tiny {
	readonly lengths: readonly [number, number];
	readonly hands: number;
	readonly gap: readonly [number, number];
	readonly lag: { readonly least: number; readonly over: number; readonly wish: number };
	readonly price: number;
	readonly levels: readonly [number, number];
	/** How much each changes the level while it is in. */
	readonly falls: readonly [number, number];
	readonly sizes: readonly [number, number];
	readonly shared: boolean;
	readonly due: readonly [number, number];
	readonly on: number;
	readonly slow: boolean;
	/** The unit that the first portion cannot go on. */
	readonly notOn: 'one' | 'two' | null;
}

const HORIZON = 11;

/** Figures by chance, the same for a seed. */
export function tinyFrom(seed: number): Tiny {
	const chance = chanceFrom(seed);
	const whole = (from: number, to: number) => from + Math.floor(chance() * (to - from + 1));
	const level = () => [100, 104, 130][whole(0, 2)] ?? 100;
	return {
		lengths: [whole(1, 3), whole(1, 3)],
		hands: whole(1, 2),
		gap: [whole(0, 8), whole(1, 3)],
		lag: { least: whole(0, 3), over: whole(0, 3), wish: whole(0, 3) },
		price: whole(0, 4),
		levels: [level(), level()],
		falls: [[0, 0, 24][whole(0, 2)] ?? 0, [0, 0, 24][whole(0, 2)] ?? 0],
		sizes: [whole(3, 7), whole(3, 7)],
		shared: whole(0, 1) === 1,
		due: [whole(2, 10), whole(2, 10)],
		on: whole(0, 3),
		slow: whole(0, 1) === 1,
		notOn: (['one', 'two'] as const)[whole(0, 3)] ?? null
	};
}

/** A task that may be done in two ways, a portion that must follow it within a window, and another portion. */
export function tinyProblem(tiny: Tiny): Problem {
	const { lag, gap } = tiny;
	const window: Window = {
		least: lag.least,
		most: lag.least + lag.over,
		wish: lag.least + Math.min(lag.wish, lag.over),
		price: tiny.price,
		outside: null,
		tier: 1,
		holds: [{ pool: 'shelf', amount: 1 }]
	};
	const portion = (id: string, at: 0 | 1): Task => ({
		id,
		group: id,
		modes: [
			{
				id: 'kiln',
				length: null,
				demands: [],
				machine: null,
				batch: {
					machines: ['kiln'],
					...(at === 0 && tiny.notOn !== null && { notOn: [tiny.notOn] }),
					size: tiny.sizes[at],
					kind: 'dry',
					level: tiny.levels[at],
					leaves: tiny.levels[at] - tiny.falls[at],
					length: tiny.lengths[at],
					lengthTolerance: 1
				}
			}
		],
		earliest: null,
		latest: null,
		pin: null
	});
	const way = (id: string, length: number, pools: readonly string[]) => ({
		id,
		length,
		demands: [{ pools, amount: 1, from: 0, to: 1 }],
		machine: null,
		batch: null
	});
	return {
		horizon: HORIZON,
		tiers: ['late', 'wished', 'on'],
		pools: [
			{
				id: 'ann',
				// Away for a while.
				there: [
					{ from: 0, to: gap[0], amount: tiny.hands },
					{ from: gap[0] + gap[1], to: HORIZON, amount: tiny.hands }
				]
			},
			{ id: 'bob', there: [{ from: 2, to: 6, amount: 1 }] },
			{ id: 'shelf', there: [{ from: 0, to: 10, amount: 1 }] }
		],
		machines: [],
		batchMachines: [
			{
				id: 'kiln',
				units: [
					{ id: 'one', capacity: 10 },
					{ id: 'two', capacity: 5 }
				],
				shared: tiny.shared,
				tolerance: 10,
				rise: 1,
				fall: 2,
				step: 10,
				recovery: 1,
				loading: 1,
				unloading: 0,
				attended: [{ pools: ['ann', 'bob'], amount: 1, of: 'start', from: 0, to: 1 }],
				preheat: 1,
				onPrice: tiny.on,
				tier: 2
			}
		],
		tasks: [
			{
				id: 'form',
				group: 'form',
				modes: [
					way('quick', tiny.lengths[0], ['ann']),
					...(tiny.slow ? [way('slow', tiny.lengths[0] + 1, ['ann', 'bob'])] : [])
				],
				earliest: null,
				latest: null,
				pin: null
			},
			portion('first', 0),
			portion('second', 1)
		],
		lags: [
			{
				id: 'form to first',
				before: 'form',
				after: 'first',
				from: 'end',
				windows: [{ beforeMode: null, afterMode: null, window }]
			}
		],
		prices: [
			{ id: 'a', task: 'first', of: 'end', at: tiny.due[0], early: 1, late: 9, away: 0, tier: 0 },
			{ id: 'b', task: 'second', of: 'start', at: tiny.due[1], early: 2, late: 3, away: 1, tier: 0 }
		],
		spans: [{ id: 'day', tasks: ['form', 'first'], floor: 1, until: HORIZON, price: 2, tier: 2 }]
	};
}

/** The cost of the best plan there is, by trying every one; null where none holds. */
export function bestByTrying(problem: Problem): number | null {
	let best: number | null = null;
	const units = ['one', 'two'];
	const kiln = problem.batchMachines[0];
	const [form, first, second] = problem.tasks;
	const lengthOf = (task: Task | undefined) => task?.modes[0]?.batch?.length ?? 0;
	const look = (plan: Plan) => {
		const { violations, cost } = checkPlan(problem, plan);
		if (violations.length === 0 && (best === null || cost.total < best)) best = cost.total;
	};
	for (const mode of form?.modes ?? [])
		for (let start = 0; start < HORIZON; start += 1)
			for (const giver of mode.demands[0]?.pools ?? [])
				for (let a = start; a < HORIZON; a += 1)
					for (let b = 0; b < HORIZON; b += 1)
						for (const unitA of units)
							for (const unitB of units) {
								const together = a === b && unitA === unitB;
								const stay = (task: Task | undefined) =>
									1 + (together ? Math.max(lengthOf(first), lengthOf(second)) : lengthOf(task));
								const placed: Placed[] = [
									{
										task: 'form',
										mode: mode.id,
										start,
										end: start + (mode.length ?? 0),
										unit: null,
										given: [[giver]]
									},
									{
										task: 'first',
										mode: 'kiln',
										start: a,
										end: a + stay(first),
										unit: unitA,
										given: []
									},
									{
										task: 'second',
										mode: 'kiln',
										start: b,
										end: b + stay(second),
										unit: unitB,
										given: []
									}
								];
								for (const hands of kiln?.attended[0]?.pools ?? [])
									for (const others of together ? [hands] : (kiln?.attended[0]?.pools ?? []))
										look({
											placed,
											missing: [],
											loads: together
												? [
														{
															unit: unitA,
															start: a,
															end: a + stay(first),
															tasks: ['first', 'second'],
															given: [[hands]]
														}
													]
												: [
														{
															unit: unitA,
															start: a,
															end: a + stay(first),
															tasks: ['first'],
															given: [[hands]]
														},
														{
															unit: unitB,
															start: b,
															end: b + stay(second),
															tasks: ['second'],
															given: [[others]]
														}
													]
										});
							}
	return best;
}
