import { z } from 'zod';
import { bakeDateSchema, uuidSchema, versionSchema } from '../../contracts/border-schemas.ts';
import { MOST_PIECES } from '../../contracts/limits.ts';
import { fail, ok } from '../../core/result.ts';
import { writeOrders } from '../services/write-orders.ts';
import { defineCommand } from './define.ts';

/** Sets the pieces of one product for one drop, unless someone changed them since the baker looked. */
export const changeOrder = defineCommand({
	kind: 'change-order',
	lane: 'orders',
	content: z.object({
		date: bakeDateSchema,
		dropId: uuidSchema,
		productId: uuidSchema,
		pieces: z.int().min(0).max(MOST_PIECES),
		/** The version the baker saw; 0 when there was no order line yet. */
		expectedVersion: versionSchema
	}),
	right: 'change-orders',
	refusals: ['unknown', 'changed-meanwhile'],
	handle: async (tx, command, actor) => {
		const { date, pieces } = command;
		const written = await writeOrders(tx, date, [command], { actorId: actor.id, command });
		if (written.ok) return ok({ version: command.expectedVersion + 1, pieces });
		const { error } = written;
		if (error.kind === 'unknown') return fail(error);
		const [line] = error.lines;
		return fail({
			kind: 'changed-meanwhile',
			version: line?.version ?? 0,
			value: line?.value ?? 0,
			by: line?.by ?? actor.name
		});
	}
});
