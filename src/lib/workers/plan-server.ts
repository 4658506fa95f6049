import type { FoundPlan, PlanReply, PlanRequest, PlanWanted } from '../contracts/plan-protocol.ts';
import {
	alsoRelaxed,
	chanceOfDrops,
	expandDay,
	holds,
	judgePlacement,
	placementOn,
	priceOnMoving,
	RELAXING_ROUNDS,
	waysOut,
	whyHere,
	type BakeDayInput,
	type Placement,
	type WaysOut
} from '../core/planning/index.ts';
import type { Plan } from '../core/schedule/index.ts';
import { isBetter } from './better-plan.ts';
import { solveInSlices } from './solve-in-slices.ts';

/** What the worker's side of the protocol needs of its surroundings. */
export interface PlanPort {
	readonly listen: (handler: (request: PlanRequest) => void) => void;
	readonly reply: (message: PlanReply) => void;
	/** Lets waiting messages in. */
	readonly pause: () => Promise<void>;
	readonly now: () => number;
}

/** Each turn at a day has a chance of its own. */
const TURNS_APART = 104_729;

/** How often a plan that does not hold is looked for, where there is patience. */
const PATIENT_TURNS = 4;

/** A night that barely fits is planned from several beginnings: one of them may leave a drop late for want of luck. */
const BEGINNINGS = 3;

/** How long each way out of a night is looked for: long enough for a night of thirty mixes (our default). */
const WAYS_OUT = { seed: 1, moves: 300 };

/** The part of the time after which a day that lacks something is relaxed, rather than searched on. */
const RELAX_AFTER_SHARE = 0.4;

/**
 * Answers plan requests. A new request ends the one at work, a cancel ends its own; both are heard while
 * a plan is being made, between slices.
 */
export function answerPlanRequests(port: PlanPort): void {
	let current = 0;
	port.listen((request) => {
		if (request.kind === 'cancel') {
			if (request.id === current) current = 0;
			return;
		}
		if (request.kind === 'look-into') {
			port.reply(lookInto(request));
			return;
		}
		current = request.id;
		const isWanted = () => current === request.id;
		if (request.kind === 'ways-out') void answerWaysOut(port, request, isWanted);
		else void answer(port, request, isWanted);
	});
}

/** Looks for what would free a night for as long as nothing else is asked; what breaks is told as not known. */
async function answerWaysOut(
	port: PlanPort,
	{ id, input, conditions, standing }: Extract<PlanRequest, { kind: 'ways-out' }>,
	isWanted: () => boolean
): Promise<void> {
	try {
		const steps = waysOut(input, conditions, standing, WAYS_OUT);
		for (let step = steps.next(); ; step = steps.next()) {
			if (step.done) {
				port.reply({ kind: 'ways-out', id, found: waysOutFound(input, step.value) });
				return;
			}
			await port.pause();
			if (!isWanted()) break;
		}
		port.reply({ kind: 'ways-out', id, found: null });
	} catch (error) {
		port.reply({ kind: 'broken', id, message: messageOf(error) });
	}
}

function waysOutFound(input: BakeDayInput, ways: WaysOut): WaysOut<FoundPlan> {
	const told = (placement: Placement): FoundPlan => {
		const { plan, cost } = judgePlacement(input, placement);
		return { placement, plan, cost };
	};
	switch (ways.kind) {
		case 'holds':
			return { kind: 'holds', found: told(ways.found) };
		case 'clash':
			return {
				kind: 'clash',
				clashes: ways.clashes,
				ways: ways.ways.map(({ givenUp, found }) => ({ givenUp, found: told(found) }))
			};
		case 'beyond':
			return ways;
	}
}

function lookInto({
	id,
	input,
	placement
}: Extract<PlanRequest, { kind: 'look-into' }>): PlanReply {
	try {
		const held = whyHere(input, placement);
		if (!held.ok) return { kind: 'broken', id, message: held.error.kind };
		const chances = placement.plan.missing.length > 0 ? null : chanceOfDrops(input, placement);
		return {
			kind: 'looked-into',
			id,
			found: { held: held.value, chances: chances?.ok ? chances.value : null }
		};
	} catch (error) {
		return { kind: 'broken', id, message: messageOf(error) };
	}
}

function messageOf(error: unknown): string {
	return error instanceof Error ? error.message : String(error);
}

