/** A point in time as milliseconds since 1970 in UTC. */
export interface Instant {
	readonly epochMs: number;
}

export const MINUTE_MS = 60_000;
