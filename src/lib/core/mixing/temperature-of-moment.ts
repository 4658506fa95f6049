import { readingOfMoment } from './reading-of-moment.ts';

/** What a hand typed or took over, and what a probe says. */
export interface Spoken {
	readonly id: string;
	readonly celsius: number;
	readonly instrument: string;
	readonly occurredAtMs: number;
}

/**
 * Gives the reading that counts of what was typed and what a probe says.
 *
 * Model: as `readingOfMoment`; what was taken over from a probe (`probe` as its instrument) does not stand
 * against that probe. Range: either may be missing. Source: our default. Failures: none; null without any.
 * Example: a figure taken over from the probe an hour ago gives way to what the probe says now.
 */
export function temperatureOfMoment(
	typed: Spoken | null,
	probe: Spoken | null,
	nowMs: number
): Spoken | null {
	const stands =
		typed && (typed.instrument !== 'probe' || !probe || typed.occurredAtMs > probe.occurredAtMs);
	const chosen = readingOfMoment(
		stands && typed ? { celsius: typed.celsius, atMs: typed.occurredAtMs } : null,
		probe ? { celsius: probe.celsius, atMs: probe.occurredAtMs } : null,
		nowMs
	);
	return chosen === 'probe' ? probe : chosen === 'typed' ? typed : null;
}
