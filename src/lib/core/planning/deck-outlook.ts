import { bakeMarks, phasesOf, type BakeMark } from '../baking/index.ts';
import type { BakeStep } from '../formula/index.ts';
import { MINUTE_MS } from '../time/index.ts';
import type { DayPlan, DayTask } from './day-plan.ts';
import type { OvenTask } from './oven-tasks.ts';

/** A load of one product, as its deck sees it. */
export interface BakingTask extends DayTask {
	readonly step: BakeStep;
}

/** What goes into a deck at one time. */
export interface DeckLoad {
	readonly startMs: number;
	/** When the door is closed behind it and it bakes. */
	readonly bakesMs: number;
	readonly endMs: number;
	readonly tasks: readonly BakingTask[];
	/** What is done to it while it is in and as it comes out, in order. */
	readonly marks: readonly {
		readonly atMs: number;
		readonly mark: BakeMark;
		readonly task: BakingTask;
	}[];
}

/** How a deck stands at a moment, by the plan. */
export interface DeckOutlook {
	/** What it is set to; null while it is off. */
	readonly celsius: number | null;
	readonly load: DeckLoad | null;
	/** The loads to come, the next first. */
	readonly ahead: readonly DeckLoad[];
	/** What is done to the oven itself from now on. */
	readonly settings: readonly OvenTask[];
}

/**
 * How a deck stands at a moment: its setting, what is in it and what is done to that, what comes next.
 *
 * Range: a told plan and any moment. Source: the plan; nothing here is measured. Failures: none.
 * Example: a load put in at 02:00 for 42 minutes of baking is in at 02:30, and is drawn at 02:47.
 */
export function deckOutlook(
	{ tasks, ovens }: Pick<DayPlan, 'tasks' | 'ovens'>,
	deckId: string,
	nowMs: number
): DeckOutlook {
	const loads = loadsOf(tasks.filter(isBaking), deckId);
	const own = ovens.filter(({ deckIds }) => deckIds.includes(deckId));
	const load = loads.find(({ startMs, endMs }) => startMs <= nowMs && nowMs < endMs) ?? null;
	return {
		celsius: settingAt(own, loads, nowMs),
		load,
		ahead: loads.filter(({ startMs }) => startMs > nowMs),
		settings: own.filter(({ atMs }) => atMs > nowMs)
	};
}

function isBaking(task: DayTask): task is BakingTask {
	return task.step.kind === 'bake';
}

function loadsOf(tasks: readonly BakingTask[], deckId: string): readonly DeckLoad[] {
	const byStart = new Map<number, BakingTask[]>();
	for (const task of tasks)
		if (task.machineId === deckId)
			byStart.set(task.startMs, [...(byStart.get(task.startMs) ?? []), task]);
	return [...byStart]
		.sort(([a], [b]) => a - b)
		.map(([startMs, together]) => ({
			startMs,
			bakesMs: Math.min(...together.map(bakesFrom)),
			endMs: Math.max(...together.map(({ endMs }) => endMs)),
			tasks: together,
			marks: together
				.flatMap((task) =>
					bakeMarks(task.step).map((mark) => ({
						atMs: bakesFrom(task) + mark.atMinutes * MINUTE_MS,
						mark,
						task
					}))
				)
				.sort((a, b) => a.atMs - b.atMs)
		}));
}

function bakesFrom({ endMs, step }: BakingTask): number {
	return endMs - step.bakeMinutes * MINUTE_MS;
}

/** What was set last: on the oven itself, or by the bake that is or was in. */
function settingAt(
	own: readonly OvenTask[],
	loads: readonly DeckLoad[],
	nowMs: number
): number | null {
	const set = own.map(({ atMs, celsius }) => ({ atMs, celsius }));
	const baked = loads.flatMap(({ tasks }) =>
		tasks.flatMap((task) =>
			phasesOf(task.step).map(({ fromMinutes, celsius }) => ({
				atMs: bakesFrom(task) + fromMinutes * MINUTE_MS,
				celsius
			}))
		)
	);
	// What is set at the moment a load is drawn counts more than how its bake ended.
	return (
		[...baked, ...set]
			.filter(({ atMs }) => atMs <= nowMs)
			.sort((a, b) => a.atMs - b.atMs)
			.at(-1)?.celsius ?? null
	);
}
