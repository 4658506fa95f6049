import type { Tx } from '../db/client.ts';
import { inOneOrder } from '../db/orders.ts';
import { lockStanding, type StandingKey } from '../db/standing-orders.ts';

export function isSameOrder(a: StandingKey, b: StandingKey): boolean {
	return a.dropId === b.dropId && a.productId === b.productId;
}

/** Each standing order locked, in one order, so that two bakers never wait for each other. */
export async function lockStandingOrders<Line extends StandingKey>(
	tx: Tx,
	lines: readonly Line[],
	actorId: string
) {
	const locked: { readonly line: Line; readonly version: number; readonly by: string }[] = [];
	for (const line of inOneOrder(lines))
		locked.push({ line, ...(await lockStanding(tx, line, actorId)) });
	return locked;
}
