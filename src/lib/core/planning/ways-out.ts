import type { DropId } from '../identity.ts';
import { smallestClash, Solver, type Problem, type Task } from '../schedule/index.ts';
import { MINUTE_MS } from '../time/index.ts';
import { asAgreed } from './agreed.ts';
import type { DayPlan } from './day-plan.ts';
import { expandDay, type ExpandedDay } from './expand.ts';
import type { BakeDayInput, PlannedPerson } from './input.ts';
import { roomAround, roomOfDayOff, shiftOfNight, workedIn, type Room } from './longer-hours.ts';
import type { Conditions, Placement, PlanWish } from './placement.ts';
import { judgePlacement, placementOn } from './plan.ts';
import { SLACK_MINUTES } from './prices.ts';

/**
 * What a night is held to and could be let off: a drop's time, somebody's day off, somebody's hours, something the baker
 * wanted so.
 */
export type HeldTo =
	| { readonly kind: 'drop'; readonly dropId: DropId }
	| { readonly kind: 'day-off'; readonly personId: string }
	| { readonly kind: 'hours'; readonly personId: string }
	| { readonly kind: 'wish'; readonly wish: PlanWish };

/** Something that could be given up, and a plan that holds then. */
export interface WayOut<Found> {
	/** One of what does not go together; where several things are in the way apart from one another, one of each. */
	readonly givenUp: readonly HeldTo[];
	/** The plan, with what it wants so: what was wanted and is kept, and what is asked for instead. */
	readonly found: Found;
}

export type WaysOut<Found = Placement> =
	/** A plan that holds was found after all. */
	| { readonly kind: 'holds'; readonly found: Found }
	/** The fewest that were not found to go together; more than once where they have nothing to do with one another. */
	| {
			readonly kind: 'clash';
			readonly clashes: readonly (readonly HeldTo[])[];
			readonly ways: readonly WayOut<Found>[];
	  }
	/** Nothing that could be given up frees it. */
	| { readonly kind: 'beyond' };

/** Nobody is asked to come sooner or stay longer than this (our default), and is asked for as little as will do. */
const LONGER_MINUTES = [30, 60, 120, 180];
const MOST_LONGER_MINUTES = Math.max(...LONGER_MINUTES);
/** A drop that would have to wait longer than this is not met (our default). */
const MOST_LATER_MINUTES = 240;
/** A drop is asked to wait for whole steps of so many minutes. */
const LATER_STEP_MINUTES = 5;
/** Moves between two looks at whether anybody still wants to know. */
const SLICE = 10;

/**
 * Why a night has no plan that holds, and what would free it: the fewest of the drops' times, the people's hours and the
 * baker's own wishes that no plan was found for together; and for each the plan that was found without it, which holds.
 *
 * Model: drops' times as limits that cannot be passed, windows and hands without more room than they have; then the
 * smallest clash, and the next where giving up the first is not enough. `standing` is a plan to begin from, which does not
 * hold. What is told to free a night comes with its plan,
 * judged; that nothing else does is as sure as the search. Goes on in steps of some milliseconds.
 * Range: any input. Source: `smallestClash`. Failures: none.
 * Example: two drops at six whose loaves want the one deck at once: both their times, either of which can wait.
 */
export function* waysOut(
	input: BakeDayInput,
	conditions: Omit<Conditions, 'relaxed'>,
	standing: Placement | null,
	budget: { readonly seed: number; readonly moves: number }
): Generator<void, WaysOut> {
	const night = new HeldNight(input, conditions, standing, budget);
	const all = heldTo(input, conditions);
	const without = (given: readonly HeldTo[]) => all.filter((one) => !given.includes(one));
	let left = all;
	let found = yield* night.first(all, []);
	if (found) return { kind: 'holds', found };
	if (!(yield* night.first([], all))) return { kind: 'beyond' };
	const clashes: (readonly HeldTo[])[] = [];
	while (!found && left.length > 0) {
		const clash = yield* smallestClash<HeldTo>(function* (kept) {
			return (yield* night.first(kept, without(kept))) !== null;
		}, left);
		clashes.push(clash);
		left = left.filter((one) => !clash.includes(one));
		found = yield* night.first(left, without(left));
	}
	// One of each clash has to be given up: any of the one with the most to choose from, of the others what is easiest.
	const [widest = [], ...others] = clashes.toSorted((a, b) => b.length - a.length);
	const given = widest.map((one) => [one, ...others.flatMap((clash) => clash.slice(-1))]);
	const ways: WayOut<Placement>[] = [];
	for (const givenUp of given) {
		const placement = yield* night.without(givenUp, without(givenUp));
		if (!placement) continue;
		const asksNothing = placement.wishes.every((wish) => conditions.wishes.includes(wish));
		if (asksNothing && givenUp.every(({ kind }) => kind !== 'wish'))
			return { kind: 'holds', found: placement };
		ways.push({ givenUp, found: placement });
	}
	return { kind: 'clash', clashes, ways };
}