async function answer(
	port: PlanPort,
	{ id, wanted }: Extract<PlanRequest, { kind: 'plan' }>,
	isWanted: () => boolean
): Promise<void> {
	try {
		await port.pause();
		const found = isWanted()
			? await planInSlices(wanted, port, isWanted, (better) =>
					port.reply({ kind: 'better', id, found: better })
				)
			: null;
		if (found) port.reply({ kind: 'planned', id, found });
		else port.reply({ kind: 'cancelled', id });
	} catch (error) {
		port.reply({
			kind: 'broken',
			id,
			message: messageOf(error)
		});
	}
}

/**
 * Plans a day within a time on the clock, and where the plan does not hold, for some times as long: by turns from what
 * stands and from nothing, since what stands may be in the way. Null once nobody wants the answer any more.
 */
async function planInSlices(
	wanted: PlanWanted,
	port: Pick<PlanPort, 'now' | 'pause'>,
	isWanted: () => boolean,
	onBetter: (found: FoundPlan) => void
): Promise<FoundPlan | null> {
	const began = port.now();
	const { budgetMs, isPatient } = wanted;
	const turns = isPatient ? PATIENT_TURNS : 1;
	const best = bestOf(onBetter);
	for (let turn = 0; turn < turns; turn += 1) {
		const asked: PlanWanted = {
			...wanted,
			seed: wanted.seed + turn * TURNS_APART,
			budgetMs: began + budgetMs * (turn + 1) - port.now()
		};
		const standing = turn === 0 ? wanted.inForce : turn % 2 === 0 ? best.placement() : null;
		const found = await placeInSlices(asked, standing, port, isWanted, best.take);
		if (!found) return null;
		best.take(found);
		if (best.holds()) break;
	}
	return best.found();
}

/** The best of what was found, told each time that it is better. */
function bestOf(onBetter: (found: FoundPlan) => void) {
	let best: FoundPlan | null = null;
	return {
		take: (found: FoundPlan) => {
			if (best && !isBetter(found, best)) return;
			best = found;
			onBetter(found);
		},
		found: () => best,
		placement: () => best?.placement ?? null,
		holds: () => best !== null && holds(best.plan)
	};
}

/** Plans a day once. What finds no place is given more room, batch by batch, and that is told as a caution of the plan. */
async function placeInSlices(
	{ input, conditions, inForce, keepsInForce, seed, budgetMs }: PlanWanted,
	standing: Placement | null,
	{ now, pause }: Pick<PlanPort, 'now' | 'pause'>,
	isWanted: () => boolean,
	onBetter: (found: FoundPlan) => void
): Promise<FoundPlan | null> {
	const began = now();
	const kept = { done: conditions.done, wishes: conditions.wishes };
	let relaxed: readonly string[] = standing?.relaxed ?? [];
	let before = standing;
	for (let round = 0; ; round += 1) {
		const expanded = expandDay(input, { ...conditions, relaxed });
		const { grid } = expanded;
		const problem =
			keepsInForce && inForce
				? priceOnMoving(expanded.problem, placementOn(inForce, grid).plan)
				: expanded.problem;
		const told = (plan: Plan): FoundPlan => {
			const placement = { zeroMs: grid.zeroMs, plan, relaxed, ...kept };
			const judged = judgePlacement(input, placement);
			return {
				placement,
				plan: judged.plan,
				cost: plan.missing.length === 0 ? judged.cost : null
			};
		};
		const left = Math.max(0, budgetMs - (now() - began));
		const mayRelax = round < RELAXING_ROUNDS;
		const answered = await solveInSlices(
			{
				problem,
				inForce: before && placementOn(before, grid).plan,
				seed,
				budgetMs: left,
				missingUntilMs: mayRelax ? left * RELAX_AFTER_SHARE : null,
				beginnings: BEGINNINGS
			},
			{ now, pause, wanted: isWanted },
			(found) => onBetter(told(found.plan))
		);
		if (answered.kind === 'unwanted') return null;
		if (answered.kind === 'faulty')
			throw new Error(`${answered.fault.kind}: ${answered.fault.where}, ${answered.fault.what}`);
		const { plan } = answered.found;
		if (plan.missing.length === 0 || !mayRelax) return told(plan);
		relaxed = alsoRelaxed(expanded, plan, relaxed);
		before = { zeroMs: grid.zeroMs, plan, relaxed, ...kept };
	}
}
