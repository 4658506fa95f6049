import { MINUTE_MS } from '../time/index.ts';
import { workKey, steamKey } from './work.ts';
import { workStates, type WorkEntry, type WorkState } from './work-log.ts';

/** How long a task really took, as far as its taps tell. */
export interface TimedTask {
	readonly minutes: number;
	/** When it was over. */
	readonly atMs: number;
	/** The tap that ended it. */
	readonly entryId: string;
	/** The stone as it was loaded, in degrees Celsius; null where it was not read. */
	readonly stoneCelsius: number | null;
}

/** Shorter than this nobody worked: begun and ended in one go, to have it off the list (our default). */
const LEAST_MINUTES = 0.5;

/**
 * How long a task took: hands from begun to done, a bake from loaded to drawn.
 *
 * Range: the taps on one task. Source: definition. Failures: null where its beginning or its end was not tapped, or both at once.
 * Example: begun at 02:05 and done at 02:20: 15 minutes.
 */
export function timedOf(
	taskId: string,
	activity: 'bake' | 'hands',
	entries: readonly WorkEntry[]
): TimedTask | null {
	const states = workStates(entries);
	if (activity === 'hands') {
		const state = states.get(workKey(taskId, 'do', 0));
		return state?.kind === 'done' && state.fromMs !== null
			? timed(state.fromMs, state.toMs, state.entry, null)
			: null;
	}
	const ofKind = (kind: string) =>
		[...states].find(([key]) => key !== steamKey(taskId) && key.startsWith(`${taskId} ${kind} `));
	const load: WorkState | undefined = ofKind('load')?.[1];
	const draw: WorkState | undefined = ofKind('draw')?.[1];
	if (load?.kind !== 'done' || draw?.kind !== 'done') return null;
	return timed(load.toMs, draw.fromMs ?? draw.toMs, draw.entry, load.entry.celsius);
}

function timed(
	fromMs: number,
	toMs: number,
	entry: WorkEntry,
	stoneCelsius: number | null
): TimedTask | null {
	const minutes = (toMs - fromMs) / MINUTE_MS;
	return minutes < LEAST_MINUTES ? null : { minutes, atMs: toMs, entryId: entry.id, stoneCelsius };
}