/** The wishes that can be let go: what is known of the night, or was agreed, stays. */
const LET_GO: ReadonlySet<PlanWish['kind']> = new Set([
	'start',
	'not-before',
	'deck',
	'not-deck',
	'person',
	'not-person',
	'in-loads',
	'to-the-cold'
]);

/** What a night is held to, those first that are hardest to give up. */
function heldTo(input: BakeDayInput, { wishes }: Pick<Conditions, 'wishes'>): readonly HeldTo[] {
	const wanted = new Set(
		input.doughs.flatMap(({ mixes }) =>
			mixes.flatMap(({ portions }) => portions.flatMap(({ dropIds }) => dropIds))
		)
	);
	const away = new Set(wishes.flatMap((wish) => (wish.kind === 'away' ? [wish.personId] : [])));
	const people = (input.people ?? []).filter(({ id }) => !away.has(id));
	const works = (person: PlannedPerson) => shiftOfNight(person, input) !== null;
	return [
		...input.drops
			.filter(({ id }) => wanted.has(id))
			.toSorted((a, b) => a.readyByMs - b.readyByMs)
			.map(({ id }): HeldTo => ({ kind: 'drop', dropId: id })),
		...people
			.filter((person) => !works(person))
			.map(({ id }): HeldTo => ({ kind: 'day-off', personId: id })),
		...people.filter(works).map(({ id }): HeldTo => ({ kind: 'hours', personId: id })),
		...wishes.filter(({ kind }) => LET_GO.has(kind)).map((wish): HeldTo => ({ kind: 'wish', wish }))
	];
}

class HeldNight {
	constructor(
		private readonly input: BakeDayInput,
		private readonly conditions: Omit<Conditions, 'relaxed'>,
		private readonly standing: Placement | null,
		private readonly budget: { readonly seed: number; readonly moves: number }
	) {}

	/** The first plan found that keeps what is kept. */
	*first(kept: readonly HeldTo[], free: readonly HeldTo[]): Generator<void, Placement | null> {
		const wishes = this.wishesWithout(free, MOST_LONGER_MINUTES);
		return (yield* this.attempt(kept, wishes, 'first'))?.placement ?? null;
	}

	/** A good plan without some of it, that asks for as little as will do in its place. */
	*without(givenUp: readonly HeldTo[], kept: readonly HeldTo[]): Generator<void, Placement | null> {
		const steps = givenUp.some(({ kind }) => kind === 'hours') ? LONGER_MINUTES : [0];
		for (const minutes of steps) {
			const wishes = this.wishesWithout(givenUp, minutes);
			const found = yield* this.attempt(kept, wishes, 'good');
			if (!found) continue;
			return this.agreed(
				found.placement,
				givenUp.flatMap((one) => this.askedFor(one, found.plan))
			);
		}
		return null;
	}

	private *attempt(
		kept: readonly HeldTo[],
		wishes: readonly PlanWish[],
		wanted: 'first' | 'good'
	): Generator<void, { readonly placement: Placement; readonly plan: DayPlan } | null> {
		yield;
		const { input, conditions, budget } = this;
		const expanded = expandDay(input, { ...conditions, wishes, relaxed: [] });
		const inTime = new Set(kept.flatMap((one) => (one.kind === 'drop' ? [one.dropId] : [])));
		const day = asAgreed(input, wishes);
		const lastMs = new Map(
			day.drops.map(({ id, readyByMs }) => [
				id,
				readyByMs + (inTime.has(id) ? 0 : MOST_LATER_MINUTES * MINUTE_MS)
			])
		);
		const made = Solver.of(withLimits(expanded, lastMs), budget.seed);
		if (!made.ok) return null;
		const solver = made.value;
		// The plan that stands is the best there was without anything given up: what is good enough to ask for begins there.
		if (wanted === 'good' && this.standing)
			yield* solver.resuming(placementOn(this.standing, expanded.grid).plan);
		else yield* solver.beginning();
		const isEnough = () => wanted === 'first' && solver.progress.missing === 0;
		for (let done = 0; done < budget.moves && !isEnough(); done += SLICE) {
			solver.run(Math.min(SLICE, budget.moves - done), done / budget.moves);
			yield;
		}
		yield* solver.finishing();
		const found = solver.plan();
		solver.close();
		const placement = {
			zeroMs: expanded.grid.zeroMs,
			plan: found,
			relaxed: [],
			done: conditions.done,
			wishes
		};
		if (placement.plan.missing.length > 0) return null;
		const { violations, plan } = judgePlacement(input, placement);
		const isMet = plan.drops.every(
			({ dropId, readyMs }) => readyMs === null || readyMs <= (lastMs.get(dropId) ?? 0)
		);
		return violations.length === 0 && plan.cautions.length === 0 && isMet
			? { placement, plan }
			: null;
	}

