import type { WaitPlace, WaitStep, Step } from '../formula/index.ts';
import type { DoughEvent, RipeningStep } from './dough-story.ts';

/** What the log says of one batch, as far as it is followed by it. */
export type FollowedEntry = { readonly occurredAtMs: number } & (
	| { readonly kind: 'measured'; readonly celsius: number }
	| {
			readonly kind: 'checked';
			readonly stage: 'autolyse' | 'dough';
			readonly celsius: number;
			readonly instrument: string;
	  }
	| {
			readonly kind: 'moved';
			readonly place: WaitPlace;
			readonly ambientCelsius: number;
			readonly timeConstantMinutes: number;
			readonly retarderId: string | null;
	  }
	| { readonly kind: 'ended' }
	| { readonly kind: 'judged' }
);

/** A batch as its log tells it. */
export interface FollowedLog {
	/** When and how warm it came out of the mixer; null until it was measured. */
	readonly mixed: { readonly atMs: number; readonly celsius: number } | null;
	readonly events: readonly DoughEvent[];
	/** The cold room it stands in since its last move. */
	readonly retarderId: string | null;
	/** When its wait was ended; null while it goes on, or went on again. */
	readonly endedAtMs: number | null;
}

/**
 * Gives what happened to a batch since it came out of the mixer.
 *
 * Range: entries of one batch in order of time, corrected ones left out. Source: none. Failures: none; what
 * lies before the mix is no part of its story.
 * Example: moved to the cold and back has no cold room; ended and moved again goes on.
 */
export function followedLog(entries: readonly FollowedEntry[]): FollowedLog {
	const measured = entries.findLast((entry) => entry.kind === 'measured');
	if (measured?.kind !== 'measured')
		return { mixed: null, events: [], retarderId: null, endedAtMs: null };
	const atMs = measured.occurredAtMs;
	const events: DoughEvent[] = [];
	let [retarderId, endedAtMs]: [string | null, number | null] = [null, null];
	for (const entry of entries) {
		if (entry.occurredAtMs < atMs) continue;
		if (entry.kind === 'checked' && entry.stage === 'dough')
			events.push({
				kind: 'checked',
				atMs: entry.occurredAtMs,
				celsius: entry.celsius,
				onSurface: entry.instrument === 'surface-thermometer'
			});
		if (entry.kind === 'ended') [retarderId, endedAtMs] = [null, entry.occurredAtMs];
		if (entry.kind !== 'moved') continue;
		const { place, ambientCelsius, timeConstantMinutes } = entry;
		events.push({
			kind: 'moved',
			atMs: entry.occurredAtMs,
			leg: { named: null, place, ambientCelsius, timeConstantMinutes, minutes: null }
		});
		[retarderId, endedAtMs] = [entry.retarderId, null];
	}
	return { mixed: { atMs, celsius: measured.celsius }, events, retarderId, endedAtMs };
}

/** The wait something ripens in as a whole: the first with a clock; null where there is none. */
export function ripeningStep(steps: readonly Step[]): RipeningStep | null {
	const found = steps.find((step): step is WaitStep => step.kind === 'wait' && step.clock !== null);
	return found?.clock ? { ...found, clock: found.clock } : null;
}
