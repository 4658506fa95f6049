import { MINUTE_MS } from '../time/index.ts';

/** A stage of a sour, as it was planned and as it went so far. */
export interface WalkedStage {
	/** When it is to be begun; null where nobody says. */
	readonly plannedMs: number | null;
	/** How long it takes from its beginning until it is ripe, as its recipe says. */
	readonly minutes: number;
	/** When it was mixed; null until it was. */
	readonly mixedAtMs: number | null;
	/** When it is ripe by its own story; null where that is not known. */
	readonly ripeMs: number | null;
	/** When it was taken; null until it was. */
	readonly endedAtMs: number | null;
}

export interface StageOfWalk {
	readonly state: 'taken' | 'ripening' | 'next' | 'waiting';
	/** When it is, or was, begun. */
	readonly startMs: number;
	/** When it is, or was, ripe or taken. */
	readonly readyMs: number;
}

export interface StagedWalk {
	readonly stages: readonly StageOfWalk[];
	/** The stage that wants a hand next; null where all of them are taken. */
	readonly current: number | null;
	/** When its bread can be mixed at the earliest. */
	readonly breadMs: number;
	/** So much later than planned that is; 0 for in time, or where nothing was planned. */
	readonly lateMinutes: number;
}

/**
 * Walks a sour stage by stage to the dough that takes it.
 *
 * Model: each stage begins when it is planned and not before the one before is ripe; one that was mixed is ripe by its own
 * story; nothing that was not begun begins before now. Range: stages in order. Source: domain (staged sours). Failures:
 * none; no stages give a bread that can be mixed when it is planned.
 * Example: the first stage ripe forty minutes late moves the two after it and the bread by what is not slack.
 */
export function stagedWalk(
	stages: readonly WalkedStage[],
	breadPlannedMs: number | null,
	nowMs: number
): StagedWalk {
	let reachedMs = -Infinity;
	let current: number | null = null;
	const walked = stages.map((stage, at): StageOfWalk => {
		const { mixedAtMs, endedAtMs, ripeMs, plannedMs, minutes } = stage;
		if (endedAtMs !== null) {
			reachedMs = endedAtMs;
			return { state: 'taken', startMs: mixedAtMs ?? endedAtMs, readyMs: endedAtMs };
		}
		const isNext = current === null;
		if (isNext) current = at;
		const startMs = mixedAtMs ?? Math.max(plannedMs ?? nowMs, reachedMs, nowMs);
		const readyMs = (mixedAtMs === null ? null : ripeMs) ?? startMs + minutes * MINUTE_MS;
		// What is ripe and not taken yet is taken now at the earliest.
		reachedMs = Math.max(readyMs, nowMs);
		const state = mixedAtMs === null ? (isNext ? 'next' : 'waiting') : 'ripening';
		return { state, startMs, readyMs };
	});
	const breadMs = Math.max(breadPlannedMs ?? reachedMs, reachedMs);
	return {
		stages: walked,
		current,
		breadMs,
		lateMinutes:
			breadPlannedMs === null
				? 0
				: Math.max(0, Math.round((reachedMs - breadPlannedMs) / MINUTE_MS))
	};
}
