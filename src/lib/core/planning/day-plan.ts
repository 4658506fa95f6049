import type { DropId } from '../identity.ts';
import { MINUTE_MS } from '../time/index.ts';
import type { Caution, Placement } from '../latest-start/index.ts';
import { batchKey, type BatchRef } from './batch-ref.ts';
import type { ExpandedTask, UnplannedChain } from './expand.ts';
import type { BakeDayInput, PlannedPortion } from './input.ts';
import { judgePlacement } from './plan.ts';
import { temperatureOnPath } from '../fermentation/index.ts';
import { foldMinutes, type Step } from '../formula/index.ts';

/** A task in its place in time, with the temperature of the dough along it. */
export interface DayTask {
	readonly id: string;
	readonly batch: BatchRef;
	readonly step: Step;
	readonly startMs: number;
	readonly endMs: number;
	readonly machineId: string | null;
	/** Temperatures at evenly spread moments from start to end. */
	readonly celsius: readonly number[];
	readonly marks: {
		readonly earlyMs: number;
		readonly ripeMs: number;
		readonly lateMs: number | null;
	} | null;
	readonly foldsMs: readonly number[];
}

export interface DropOutlook {
	readonly dropId: DropId;
	readonly name: string;
	readonly dueMs: number;
	/** When the last of its portions is packed; null when nothing is planned for it. */
	readonly readyMs: number | null;
}

/** A plan ready to be read: on the screen, on paper, in words. */
export interface DayPlan {
	readonly tasks: readonly DayTask[];
	readonly drops: readonly DropOutlook[];
	readonly cautions: readonly Caution[];
	readonly unplanned: readonly UnplannedChain[];
}

/** Moments along a task at which its temperature is told; enough for a smooth ribbon (our default). */
const MOMENTS = 13;

/**
 * Describes a placement: tasks with their times, temperatures and marks, drops with what they have to
 * spare, and the cautions.
 *
 * Range: a placement that `judgePlacement` finds no violation in; tasks without a start are left out.
 * Source: `expandDay`. Failures: none.
 * Example: a wait of 3 h from 21:00 with a fold after 45 min has the fold at 21:45.
 */
export function describePlan(input: BakeDayInput, placement: Placement): DayPlan {
	const { expanded, cautions } = judgePlacement(input, placement);
	const tasks = expanded.tasks
		.flatMap((task) => {
			const start = placement.starts[task.id];
			return start === undefined ? [] : [inPlace(task, start, placement)];
		})
		.sort((a, b) => a.startMs - b.startMs || (a.id < b.id ? -1 : 1));
	return {
		tasks,
		drops: outlooks(input, tasks),
		cautions,
		unplanned: expanded.unplanned
	};
}

function inPlace(task: ExpandedTask, start: number, placement: Placement): DayTask {
	const { course } = task;
	const startMs = start * MINUTE_MS;
	const at = (minutes: number) => startMs + Math.round(minutes * MINUTE_MS);
	return {
		id: task.id,
		batch: task.batch,
		step: course.step,
		startMs,
		endMs: at(course.minutes),
		machineId: placement.machines[task.id] ?? null,
		celsius: Array.from({ length: MOMENTS }, (_, index) =>
			temperatureOnPath(
				course.startCelsius,
				course.stretches,
				(course.minutes * index) / (MOMENTS - 1)
			)
		),
		marks: course.marks
			? {
					earlyMs: at(course.marks.early),
					ripeMs: at(course.marks.ripe),
					lateMs: course.marks.late === null ? null : at(course.marks.late)
				}
			: null,
		foldsMs: course.step.kind === 'wait' ? foldMinutes(course.step, course.minutes).map(at) : []
	};
}

function outlooks(input: BakeDayInput, tasks: readonly DayTask[]): readonly DropOutlook[] {
	const endOfPortion = new Map<string, number>();
	for (const task of tasks)
		if (task.batch.kind === 'portion' || task.batch.kind === 'load') {
			const key = batchKey({ ...task.batch, kind: 'portion' });
			endOfPortion.set(key, Math.max(task.endMs, endOfPortion.get(key) ?? 0));
		}
	const ready = new Map<DropId, number>();
	const portionIsReady = (key: string, portion: PlannedPortion) => {
		const end = endOfPortion.get(key);
		if (end === undefined) return;
		for (const dropId of portion.dropIds) ready.set(dropId, Math.max(end, ready.get(dropId) ?? 0));
	};
	for (const { formulaId, mixes } of input.doughs)
		for (const { ordinal, portions } of mixes)
			for (const portion of portions.filter((portion) => portion.role === 'carries'))
				portionIsReady(
					batchKey({ kind: 'portion', formulaId, ordinal, productId: portion.productId }),
					portion
				);
	return input.drops.map(({ id, name, dueMs }) => ({
		dropId: id,
		name,
		dueMs,
		readyMs: ready.get(id) ?? null
	}));
}
