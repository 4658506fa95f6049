import { z } from 'zod';
import { bakeDateSchema } from '../../contracts/border-schemas.ts';
import { goesOn } from '../../core/bakery/index.ts';
import { fail, ok } from '../../core/result.ts';
import { loadEntries } from '../db/entries.ts';
import { dropsOf } from '../db/of-entries.ts';
import {
	insertOrderChanges,
	loadCopyableLines,
	loadOrderLines,
	lockCopyingTo,
	putOrderLines
} from '../db/orders.ts';
import { defineCommand, EVERYONE } from './define.ts';

/** Copies one date's orders to a date that has none: those for drops that go on it. */
export const copyOrders = defineCommand({
	kind: 'copy-orders',
	lane: 'orders',
	content: z.object({ from: bakeDateSchema, to: bakeDateSchema }),
	permitted: EVERYONE,
	refusals: ['orders-there-already', 'nothing-to-copy'],
	handle: async (tx, { from, to, id }, actor) => {
		// Two copies to one date must not meet: the second waits and then finds the first.
		await lockCopyingTo(tx, to);
		const there = (await loadOrderLines(tx, to)).filter((line) => line.pieces > 0);
		if (there.length > 0) return fail({ kind: 'orders-there-already', lines: there.length });
		const drops = dropsOf(await loadEntries(tx, to, ['drop'])).filter((drop) => goesOn(drop, to));
		const lines = (await loadCopyableLines(tx, from, to)).filter(({ dropId }) =>
			drops.some(({ id }) => id === dropId)
		);
		if (lines.length === 0) return fail({ kind: 'nothing-to-copy' });
		const changes = lines.map(({ dropId, productId, pieces }) => ({
			date: to,
			dropId,
			productId,
			before: 0,
			after: pieces
		}));
		await putOrderLines(tx, changes, actor.id);
		await insertOrderChanges(tx, changes, id);
		return ok({ lines: lines.length });
	}
});
