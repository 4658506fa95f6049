import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { bakeDateSchema } from '../../contracts/border-schemas.ts';
import { asPlanned, describePlan, judgePlacement } from '../../core/planning/index.ts';
import { fail, ok } from '../../core/result.ts';
import { addDays, instantOf, type BakeDate, type WallTime } from '../../core/time/index.ts';
import { findNewestPlan, insertPlan } from '../db/plans.ts';
import { loadLeadsOn, lockBatchesOn } from '../db/batches.ts';
import { bakeDayInput, fingerprintOf } from '../services/bake-day-input.ts';
import { loadBakeryDay } from '../services/day-production.ts';
import { planBatches } from '../services/plan-batches.ts';
import { defineCommand, EVERYONE } from './define.ts';

/** Keys of tasks and machines are ids and numbers joined by colons. */
const key = z.string().regex(/^[a-z0-9:-]{1,200}$/i);

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
		placement: z.object({ starts: z.record(key, z.int()), machines: z.record(key, key) })
	}),
	permitted: EVERYONE,
	refusals: ['malformed', 'plan-out-of-date', 'plan-impossible'],
	handle: async (tx, command, actor) => {
		const { date, fingerprint, placement } = command;
		await lockBatchesOn(tx, date);
		const day = await loadBakeryDay(tx, date);
		const input = bakeDayInput(day, await loadLeadsOn(tx, date));
		if (fingerprintOf(input) !== fingerprint) return fail({ kind: 'plan-out-of-date' });
		const { violations, cautions } = judgePlacement(input, placement);
		if (violations.length > 0) return fail({ kind: 'plan-impossible', violations, cautions });
		const plan = describePlan(input, placement);
		const stray = plan.tasks.find(({ startMs }) => !isNear(startMs, date, day.bakery.timeZone));
		if (stray)
			return fail({
				kind: 'malformed',
				problems: [{ where: stray.id, what: `does not lie in the week before ${date}` }]
			});
		const accepted = { fingerprint: fingerprintOf(asPlanned(input)), document: { input, plan } };
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

/** The longest chain of a bake begins some days before it; a start further off is a mistake. */
const MOST_DAYS_BEFORE = 7;

function isNear(startMs: number, date: BakeDate, timeZone: string): boolean {
	const midnight = (on: BakeDate) => instantOf(on, '00:00' as WallTime, timeZone).epochMs;
	return (
		startMs >= midnight(addDays(date, -MOST_DAYS_BEFORE)) && startMs < midnight(addDays(date, 2))
	);
}
