import { z } from 'zod';
import { bakeDateSchema, uuidSchema, versionSchema } from '../../contracts/border-schemas.ts';
import { MOST_ORDER_LINES, MOST_PIECES } from '../../contracts/limits.ts';
import { fail, ok } from '../../core/result.ts';
import { writeOrders } from '../services/write-orders.ts';
import { defineCommand } from './define.ts';

/**
 * Sets many numbers of a date at once, all of them or none: a block that was pasted, filled or read from a file. Null
 * leaves a number to the standing order again.
 */
export const changeOrders = defineCommand({
	kind: 'change-orders',
	lane: 'orders',
	content: z.object({
		date: bakeDateSchema,
		lines: z
			.array(
				z.object({
					dropId: uuidSchema,
					productId: uuidSchema,
					pieces: z.int().min(0).max(MOST_PIECES).nullable(),
					/** The version the baker saw; 0 when there was no order line yet. */
					expectedVersion: versionSchema
				})
			)
			.min(1)
			.max(MOST_ORDER_LINES)
			.refine(
				(lines) =>
					new Set(lines.map(({ dropId, productId }) => dropId + productId)).size === lines.length,
				'names a product and drop twice'
			)
	}),
	right: 'change-orders',
	refusals: ['unknown', 'numbers-changed-meanwhile'],
	handle: async (tx, command, actor) => {
		const { date, lines } = command;
		const written = await writeOrders(tx, date, lines, { actorId: actor.id, command });
		return written.ok ? ok({ lines: lines.length }) : fail(written.error);
	}
});
