import { randomUUID } from 'node:crypto';
import {
	AS_IT_IS,
	holds,
	judgePlacement,
	planDay,
	type BakeDayInput,
	type Placement
} from '../../core/planning/index.ts';
import { addDays, bakeryTime, instantOf, type WallTime } from '../../core/time/index.ts';
import { currentActor } from '../auth/actor.ts';
import { carryOut, readCommand } from '../commands/door.ts';
import { loadClock } from '../db/bakery.ts';
import type { Db } from '../db/client.ts';
import { readNextBake } from '../services/read-bakery.ts';
import { readPlan } from '../services/read-plan.ts';
import { DEMO_ZONE } from './demo-zone.ts';

/** When the plan of a night is accepted in Saltmarrow: once the orders are in. */
const ORDERS_ARE_IN = '14:00' as WallTime;
/** A night that barely fits is found by one beginning and not by another. */
const BEGINNINGS = 8;
const MOVES = 400;

/**
 * Accepts a plan for the next bake, as the head baker would have on the afternoon before: so that a night can be opened
 * in the middle of it.
 */
export async function planNextNight(db: Db, realNowMs: number): Promise<void> {
	const now = bakeryTime(await loadClock(db), { epochMs: realNowMs });
	const { date } = await readNextBake(db, { epochMs: realNowMs });
	const ordersIn = instantOf(addDays(date, -1), ORDERS_ARE_IN, DEMO_ZONE);
	const atMs = Math.min(now.epochMs, ordersIn.epochMs);
	const [{ input, fingerprint }, actor] = await Promise.all([readPlan(db, date), currentActor(db)]);
	const placement = heldPlacement(input, atMs);
	const command = readCommand({
		kind: 'accept-plan',
		id: randomUUID(),
		occurredAtMs: atMs,
		date,
		fingerprint,
		placement
	});
	if (!actor || !command.ok) throw new Error('the demo’s night could not be planned');
	const { outcome } = await carryOut(db, command.value, actor, realNowMs);
	if (outcome !== 'done') throw new Error(`the demo’s night was not accepted: ${outcome}`);
}

/** The first plan that holds; the last that was found, where none does. */
function heldPlacement(input: BakeDayInput, nowMs: number): Placement {
	let placement: Placement | null = null;
	for (let seed = 1; seed <= BEGINNINGS; seed += 1) {
		const made = planDay(input, { seed, moves: MOVES }, { ...AS_IT_IS, nowMs });
		if (!made.ok) throw new Error(`the demo’s night cannot be planned: ${made.error.kind}`);
		placement = made.value;
		if (holds(judgePlacement(input, placement).plan)) break;
	}
	if (!placement) throw new Error('no plan was made');
	return placement;
}
