import type { DropId } from '../identity.ts';
import { MINUTE_MS } from '../time/index.ts';
import type { Demand, Lag, Mode, Placed, Price, Window } from '../schedule/index.ts';
import { unitsFilled, type Grid } from './grid.ts';
import { personOf, type Hands } from './hands.ts';
import type { PlannedDrop } from './input.ts';
import type { NightProblem } from './night-problem.ts';
import type { WrittenPortion } from './portion-writer.ts';
import { FOUND_FOR_DROP_PRICE, leavingPrices, pickedPrices, TIER } from './prices.ts';

/** What is done for a drop when its bread is packed, as a task of the engine. */
export interface WrittenDelivery {
	readonly id: string;
	readonly dropId: DropId;
	/** Picked out of the racks; or loaded, taken there and come back from. */
	readonly what: 'pick' | 'go';
}

/** The same as it is told: the way there and back is one. */
export interface DeliveryTask {
	readonly dropId: DropId;
	readonly name: string;
	readonly what: 'pick' | 'load' | 'drive';
	readonly fromMs: number;
	readonly toMs: number;
	/** Who does it; none where hands are not planned, or where nobody who could is entered. */
	readonly personIds: readonly string[];
}

/** What of a drop's delivery keeps a plan from holding, though its bread is in time. */
export type DeliveryCaution =
	/** Nobody who could do it is there. */
	| {
			readonly kind: 'nobody-for-drop';
			readonly dropId: DropId;
			readonly what: 'pick' | 'go';
			readonly fromMs: number;
			readonly toMs: number;
	  }
	/** It would be picked, or leave, too late to be there in time. */
	| {
			readonly kind: 'drop-leaves-late';
			readonly dropId: DropId;
			readonly atMs: number;
			readonly byMs: number;
	  };

const ANY_TIME_LATER: Window = {
	least: 0,
	most: null,
	wish: null,
	price: 0,
	outside: null,
	tier: TIER.ripe,
	holds: []
};

/** The way of doing it for which somebody would have to be found. */
const FOUND = 'found';

/** The last moment at which somebody has to leave with a drop, its loading included. */
export function leavesByMs({ dueMs, loadingMinutes, roadMinutes }: PlannedDrop): number {
	return dueMs - (loadingMinutes + roadMinutes) * MINUTE_MS;
}

/**
 * Writes what is done for a drop: picking, then loading and the way there and back as one, by whoever has the skill.
 *
 * Model: picking waits for the last of the bread, the van for the picking. What nobody of those entered can do is somebody
 * else's, and takes no hands. Where nobody who can is there somebody would have to be found, at a price above an hour's
 * lateness, and that is told.
 * Range: a drop with its written portions. Source: domain (picking by drop, loading the van). Failures: none; a drop
 * without bread in the plan, or without minutes for any of this, has nothing done for it.
 * Example: a ferry at 05:10 with five minutes each for picking, loading and the road is picked by 05:00, is on the road
 * at 05:05, and its driver is back at 05:15.
 */
export function writeDelivery(
	drop: PlannedDrop,
	written: readonly WrittenPortion[],
	night: NightProblem,
	hands: Hands
): readonly WrittenDelivery[] {
	const ends = written
		.filter(({ portion }) => portion.dropIds.includes(drop.id))
		.flatMap((portion) => portion.ends);
	const { pickingMinutes, loadingMinutes, roadMinutes } = drop;
	const goMinutes = loadingMinutes + 2 * roadMinutes;
	if (ends.length === 0 || pickingMinutes + goMinutes === 0) return [];
	const leavesBy = night.grid.floor(leavesByMs(drop));
	const told: WrittenDelivery[] = [];
	let before: readonly string[] = [...new Set(ends)];
	const add = (
		what: WrittenDelivery['what'],
		length: number,
		prices: (id: string) => readonly Price[]
	) => {
		const id = `drop:${drop.id}:${what}`;
		const skills = what === 'pick' ? 'pick' : roadMinutes > 0 ? 'drive' : 'load-van';
		night.addBeside(id, waysOf(length, hands.ifAny(skills, { from: 0, to: length })));
		night.prices.push(...prices(id));
		night.lags.push(...before.map((one): Lag => after(one, id)));
		before = [id];
		told.push({ id, dropId: drop.id, what });
	};
	if (pickingMinutes > 0)
		add('pick', unitsFilled(pickingMinutes), (id) => pickedPrices(id, leavesBy, goMinutes === 0));
	if (goMinutes > 0) add('go', unitsFilled(goMinutes), (id) => leavingPrices(id, leavesBy));
	return told;
}

