import { z } from 'zod';
import { bakeDateSchema } from '../../contracts/border-schemas.ts';
import { goesOn } from '../../core/bakery/index.ts';
import { fail, ok } from '../../core/result.ts';
import { loadEntries } from '../db/entries.ts';
import { dropsOf } from '../db/of-entries.ts';
import {
	findOrderable,
	insertOrderChanges,
	loadOrderLines,
	lockCopyingTo,
	putOrderLines
} from '../db/orders.ts';
import { loadOrdersOfDate } from '../services/orders-of-date.ts';
import { defineCommand } from './define.ts';

/**
 * Makes the orders of one date those of another: for drops that go on it and products that are in the book. What stands
 * by weekday and was not ordered there is not ordered here either. A date for which numbers were typed is left alone.
 */
export const copyOrders = defineCommand({
	kind: 'copy-orders',
	lane: 'orders',
	content: z.object({ from: bakeDateSchema, to: bakeDateSchema }),
	right: 'change-orders',
	refusals: ['orders-there-already', 'nothing-to-copy'],
	handle: async (tx, { from, to, id }, actor) => {
		// Two copies to one date must not meet: the second waits and then finds the first.
		await lockCopyingTo(tx, to);
		const typed = await loadOrderLines(tx, to);
		const there = typed.filter((line) => line.pieces !== null && line.pieces > 0);
		if (there.length > 0) return fail({ kind: 'orders-there-already', lines: there.length });
		const source = (await loadOrdersOfDate(tx, from)).filter(({ pieces }) => pieces > 0);
		const orderable = await findOrderable(tx, to, source);
		const going = new Set(
			dropsOf(await loadEntries(tx, to, ['drop']))
				.filter((drop) => goesOn(drop, to))
				.map((drop) => drop.id)
		);
		const lines = source.filter(
			({ dropId, productId }) => going.has(dropId) && orderable.products.has(productId)
		);
		if (lines.length === 0) return fail({ kind: 'nothing-to-copy' });
		const copied = new Set(lines.map(({ dropId, productId }) => dropId + productId));
		const here = await loadOrdersOfDate(tx, to);
		const before = new Map(here.map((line) => [line.dropId + line.productId, line.pieces]));
		const standing = here.filter(
			(line) => line.pieces > 0 && !copied.has(line.dropId + line.productId)
		);
		const changes = [...lines, ...standing.map((line) => ({ ...line, pieces: 0 }))].map(
			({ dropId, productId, pieces }) => ({
				date: to,
				dropId,
				productId,
				before: before.get(dropId + productId) ?? 0,
				after: pieces,
				leftToStanding: false
			})
		);
		await putOrderLines(tx, changes, actor.id);
		await insertOrderChanges(tx, changes, id);
		return ok({ lines: lines.length });
	}
});
