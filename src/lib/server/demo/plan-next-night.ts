import { randomUUID } from 'node:crypto';
import {
	AS_IT_IS,
	holds,
	judgePlacement,
	planDay,
	type BakeDayInput,
	type Placement
} from '../../core/planning/index.ts';
import {
	addDays,
	bakeryTime,
	instantOf,
	weekdayOf,
	type BakeDate,
	type WallTime
} from '../../core/time/index.ts';
import { headBaker } from '../auth/actor.ts';
import { carryOut, readCommand } from '../commands/door.ts';
import { loadClock } from '../db/bakery.ts';
import type { Db } from '../db/client.ts';
import { readNextBake } from '../services/read-bakery.ts';
import { readPlan } from '../services/read-plan.ts';
import { DEMO_ZONE } from './demo-zone.ts';
import { SUNDAY } from './orders.ts';

/** When the plan of a night is accepted in Saltmarrow: once the orders are in. */
const ORDERS_ARE_IN = '14:00' as WallTime;
/** Or so much sooner that its longest chain can be begun. */
const BEFORE_THE_FIRST_MS = 10 * 60_000;
/** A night that barely fits is found by one beginning and not by another. */
const BEGINNINGS = 8;
/** With so much to spare before each drop a head baker looks no further. */
const ROOM_MS = 10 * 60_000;
/** What was found in longer is cheaper, and leaves less room where something goes wrong in the night. */
const MOVES = 300;

/**
 * Accepts a plan for the next bake where it would have been by now, as the head baker would have: on the afternoon
 * of the working day before, or sooner where a chain is longer than that. Whoever opens the demo in the middle of a
 * night finds it planned; whoever opens it before plans it.
 */
export async function planNextNight(db: Db, realNowMs: number): Promise<void> {
	const nowMs = bakeryTime(await loadClock(db), { epochMs: realNowMs }).epochMs;
	const { date } = await readNextBake(db, { epochMs: realNowMs });
	const ordersInMs = instantOf(workingDayBefore(date), ORDERS_ARE_IN, DEMO_ZONE).epochMs;
	const [{ input, fingerprint }, actor] = await Promise.all([readPlan(db, date), headBaker(db)]);
	const told = planToldBy(input, nowMs, ordersInMs);
	if (!told) return;
	const command = readCommand({
		kind: 'accept-plan',
		id: randomUUID(),
		occurredAtMs: told.atMs,
		date,
		fingerprint,
		placement: told.placement
	});
	if (!actor || !command.ok) throw new Error('the demo’s night could not be planned');
	const { outcome } = await carryOut(db, command.value, actor, realNowMs);
	if (outcome !== 'done') throw new Error(`the demo’s night was not accepted: ${outcome}`);
}

/** The day before, or the Saturday where that is a Sunday, when nobody is there. */
function workingDayBefore(date: BakeDate): BakeDate {
	const before = addDays(date, -1);
	return weekdayOf(before) === SUNDAY ? addDays(before, -1) : before;
}

/** The plan that was accepted before now, and when; null where it can still be made. */
function planToldBy(
	input: BakeDayInput,
	nowMs: number,
	ordersInMs: number
): { readonly placement: Placement; readonly atMs: number } | null {
	const fromMs = Math.min(nowMs, ordersInMs);
	const fromThen = bestPlacement(input, fromMs);
	if (fromThen.holds) return nowMs < ordersInMs ? null : { ...fromThen, atMs: ordersInMs };
	// Something of it had to be begun before.
	const sooner = bestPlacement(input, null);
	return { ...sooner, atMs: Math.min(fromMs, sooner.beginsMs - BEFORE_THE_FIRST_MS) };
}

interface Found {
	readonly placement: Placement;
	readonly holds: boolean;
	readonly beginsMs: number;
	/** What the drop with the least of it has to spare; nothing where one is not made. */
	readonly spareMs: number;
}

/** The first plan that holds with room to spare; the one with the most of it, where none has. */
function bestPlacement(input: BakeDayInput, nowMs: number | null): Found {
	let found: Found | null = null;
	for (let seed = 1; seed <= BEGINNINGS; seed += 1) {
		const made = planDay(input, { seed, moves: MOVES }, { ...AS_IT_IS, nowMs });
		if (!made.ok) throw new Error(`the demo’s night cannot be planned: ${made.error.kind}`);
		const { plan } = judgePlacement(input, made.value);
		const next: Found = {
			placement: made.value,
			holds: holds(plan),
			beginsMs: Math.min(nowMs ?? Infinity, ...plan.tasks.map(({ startMs }) => startMs)),
			spareMs: Math.min(
				...plan.drops.map(({ readyMs, readyByMs }) =>
					readyMs === null ? -Infinity : readyByMs - readyMs
				)
			)
		};
		if (next.holds && next.spareMs >= ROOM_MS) return next;
		if (!found || isBetter(next, found)) found = next;
	}
	if (!found) throw new Error('no plan was made');
	return found;
}

function isBetter(one: Found, other: Found): boolean {
	if (one.holds !== other.holds) return one.holds;
	return one.spareMs > other.spareMs;
}
