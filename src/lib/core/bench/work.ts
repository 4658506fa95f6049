import {
	batchKey,
	stationOf,
	type AttendedStretch,
	type BatchRef,
	type DayPlan,
	type Station
} from '../planning/index.ts';

/** What kind of work it is: a stretch of a task, what is done to a load while it bakes, or beside the chains. */
export type WorkKind = AttendedStretch['what'] | 'steam' | 'mark' | 'kettle' | 'oven' | 'delivery';

/** Something that hands do in a night, as its plan tells it. */
export interface Work {
	/** The same in every plan that has it. */
	readonly key: string;
	/** The task it is of; null for what is done to an oven or for a drop. */
	readonly taskId: string | null;
	readonly kind: WorkKind;
	/** What it is done to; null for an oven or a drop. */
	readonly batch: BatchRef | null;
	readonly atMs: number;
	readonly endMs: number;
	readonly station: Station;
	readonly personIds: readonly string[];
}

/** What follows waits for these; a fold that nobody tapped keeps no dough from being divided. */
const HELD_UP_BY: ReadonlySet<WorkKind> = new Set(['do', 'end', 'move', 'load', 'draw']);

/** Whether what follows in its chain comes as much later as it does. */
export function actsOf({ kind }: Pick<Work, 'kind'>): 'holds-up' | 'beside' {
	return HELD_UP_BY.has(kind) ? 'holds-up' : 'beside';
}

/**
 * The batches that something is made of, itself first, by their keys: of a load its portion and its mix too.
 * Range: any batch. Source: definition. Failures: none.
 * Example: a mix is made of itself alone; its pre-ferments have times of their own.
 */
export function chainOf(batch: BatchRef): readonly string[] {
	switch (batch.kind) {
		case 'preparation':
		case 'mix':
			return [batchKey(batch)];
		case 'portion':
			return [batchKey(batch), batchKey({ ...batch, kind: 'mix' })];
		case 'load':
			return [
				batchKey(batch),
				batchKey({ ...batch, kind: 'portion' }),
				batchKey({ ...batch, kind: 'mix' })
			];
	}
}

/** What a stretch of a task is called: the same in every plan that has it. */
export function workKey(taskId: string, what: AttendedStretch['what'], index: number): string {
	return `${taskId} ${what} ${index}`;
}

const STRETCH = / (?:do|end|fold|move|load|draw) \d+$/;

/** The task that a work is a stretch of; null for anything else. */
export function taskOfWork(key: string): string | null {
	return STRETCH.test(key) ? key.replace(STRETCH, '') : null;
}

/** What the steam of a bake is called: a tap of its own, so that none is forgotten. */
export function steamKey(taskId: string): string {
	return `${taskId} steam`;
}

/**
 * What hands do in the chains of a plan: every attended stretch of its tasks.
 * Range: a told plan. Source: definition. Failures: none.
 * Example: a mix is put in and taken out: two works of one task.
 */
export function worksOf(plan: Pick<DayPlan, 'tasks'>): readonly Work[] {
	return plan.tasks.flatMap((task) =>
		task.attended.map(({ what, fromMs, toMs, personIds }, index): Work => ({
			key: workKey(task.id, what, index),
			taskId: task.id,
			kind: what,
			batch: task.batch,
			atMs: fromMs,
			endMs: toMs,
			station: stationOf(task, what),
			personIds
		}))
	);
}
