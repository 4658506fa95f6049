import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { bakeDateSchema } from '../../contracts/border-schemas.ts';
import { placementSchema } from '../../contracts/plan-placement.ts';
import {
	asPlanned,
	judgePlacement,
	type BakeDayInput,
	type DoneTask
} from '../../core/planning/index.ts';
import { isTakenAsTapped, workStates } from '../../core/bench/index.ts';
import { fail, ok } from '../../core/result.ts';
import { addDays, instantOf, type BakeDate, type WallTime } from '../../core/time/index.ts';
import type { Tx } from '../db/client.ts';
import {
	findNewestPlan,
	insertPlan,
	loadNewestPlan,
	loadTakenElsewhere,
	lockPlans
} from '../db/plans.ts';
import { loadLeadsOn, lockBatchesOn } from '../db/batches.ts';
import {
	bakeDayInput,
	DAYS_AROUND,
	fingerprintBesideOthers,
	fingerprintOf
} from '../services/bake-day-input.ts';
import { loadWorkEntries } from '../db/work.ts';
import { loadLearnedForPlan } from '../services/learned-for-plan.ts';
import { loadBakeryDay } from '../services/day-production.ts';
import { planBatches } from '../services/plan-batches.ts';
import { defineCommand } from './define.ts';

/**
 * Accepts a plan that a browser made: works out the day anew, judges the placement against it with the
 * separate checker, and stores it as it is told, with the batches it makes pinned to their revisions. What was
 * begun keeps its batch, its mass and its revisions.
 */
export const acceptPlan = defineCommand({
	kind: 'accept-plan',
	lane: 'batches',
	content: z.object({
		date: bakeDateSchema,
		/** Which input the plan was made from. */
		fingerprint: z.string().regex(/^[0-9a-f]{32}$/),
		placement: placementSchema
	}),
	right: 'change-the-plan',
	refusals: ['malformed', 'plan-out-of-date', 'plan-impossible'],
	handle: async (tx, command, actor) => {
		const { date, fingerprint, placement } = command;
		// Plans of two dates share people and ovens: one is accepted after the other, and sees it.
		await lockPlans(tx);
		await lockBatchesOn(tx, date);
		const day = await loadBakeryDay(tx, date);
		const elsewhere = await loadTakenElsewhere(tx, date, DAYS_AROUND);
		const learned = await loadLearnedForPlan(tx, day);
		const input = bakeDayInput(day, await loadLeadsOn(tx, date), learned, elsewhere);
		if (fingerprintBesideOthers(input) !== fingerprint) return fail({ kind: 'plan-out-of-date' });
		if (!(await isDoneAsTold(tx, input, placement.done, command)))
			return fail({ kind: 'plan-out-of-date' });
		const { violations, plan } = judgePlacement(input, placement);
		if (violations.length > 0)
			return fail({ kind: 'plan-impossible', violations, cautions: plan.cautions });
		const stray = plan.tasks.find(({ startMs }) => !isNear(startMs, date, day.bakery.timeZone));
		if (stray)
			return fail({
				kind: 'malformed',
				problems: [{ where: stray.id, what: `does not lie in the week before ${date}` }]
			});
		const accepted = {
			fingerprint: fingerprintOf(asPlanned(input)),
			document: { input, plan, placement }
		};
		const newest = await findNewestPlan(tx, date, accepted);
		// Who accepts what stands accepted already is told so; it is no further version.
		if (newest?.same) return ok({ planId: newest.id, number: newest.number });
		const number = (newest?.number ?? 0) + 1;
		const planId = randomUUID();
		await insertPlan(tx, {
			id: planId,
			date,
			number,
			commandId: command.id,
			acceptedBy: actor.id,
			occurredAtMs: command.occurredAtMs,
			...accepted,
			...(await planBatches(tx, day, input, plan))
		});
		return ok({ planId, number });
	}
});

/**
 * What a plan takes as done is held to no hands and no machine: it has to be what was tapped, or what the newest accepted plan told
 * for before now, by this server's own reading of both.
 */
async function isDoneAsTold(
	tx: Tx,
	input: BakeDayInput,
	done: readonly DoneTask[],
	{ date, occurredAtMs }: { readonly date: BakeDate; readonly occurredAtMs: number }
): Promise<boolean> {
	if (done.length === 0) return true;
	const inForce = await loadNewestPlan(tx, date);
	if (!inForce) return false;
	const states = workStates(await loadWorkEntries(tx, date));
	return isTakenAsTapped(done, input, inForce.document.plan, states, occurredAtMs);
}

/** The longest chain of a bake begins some days before it; a start further off is a mistake. */
const MOST_DAYS_BEFORE = 7;

function isNear(startMs: number, date: BakeDate, timeZone: string): boolean {
	const midnight = (on: BakeDate) => instantOf(on, '00:00' as WallTime, timeZone).epochMs;
	return (
		startMs >= midnight(addDays(date, -MOST_DAYS_BEFORE)) && startMs < midnight(addDays(date, 2))
	);
}
