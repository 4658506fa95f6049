import { z } from 'zod';
import { bakeDateSchema, uuidSchema, versionSchema } from '../../contracts/border-schemas.ts';
import { MOST_PIECES } from '../../contracts/limits.ts';
import { fail, ok } from '../../core/result.ts';
import {
	findOrderable,
	insertOrderChanges,
	lockOrderLine,
	makeOrderLine,
	updateOrderLine
} from '../db/orders.ts';
import { defineCommand, EVERYONE } from './define.ts';

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
	permitted: EVERYONE,
	refusals: ['unknown', 'changed-meanwhile'],
	handle: async (tx, command, actor) => {
		const { date, dropId, productId, pieces, expectedVersion } = command;
		const there = await findOrderable(tx, dropId, productId, date);
		if (!there.drop) return fail({ kind: 'unknown', what: 'drop' });
		if (!there.product) return fail({ kind: 'unknown', what: 'product' });
		const key = { date, dropId, productId };
		// A line that is not there yet is made first, so that two bakers meet at its lock.
		if (expectedVersion === 0) await makeOrderLine(tx, key, actor.id);
		const line = await lockOrderLine(tx, key);
		if (!line || line.version !== expectedVersion)
			return fail({
				kind: 'changed-meanwhile',
				version: line?.version ?? 0,
				value: line?.pieces ?? 0,
				by: line?.by ?? actor.name
			});
		const version = line.version + 1;
		await updateOrderLine(tx, key, { pieces, version, changedBy: actor.id });
		await insertOrderChanges(tx, [{ ...key, before: line.pieces, after: pieces }], command.id);
		return ok({ version, pieces });
	}
});