	/** What is wanted without what is free; those whose hours are free may be there longer by so much. */
	private wishesWithout(free: readonly HeldTo[], longerMinutes: number): readonly PlanWish[] {
		const given = new Set(free.flatMap((one) => (one.kind === 'wish' ? [one.wish] : [])));
		return [
			...this.conditions.wishes.filter((wish) => !given.has(wish)),
			...free.flatMap((one) => this.roomOf(one, longerMinutes).map(({ wish }) => wish))
		];
	}

	/** What is asked for in place of what is given up: no more than the plan found makes use of. */
	private askedFor(one: HeldTo, plan: DayPlan): readonly PlanWish[] {
		switch (one.kind) {
			case 'wish':
				return [];
			case 'drop': {
				const drop = plan.drops.find(({ dropId }) => dropId === one.dropId);
				const lateMs = (drop?.readyMs ?? 0) - (drop?.readyByMs ?? 0);
				const before = this.conditions.wishes.find(
					(wish) => wish.kind === 'drop-later' && wish.dropId === one.dropId
				);
				if (lateMs <= 0) return [];
				// What is promised anew is promised with what a drop wants to spare.
				const steps = Math.ceil((lateMs / MINUTE_MS + SLACK_MINUTES) / LATER_STEP_MINUTES);
				const agreed = before?.kind === 'drop-later' ? before.minutes : 0;
				const minutes = steps * LATER_STEP_MINUTES + agreed;
				return [{ kind: 'drop-later', dropId: one.dropId, minutes }];
			}
			case 'day-off':
			case 'hours': {
				const work = plan.tasks
					.flatMap(({ attended }) => attended)
					.filter(({ personIds }) => personIds.includes(one.personId));
				return this.roomOf(one, MOST_LONGER_MINUTES).flatMap((room) => workedIn(room, work) ?? []);
			}
		}
	}

	/** The time that somebody would be there too. */
	private roomOf(one: HeldTo, longerMinutes: number): readonly Room[] {
		if (one.kind !== 'hours' && one.kind !== 'day-off') return [];
		const day = asAgreed(this.input, this.conditions.wishes);
		const person = day.people?.find(({ id }) => id === one.personId);
		if (!person) return [];
		return one.kind === 'hours'
			? roomAround(person, this.input, longerMinutes)
			: roomOfDayOff(person, this.input);
	}

	/** The placement with what it asks for, as it is told. */
	private agreed(placement: Placement, asked: readonly PlanWish[]): Placement {
		const drops = new Set(asked.flatMap((one) => (one.kind === 'drop-later' ? [one.dropId] : [])));
		const others = placement.wishes.filter(
			(wish) =>
				this.conditions.wishes.includes(wish) &&
				!(wish.kind === 'drop-later' && drops.has(wish.dropId))
		);
		return { ...placement, wishes: [...others, ...asked] };
	}
}

/** The problem with the last times of the drops as limits: nothing of theirs can end later. */
function withLimits(
	{ problem, ends, grid }: ExpandedDay,
	lastMs: ReadonlyMap<DropId, number>
): Problem {
	const limits = new Map<string, number>();
	for (const { portion, ends: tasks } of ends) {
		const last = portion.dropIds.flatMap((id) => lastMs.get(id) ?? []);
		for (const task of tasks) if (last.length > 0) limits.set(task, grid.floor(Math.min(...last)));
	}
	return {
		...problem,
		tasks: problem.tasks.map((task) => {
			const limit = limits.get(task.id);
			if (limit === undefined || (task.pin?.start ?? null) !== null) return task;
			const latest = limit - shortestOf(task);
			return { ...task, latest: Math.min(latest, task.latest ?? latest) };
		})
	};
}

/** The least it takes, in units. */
function shortestOf({ modes }: Task): number {
	return Math.min(...modes.map(({ length, batch }) => length ?? batch?.length ?? 0));
}
