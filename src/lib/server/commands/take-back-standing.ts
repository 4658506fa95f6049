import { z } from 'zod';
import { uuidSchema, versionSchema } from '../../contracts/border-schemas.ts';
import { MOST_ORDER_LINES } from '../../contracts/limits.ts';
import { piecesStanding } from '../../core/production/index.ts';
import { fail, ok } from '../../core/result.ts';
import { wallTimeOf, type BakeDate } from '../../core/time/index.ts';
import { loadBakery } from '../db/bakery.ts';
import {
	insertStandingChanges,
	loadStandingChange,
	loadStretchesOf,
	replaceStretches,
	updateStandingVersion,
	type StandingRow
} from '../db/standing-orders.ts';
import { defineCommand } from './define.ts';
import { isSameOrder, lockStandingOrders } from './standing-locks.ts';

/**
 * Takes a change of standing orders back as a whole: on each weekday that it was of stands again what stood before it. Only
 * while nobody changed one of them since, and no night of it is over.
 */
export const takeBackStanding = defineCommand({
	kind: 'take-back-standing',
	lane: 'orders',
	content: z.object({
		/** The command that said it. */
		commandId: uuidSchema,
		/** Its standing orders at the versions that it gave them. */
		lines: z
			.array(
				z.object({ dropId: uuidSchema, productId: uuidSchema, expectedVersion: versionSchema })
			)
			.min(1)
			.max(MOST_ORDER_LINES)
	}),
	right: 'change-orders',
	refusals: ['unknown', 'numbers-changed-meanwhile', 'in-the-past', 'no-bakery'],
	handle: async (tx, { id, commandId, lines, occurredAtMs }, actor) => {
		const bakery = await loadBakery(tx);
		if (!bakery) return fail({ kind: 'no-bakery' });
		const { said, before } = await loadStandingChange(tx, commandId);
		const isNamed = said.every((row) => lines.some((line) => isSameOrder(line, row)));
		if (said.length === 0 || !isNamed) return fail({ kind: 'unknown', what: 'entry' });
		const first = leastOf(said);
		const today = wallTimeOf({ epochMs: occurredAtMs }, bakery.timeZone).date;
		if (first < today) return fail({ kind: 'in-the-past', date: first, today });
		const own = lines.filter((line) => said.some((row) => isSameOrder(line, row)));
		const locked = await lockStandingOrders(tx, own, actor.id);
		// What stands now in the place of what stood before, and of what was said.
		const replaced = (row: StandingRow) => {
			const there = [...said, ...before].filter(
				(one) => isSameOrder(one, row) && one.weekday === row.weekday
			);
			return there.length > 0 && row.fromDate >= leastOf(there);
		};
		const from = leastOf([...said, ...before]);
		const standing = (await loadStretchesOf(tx, own, from)).filter(replaced);
		const stale = locked.filter(({ line, version }) => line.expectedVersion !== version);
		if (stale.length > 0)
			return fail({
				kind: 'numbers-changed-meanwhile',
				lines: stale.map(({ line, version, by }) => ({
					dropId: line.dropId,
					productId: line.productId,
					version,
					value: standsNow(
						said.find((row) => isSameOrder(row, line)),
						standing
					),
					by
				}))
			});
		await replaceStretches(tx, standing, before);
		await insertStandingChanges(
			tx,
			before.length > 0 ? before : said.map((row) => ({ ...row, pieces: 0 })),
			id,
			standing
		);
		for (const { line, version } of locked)
			await updateStandingVersion(tx, line, { version: version + 1, changedBy: actor.id });
		return ok({ lines: own.length });
	}
});

/** What stands now where something was said. */
function standsNow(said: StandingRow | undefined, standing: readonly StandingRow[]): number {
	if (!said) return 0;
	const own = standing.filter((row) => isSameOrder(row, said) && row.weekday === said.weekday);
	return piecesStanding(own, said.fromDate);
}

/** The first date of some stretches, of which there is one at least. */
function leastOf(rows: readonly StandingRow[]): BakeDate {
	return rows.map(({ fromDate }) => fromDate).reduce((least, one) => (one < least ? one : least));
}
