import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { bakeDateSchema } from '../../contracts/limits.ts';
import { asPlanned, describePlan, judgePlacement } from '../../core/planning/index.ts';
import { fail, ok } from '../../core/result.ts';
import { insertPlan, newestPlanNumber } from '../db/plans.ts';
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
	refusals: ['plan-out-of-date', 'plan-impossible'],
	handle: async (tx, command, actor) => {
		const { date, fingerprint, placement } = command;
		await lockBatchesOn(tx, date);
		const day = await loadBakeryDay(tx, date);
		const input = bakeDayInput(day, await loadLeadsOn(tx, date));
		if (fingerprintOf(input) !== fingerprint) return fail({ kind: 'plan-out-of-date' });
		const { violations, cautions } = judgePlacement(input, placement);
		if (violations.length > 0) return fail({ kind: 'plan-impossible', violations, cautions });
		const plan = describePlan(input, placement);
		const number = (await newestPlanNumber(tx, date)) + 1;
		const planId = randomUUID();
		await insertPlan(tx, {
			id: planId,
			date,
			number,
			commandId: command.id,
			acceptedBy: actor.id,
			occurredAtMs: command.occurredAtMs,
			fingerprint: fingerprintOf(asPlanned(input)),
			document: { input, plan },
			...(await planBatches(tx, day, input, plan))
		});
		return ok({ planId, number });
	}
});