/** The drop that a task of the engine is done for; null for every other. */
export function dropOf(task: string): string | null {
	return /^drop:(.*):(?:pick|go)$/.exec(task)?.[1] ?? null;
}

function after(before: string, task: string): Lag {
	return {
		id: `lag ${before} ${task}`,
		before,
		after: task,
		from: 'end',
		windows: [{ beforeMode: null, afterMode: null, window: ANY_TIME_LATER }]
	};
}

function waysOf(
	length: number,
	{ demands, found }: { readonly demands: readonly Demand[]; readonly found: readonly Demand[] }
): readonly Mode[] {
	const mode: Mode = { id: 'hands', length, demands, machine: null, batch: null };
	return demands.length === 0
		? [mode]
		: [mode, { ...mode, id: FOUND, demands: found, price: FOUND_FOR_DROP_PRICE }];
}

/** Tells what is done for the drops: when, and by whom. */
export function tellDeliveries(
	drops: readonly PlannedDrop[],
	written: readonly WrittenDelivery[],
	placed: ReadonlyMap<string, Placed>,
	grid: Grid,
	doneBy: ReadonlyMap<string, readonly string[]>
): readonly DeliveryTask[] {
	return written
		.flatMap(({ id, dropId, what }): readonly DeliveryTask[] => {
			const at = placed.get(id);
			const drop = drops.find((one) => one.id === dropId);
			if (!at || !drop) return [];
			const personIds =
				doneBy.get(id) ??
				at.given.flatMap((pools) => pools.flatMap((pool) => personOf(pool) ?? []));
			const told = { dropId, name: drop.name, personIds };
			const fromMs = grid.ms(at.start);
			if (what === 'pick')
				return [{ ...told, what, fromMs, toMs: fromMs + drop.pickingMinutes * MINUTE_MS }];
			const loadedMs = fromMs + drop.loadingMinutes * MINUTE_MS;
			return [
				{ ...told, what: 'load' as const, fromMs, toMs: loadedMs },
				{
					...told,
					what: 'drive' as const,
					fromMs: loadedMs,
					toMs: loadedMs + 2 * drop.roadMinutes * MINUTE_MS
				}
			].filter((stretch) => stretch.toMs > stretch.fromMs);
		})
		.sort((a, b) => a.fromMs - b.fromMs || (a.dropId < b.dropId ? -1 : 1));
}

/** What of the deliveries does not hold. Of a drop whose bread is late itself nothing more is said. */
export function deliveryCautions(
	drops: readonly PlannedDrop[],
	written: readonly WrittenDelivery[],
	placed: ReadonlyMap<string, Placed>,
	grid: Grid,
	isLate: (dropId: DropId) => boolean
): readonly DeliveryCaution[] {
	return written.flatMap(({ id, dropId, what }): readonly DeliveryCaution[] => {
		const at = placed.get(id);
		const drop = drops.find((one) => one.id === dropId);
		if (!at || !drop) return [];
		const found: DeliveryCaution[] = [];
		const [fromMs, toMs] = [grid.ms(at.start), grid.ms(at.end)];
		if (at.mode === FOUND) found.push({ kind: 'nobody-for-drop', dropId, what, fromMs, toMs });
		const isLast = !written.some(
			(one) => one.dropId === dropId && one.what === 'go' && what === 'pick'
		);
		const byMs = leavesByMs(drop);
		// Told on the grid, picking lasts up to a unit longer than it does.
		const atMs = what === 'go' ? fromMs : fromMs + drop.pickingMinutes * MINUTE_MS;
		if (isLast && atMs > byMs && !isLate(dropId))
			found.push({ kind: 'drop-leaves-late', dropId, atMs, byMs });
		return found;
	});
}
