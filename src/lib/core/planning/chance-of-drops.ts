import type { DropId } from '../identity.ts';
import { ok, type Result } from '../result.ts';
import { chanceOfPlan, type Fault, type Plan, type Spread } from '../schedule/index.ts';
import { asAgreed, changesTheDay } from './agreed.ts';
import type { ExpandedDay } from './expand.ts';
import { GRID_MINUTES } from './grid.ts';
import type { BakeDayInput } from './input.ts';
import type { Placement } from './placement.ts';
import { problemOf } from './plan.ts';
import { toldIdOf } from './told-id.ts';
import { lastsUntilReady } from './wait-window.ts';

/** How a drop may turn out. */
export interface DropUnderChance {
	readonly dropId: DropId;
	/** The share of nights like this one in which it is late. */
	readonly lateShare: number;
	/** In nine nights of ten it is not later than this, in minutes; 0 where it is in time in nine of ten. */
	readonly lateInTenMinutes: number;
	/** So many minutes more to spare would halve that share. */
	readonly toHalveMinutes: number;
	/** The task, or the wait after which it begins, that most of the lateness comes from. */
	readonly weakest: string | null;
}

/** Hands take from a seventh less to a quarter more than told, most often as long as told (our default). */
const HANDS: Spread = { least: -0.15, likely: 0, most: 0.25 };
/** A bake takes from a twentieth less to a tenth more (our default). */
const BAKES: Spread = { least: -0.05, likely: 0, most: 0.1 };
/** What ferments can be taken on from a tenth sooner to a tenth later than told; sooner helps nobody (our default). */
const FERMENTS: Spread = { least: -0.1, likely: 0, most: 0.1 };

const RUNS = 400;
const SEED = 20_061;

/**
 * The chance of each drop to be late when lengths and waits turn out as they do, with what makes it late most.
 *
 * Model: the plan is run many times as a crew would, in its order; hands, bakes and what ferments each by a three-cornered
 * law around what is told. Range: a complete placement. Source: `chanceOfPlan`; spreads are our defaults, which the log is
 * to correct. Failures: a fault of the problem.
 */
export function chanceOfDrops(
	input: BakeDayInput,
	placement: Placement
): Result<readonly DropUnderChance[], Fault> {
	// What is held is held in the plan; on the night it can be as late as anything else. What was agreed stays agreed.
	const wishes = placement.wishes.filter(changesTheDay);
	const { expanded, plan } = problemOf(input, { ...placement, wishes });
	const dropOf = dropsByEnd(asAgreed(input, wishes), expanded);
	const told = chanceOfPlan(
		expanded.problem,
		plan,
		{
			...spreadsOf(expanded, plan),
			deadlineOf: (price) => dropOf.get(price) ?? null
		},
		{ runs: RUNS, seed: SEED }
	);
	if (!told.ok) return told;
	const taskBefore = new Map(expanded.problem.lags.map(({ id, before }) => [id, before]));
	return ok(
		told.value.map(({ deadline, lateShare, lateInTen, toHalve, weakest }) => {
			const task = weakest && (weakest.of === 'task' ? weakest.id : taskBefore.get(weakest.id));
			return {
				dropId: deadline as DropId,
				lateShare,
				lateInTenMinutes: Math.max(0, lateInTen) * GRID_MINUTES,
				toHalveMinutes: toHalve * GRID_MINUTES,
				weakest: task ? toldIdOf(task) : null
			};
		})
	);
}

/** The drop that the price of each end of a chain stands for: the first of those it is for. */
function dropsByEnd(input: BakeDayInput, { ends }: ExpandedDay): ReadonlyMap<string, DropId> {
	const found = new Map<string, DropId>();
	for (const { portion, ends: tasks } of ends) {
		const [first] = input.drops
			.filter((drop) => portion.dropIds.includes(drop.id))
			.sort((a, b) => a.readyByMs - b.readyByMs);
		if (first) for (const task of tasks) found.set(`due ${task}`, first.id);
	}
	return found;
}

function spreadsOf(
	{ problem, tasks, waits }: ExpandedDay,
	plan: Plan
): {
	readonly lengths: ReadonlyMap<string, Spread>;
	readonly waits: ReadonlyMap<string, Spread>;
} {
	const isPinned = new Set(
		problem.tasks.flatMap(({ id, pin }) => ((pin?.start ?? null) === null ? [] : [id]))
	);
	const ways = new Map(plan.placed.map(({ task, mode }) => [task, mode]));
	const lengths = new Map<string, Spread>();
	for (const { id, kind } of tasks) {
		if (isPinned.has(id)) continue;
		const modes = problem.tasks.find((task) => task.id === id)?.modes;
		const mode = modes?.find((one) => one.id === ways.get(id)) ?? modes?.[0];
		const units = mode?.length ?? mode?.batch?.length ?? 0;
		lengths.set(id, spread(kind === 'bake' ? BAKES : HANDS, units));
	}
	// What ferments until it is ready keeps its taker waiting where it is slow; what stands by the clock does not.
	const ferments = new Set(
		waits
			.filter(
				({ step: { step, marks } }) =>
					marks !== null && step.kind === 'wait' && lastsUntilReady(step)
			)
			.flatMap(({ after, until }) => until.map((taker) => `${after} ${taker}`))
	);
	const waiting = new Map<string, Spread>();
	for (const { id, before, after, windows } of problem.lags) {
		const least = windows.find(({ window }) => window)?.window?.least ?? 0;
		if (ferments.has(`${before} ${after}`)) waiting.set(id, spread(FERMENTS, least));
	}
	return { lengths, waits: waiting };
}

function spread({ least, likely, most }: Spread, units: number): Spread {
	return { least: least * units, likely: likely * units, most: most * units };
}
