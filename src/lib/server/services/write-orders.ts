import type { RefusalOf } from '../../contracts/refusals.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Tx } from '../db/client.ts';
import {
	findOrderable,
	insertOrderChanges,
	lockOrderLines,
	putOrderLines,
	type LockedOrder
} from '../db/orders.ts';
import { loadOrdersOfDate } from './orders-of-date.ts';

/** A number as it shall be, and the version it was typed over. */
export interface WantedOrder {
	readonly dropId: string;
	readonly productId: string;
	readonly pieces: number | null;
	readonly expectedVersion: number;
}

/** Sets numbers of a date, all of them or none: somebody may have changed one since the baker looked. */
export async function writeOrders(
	tx: Tx,
	date: BakeDate,
	lines: readonly WantedOrder[],
	by: { readonly actorId: string; readonly command: { readonly id: string } }
): Promise<Result<void, RefusalOf<'unknown' | 'numbers-changed-meanwhile'>>> {
	const there = await findOrderable(tx, date, lines);
	if (!lines.every(({ dropId }) => there.drops.has(dropId)))
		return fail({ kind: 'unknown', what: 'drop' });
	if (!lines.every(({ productId }) => there.products.has(productId)))
		return fail({ kind: 'unknown', what: 'product' });
	const locked = new Map(
		(await lockOrderLines(tx, date, lines, by.actorId)).map((line) => [keyOf(line), line] as const)
	);
	const stale = lines.flatMap((line): LockedOrder[] => {
		const stands = locked.get(keyOf(line));
		return stands && stands.version !== line.expectedVersion ? [stands] : [];
	});
	const ordered = new Map(
		(await loadOrdersOfDate(tx, date)).map((order) => [keyOf(order), order] as const)
	);
	if (stale.length > 0)
		return fail({
			kind: 'numbers-changed-meanwhile',
			lines: stale.map((line) => ({
				dropId: line.dropId,
				productId: line.productId,
				version: line.version,
				value: ordered.get(keyOf(line))?.pieces ?? 0,
				by: line.by
			}))
		});
	const changes = lines.map((line) => {
		const stands = ordered.get(keyOf(line));
		return {
			date,
			dropId: line.dropId,
			productId: line.productId,
			before: stands?.pieces ?? 0,
			after: line.pieces ?? stands?.standing ?? 0,
			leftToStanding: line.pieces === null
		};
	});
	await putOrderLines(tx, changes, by.actorId);
	await insertOrderChanges(tx, changes, by.command.id);
	return ok(undefined);
}

function keyOf(line: { readonly dropId: string; readonly productId: string }): string {
	return `${line.dropId} ${line.productId}`;
}
