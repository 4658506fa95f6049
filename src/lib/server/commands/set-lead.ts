import { z } from 'zod';
import { batchNameSchema } from '../../contracts/batch-name.ts';
import { versionSchema } from '../../contracts/border-schemas.ts';
import { MOST_LEAD_MINUTES } from '../../contracts/limits.ts';
import { fail, ok } from '../../core/result.ts';
import { lockLead, updateLead } from '../db/batches.ts';
import { findOrMake } from '../services/begin-batch.ts';
import { defineCommand } from './define.ts';

/** Says how much earlier than its drops one mix should be ready. */
export const setLead = defineCommand({
	kind: 'set-lead',
	lane: 'batches',
	content: z.object({
		batch: batchNameSchema,
		minutes: z.int().min(0).max(MOST_LEAD_MINUTES),
		expectedVersion: versionSchema
	}),
	right: 'change-the-plan',
	refusals: ['unknown', 'more-than-a-mixer', 'changed-meanwhile'],
	handle: async (tx, { batch: name, minutes, expectedVersion }, actor) => {
		const found = await findOrMake(tx, name);
		if (!found.ok) return found;
		const batch = found.value;
		if (batch.kind !== 'mix') return fail({ kind: 'unknown', what: 'mix' });
		const lead = await lockLead(tx, batch.id, actor.id);
		if (lead.version !== expectedVersion)
			return fail({
				kind: 'changed-meanwhile',
				version: lead.version,
				value: lead.minutes,
				by: lead.by
			});
		const version = lead.version + 1;
		await updateLead(tx, batch.id, { minutes, version, changedBy: actor.id });
		return ok({ version, minutes });
	}
});
