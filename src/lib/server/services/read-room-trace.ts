import { traceOf, type PlaceStretch } from '../../core/ripening/index.ts';
import type { Db, Tx } from '../db/client.ts';
import { loadRoomReadings } from '../db/devices.ts';

/** A reading from before a dough was mixed tells the room it was mixed in, if it is no older than this. */
const STILL_TOLD_MS = 3 * 3_600_000;
/** No dough is followed longer than this. */
const LONGEST_MS = 72 * 3_600_000;

/**
 * The room as it was read from a moment on, by probes and by hand. Where nothing was read in that time, but
 * something is known of the room now, that stands for it; empty where nobody ever measured it.
 */
export async function readRoomTrace(
	db: Db | Tx,
	fromMs: number,
	nowMs: number,
	knownCelsius: number | null
): Promise<readonly PlaceStretch[]> {
	const from = Math.max(fromMs, nowMs - LONGEST_MS) - STILL_TOLD_MS;
	const trace = traceOf(await loadRoomReadings(db, from, nowMs));
	if (trace.length > 0 || knownCelsius === null) return trace;
	return [{ fromMs, celsius: knownCelsius }];
}
