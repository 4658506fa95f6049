import { z } from 'zod';
import { bakeDateSchema, uuidSchema, versionSchema } from '../../contracts/border-schemas.ts';
import { MOST_ORDER_LINES, MOST_PIECES } from '../../contracts/limits.ts';
import { ALL_WEEKDAYS } from '../../core/bakery/index.ts';
import { layOver, type StandingStretch } from '../../core/production/index.ts';
import { fail, ok } from '../../core/result.ts';
import { wallTimeOf } from '../../core/time/index.ts';
import { loadBakery } from '../db/bakery.ts';
import { findOrderable } from '../db/orders.ts';
import {
	insertStandingChanges,
	loadStretchesOf,
	replaceStretches,
	updateStandingVersion,
	type StandingRow
} from '../db/standing-orders.ts';
import { defineCommand } from './define.ts';
import { isSameOrder, lockStandingOrders } from './standing-locks.ts';

/**
 * Says what stands ordered on some weekdays, from a date on and until another; null for until told otherwise. Nights that
 * are over keep what was ordered for them.
 */
export const setStanding = defineCommand({
	kind: 'set-standing',
	lane: 'orders',
	content: z
		.object({
			fromDate: bakeDateSchema,
			untilDate: bakeDateSchema.nullable(),
			lines: z
				.array(
					z.object({
						dropId: uuidSchema,
						productId: uuidSchema,
						weekdays: z.array(z.int().min(1).max(7)).min(1).max(7),
						pieces: z.int().min(0).max(MOST_PIECES),
						/** The version of the standing order the baker saw; 0 when there was none. */
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
		})
		.refine(
			({ fromDate, untilDate }) => untilDate === null || untilDate >= fromDate,
			'ends before it begins'
		),
	right: 'change-orders',
	refusals: ['unknown', 'numbers-changed-meanwhile', 'in-the-past', 'no-bakery'],
	handle: async (tx, command, actor) => {
		const { fromDate, untilDate, lines } = command;
		const bakery = await loadBakery(tx);
		if (!bakery) return fail({ kind: 'no-bakery' });
		const today = wallTimeOf({ epochMs: command.occurredAtMs }, bakery.timeZone).date;
		if (fromDate < today) return fail({ kind: 'in-the-past', date: fromDate, today });
		const there = await findOrderable(tx, fromDate, lines, ALL_WEEKDAYS);
		if (!lines.every(({ dropId }) => there.drops.has(dropId)))
			return fail({ kind: 'unknown', what: 'drop' });
		if (!lines.every(({ productId }) => there.products.has(productId)))
			return fail({ kind: 'unknown', what: 'product' });
		const locked = await lockStandingOrders(tx, lines, actor.id);
		const stretches = await loadStretchesOf(tx, lines, fromDate);
		const of = (line: (typeof lines)[number], weekday: number) =>
			stretches.filter((row) => isSameOrder(row, line) && row.weekday === weekday);
		const stale = locked.filter(({ line, version }) => line.expectedVersion !== version);
		if (stale.length > 0)
			return fail({
				kind: 'numbers-changed-meanwhile',
				lines: stale.map(({ line, version, by }) => ({
					dropId: line.dropId,
					productId: line.productId,
					version,
					value: of(line, line.weekdays[0] ?? 1)[0]?.pieces ?? 0,
					by
				}))
			});
		const said: StandingRow[] = [];
		const before: StandingRow[] = [];
		const after: StandingRow[] = [];
		for (const { line, version } of locked) {
			const { dropId, productId, pieces } = line;
			for (const weekday of new Set(line.weekdays)) {
				const laid: StandingStretch = { fromDate, untilDate, pieces };
				const stood = of(line, weekday);
				const asRow = (stretch: StandingStretch) => ({ ...stretch, dropId, productId, weekday });
				said.push(asRow(laid));
				before.push(...stood);
				after.push(...layOver(stood, laid).map(asRow));
			}
			await updateStandingVersion(tx, line, { version: version + 1, changedBy: actor.id });
		}
		await replaceStretches(tx, before, after);
		await insertStandingChanges(tx, said, command.id, before);
		return ok({ lines: lines.length });
	}
});
