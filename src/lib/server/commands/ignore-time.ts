import { z } from 'zod';
import { bakeDateSchema } from '../../contracts/border-schemas.ts';
import { line } from '../../contracts/text.ts';
import { fail, ok } from '../../core/result.ts';
import { setTimeIgnored } from '../db/work-timed.ts';
import { defineCommand } from './define.ts';

/** Lets the time that something took not count, or count again. The taps stand. */
export const ignoreTime = defineCommand({
	kind: 'ignore-time',
	lane: 'settings',
	content: z.object({
		date: bakeDateSchema,
		taskId: line(250, { least: 1 }),
		ignored: z.boolean()
	}),
	right: 'change-the-plan',
	refusals: ['unknown'],
	handle: async (tx, { date, taskId, ignored, id: commandId }) =>
		(await setTimeIgnored(tx, { date, taskId }, ignored, commandId))
			? ok({ ignored })
			: fail({ kind: 'unknown', what: 'observation' })
});
