import type { DropId } from '../identity.ts';
import type { Step } from '../formula/index.ts';
import type { Placed } from '../schedule/index.ts';
import { batchKey, type BatchRef } from './batch-ref.ts';
import { cautionsOf, type Caution } from './cautions.ts';
import { deliveryCautions, tellDeliveries, type DeliveryTask } from './deliveries.ts';
import type { ExpandedDay, UnplannedChain } from './expand.ts';
import type { BakeDayInput } from './input.ts';
import { ovenTasks, type OvenTask } from './oven-tasks.ts';
import type { Placement } from './placement.ts';
import { TaskTeller } from './tell-tasks.ts';

/** Somebody's work within a task. */
export interface AttendedStretch {
	readonly what: 'do' | 'end' | 'fold' | 'move' | 'load' | 'draw';
	readonly fromMs: number;
	readonly toMs: number;
	/** Who does it; none where hands are not planned, or where somebody has to be found. */
	readonly personIds: readonly string[];
}

/** A task in its place in time, with the temperature of the dough along it. */
export interface DayTask {
	readonly id: string;
	readonly batch: BatchRef;
	readonly step: Step;
	readonly startMs: number;
	readonly endMs: number;
	readonly machineId: string | null;
	/** The task it is placed with, by the first of its steps; null for a wait, which follows from what stands around it. */
	readonly placedAs: string | null;
	/** Temperatures at evenly spread moments from start to end. */
	readonly celsius: readonly number[];
	readonly marks: {
		readonly earlyMs: number;
		readonly ripeMs: number;
		readonly lateMs: number | null;
	} | null;
	readonly foldsMs: readonly number[];
	/** When what waits is taken to its next place. */
	readonly movesMs: readonly number[];
	readonly attended: readonly AttendedStretch[];
}

type PortionRef = Extract<BatchRef, { readonly kind: 'portion' }>;

export interface DropOutlook {
	readonly dropId: DropId;
	readonly name: string;
	readonly dueMs: number;
	/** When they have to be packed: picking, loading and the road come after. */
	readonly readyByMs: number;
	/** When the last of its portions is packed; null when nothing is planned for it, or not all of it. */
	readonly readyMs: number | null;
	/** Those of its portions that are ready too late, and when each is. */
	readonly late: readonly {
		readonly batch: PortionRef;
		readonly readyMs: number;
	}[];
	/** When the last of the others is packed; null where all are late. */
	readonly othersReadyMs: number | null;
}

/** A plan ready to be read: on the screen, on paper, in words. */
export interface DayPlan {
	readonly tasks: readonly DayTask[];
	readonly ovens: readonly OvenTask[];
	readonly drops: readonly DropOutlook[];
	/** What is done for the drops when their bread is packed, in order of time. */
	readonly deliveries: readonly DeliveryTask[];
	readonly cautions: readonly Caution[];
	readonly unplanned: readonly UnplannedChain[];
	/** Batches that found no place, in whole or in part. */
	readonly unplaced: readonly BatchRef[];
}

/** Nothing is late, nothing is missing, nothing had to be given more room. */
export function holds({ cautions, unplaced, drops }: DayPlan): boolean {
	return cautions.length === 0 && unplaced.length === 0 && !drops.some(isLate);
}

function isLate({ readyMs, readyByMs }: DropOutlook): boolean {
	return readyMs !== null && readyMs > readyByMs;
}

/**
 * Describes a placement: tasks with their times, hands, temperatures and marks, what is done at the ovens, drops with what
 * they have to spare, and the cautions.
 *
 * Range: a placement that `judgePlacement` finds no violation in; tasks without a start are left out.
 * Source: `expandDay`. Failures: none.
 * Example: a wait of 3 h from 21:00 with a fold after 45 min has the fold at 21:45.
 */
export function describePlan(
	input: BakeDayInput,
	placement: Placement,
	expanded: ExpandedDay
): DayPlan {
	const placed = new Map(placement.plan.placed.map((one) => [one.task, one]));
	const tasks = new TaskTeller(input, expanded, placement, placed)
		.tell()
		.sort((a, b) => a.startMs - b.startMs || (a.id < b.id ? -1 : 1));
	const missing = new Set(placement.plan.missing);
	const unplaced = new Map(
		expanded.tasks
			.filter(({ id }) => missing.has(id))
			.map(({ batch }) => [batchKey(batch), batch] as const)
	);
	const drops = outlooks(input, tasks, expanded, placed);
	const doneBy = new Map(placement.done.map(({ task, personIds }) => [task, personIds]));
	return {
		tasks,
		ovens: ovenTasks(input, tasks),
		drops,
		deliveries: tellDeliveries(input.drops, expanded.deliveries, placed, expanded.grid, doneBy),
		cautions: [
			...cautionsOf(expanded, placement.plan, tasks),
			...deliveryCautions(input.drops, expanded.deliveries, placed, expanded.grid, (dropId) =>
				drops.some((drop) => drop.dropId === dropId && isLate(drop))
			)
		],
		unplanned: expanded.unplanned,
		unplaced: [...unplaced.values()]
	};
}

function outlooks(
	input: BakeDayInput,
	tasks: readonly DayTask[],
	expanded: ExpandedDay,
	placed: ReadonlyMap<string, Placed>
): readonly DropOutlook[] {
	const endOfPortion = new Map<string, number>();
	for (const task of tasks)
		if (task.batch.kind === 'portion' || task.batch.kind === 'load') {
			const key = batchKey({ ...task.batch, kind: 'portion' });
			endOfPortion.set(key, Math.max(task.endMs, endOfPortion.get(key) ?? 0));
		}
	const whole = new Set(
		expanded.ends
			.filter(({ ends }) => ends.every((end) => placed.has(end)))
			.map(({ batch }) => batchKey(batch))
	);
	const portionsOf = (dropId: DropId) =>
		input.doughs.flatMap(({ formulaId, mixes }) =>
			mixes.flatMap(({ ordinal, portions }) =>
				portions
					.filter(({ role, dropIds }) => role === 'carries' && dropIds.includes(dropId))
					.map(({ productId }): PortionRef => ({ kind: 'portion', formulaId, ordinal, productId }))
			)
		);
	return input.drops.map(({ id, name, dueMs, readyByMs }) => {
		const portions = portionsOf(id).map((batch) => ({
			batch,
			readyMs: whole.has(batchKey(batch)) ? (endOfPortion.get(batchKey(batch)) ?? null) : null
		}));
		const ends = portions.flatMap(({ readyMs }) => readyMs ?? []);
		const others = ends.filter((end) => end <= readyByMs);
		return {
			dropId: id,
			name,
			dueMs,
			readyByMs,
			readyMs: ends.length > 0 && ends.length === portions.length ? Math.max(...ends) : null,
			late: portions.flatMap(({ batch, readyMs }) =>
				readyMs !== null && readyMs > readyByMs ? [{ batch, readyMs }] : []
			),
			othersReadyMs: others.length > 0 ? Math.max(...others) : null
		};
	});
}
