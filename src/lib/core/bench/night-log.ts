import { batchKey, type BatchRef } from '../planning/index.ts';
import { MINUTE_MS } from '../time/index.ts';
import { expectedOf } from './expected.ts';
import type { Work } from './work.ts';
import { workStates, type WorkEntry, type WorkState } from './work-log.ts';

/** One work of a night as it went, beside its plan. */
export interface LoggedWork {
	readonly work: Work;
	readonly state: WorkState;
	/** When it began and was over; null where nobody told. */
	readonly fromMs: number | null;
	readonly toMs: number | null;
	/** Minutes that it was over later than planned, less than 0 for sooner; null where it is not known to be over. */
	readonly laterMinutes: number | null;
	/** Why it was put off, each time, or left out. */
	readonly because: readonly string[];
}

/** What belongs together: a pre-ferment, a mix, a portion or a load; ovens and drops stand by themselves. */
export interface LoggedBatch {
	/** Null for what is done to ovens and for drops. */
	readonly batch: BatchRef | null;
	readonly works: readonly LoggedWork[];
}

export interface NightLog {
	/** In order of their first work. */
	readonly batches: readonly LoggedBatch[];
	/** How much is known to be over, and of how much. */
	readonly done: number;
	readonly of: number;
	/** Done so much later than planned that it counts as late, the latest first. */
	readonly late: readonly LoggedWork[];
	readonly leftOut: number;
	/** Nobody told of them, and their time is over. */
	readonly untold: number;
}

/** What is over this much later than planned was late (our default). */
const LATE_MINUTES = 10;

/**
 * A night as it went against its plan, batch by batch.
 *
 * Model: each work by its taps (`workStates`); its times as they really were, beside those of the plan. Range: works of one plan, entries
 * that stand. Source: definition. Failures: none.
 * Example: a mix planned until 02:20 and out at 02:35 is 15 minutes later, and counts as late.
 */
export function nightLog(
	works: readonly Work[],
	entries: readonly WorkEntry[],
	nowMs: number
): NightLog {
	const states = workStates(entries);
	const passed = new Set(
		expectedOf(works, states, nowMs)
			.filter(({ isPassed }) => isPassed)
			.map(({ work }) => work.key)
	);
	const logged = [...works]
		.sort((a, b) => a.atMs - b.atMs || a.endMs - b.endMs)
		.map((work) => loggedWork(work, states.get(work.key), entries));
	const groups = new Map<string, LoggedWork[]>();
	for (const one of logged) {
		const key = one.work.batch ? batchKey(one.work.batch) : '';
		groups.set(key, [...(groups.get(key) ?? []), one]);
	}
	return {
		batches: [...groups.values()].map((all) => ({
			batch: all[0]?.work.batch ?? null,
			works: all
		})),
		done: logged.filter(({ toMs }) => toMs !== null).length,
		of: logged.length,
		late: logged
			.filter(({ laterMinutes }) => laterMinutes !== null && laterMinutes >= LATE_MINUTES)
			.sort((a, b) => (b.laterMinutes ?? 0) - (a.laterMinutes ?? 0)),
		leftOut: logged.filter(({ state }) => state.kind === 'left-out').length,
		untold: logged.filter(({ work, toMs }) => toMs === null && passed.has(work.key)).length
	};
}

function loggedWork(
	work: Work,
	state: WorkState = { kind: 'open' },
	entries: readonly WorkEntry[]
): LoggedWork {
	const because = entries
		.filter((entry) => entry.work === work.key && entry.because !== '')
		.map((entry) => entry.because);
	const fromMs =
		state.kind === 'begun' ? state.sinceMs : state.kind === 'done' ? state.fromMs : null;
	const toMs = state.kind === 'done' ? state.toMs : null;
	return {
		work,
		state,
		fromMs,
		toMs,
		laterMinutes: toMs === null ? null : Math.round((toMs - work.endMs) / MINUTE_MS),
		because
	};
}
