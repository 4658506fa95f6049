/** A temperature somebody typed or took over, or that a probe sent, on the bakery's clock. */
export interface MomentReading {
	readonly celsius: number;
	readonly atMs: number;
}

/** What a probe says, with what is known of the probe. */
export interface ProbeReading extends MomentReading {
	readonly reportEverySeconds: number;
	/** It has said this very figure since then; null where it moves as probes do. */
	readonly unmovedSinceMs: number | null;
}

export interface ProbeState {
	/** It should have spoken several times since. */
	readonly silent: boolean;
	/** It says the same for so long that it may be stuck. */
	readonly unmoved: boolean;
}

/** A typed temperature stands against a probe for so long: the hand that typed it knew why (our default). */
export const TYPED_HOLDS_MINUTES = 30;
/** A probe is silent once it missed so many reports, and never before a few minutes (our defaults). */
const MISSED_REPORTS = 4;
const LEAST_SILENCE_MINUTES = 3;
/** A place moves by a tenth in this time; a probe that does not is asked about (our default). */
export const UNMOVED_MINUTES = 120;

/** Gives whether a probe is silent or stuck. */
export function probeState(probe: ProbeReading, nowMs: number): ProbeState {
	const allowed = Math.max(
		LEAST_SILENCE_MINUTES * 60_000,
		MISSED_REPORTS * probe.reportEverySeconds * 1000
	);
	return {
		silent: nowMs - probe.atMs > allowed,
		unmoved:
			probe.unmovedSinceMs !== null && probe.atMs - probe.unmovedSinceMs >= UNMOVED_MINUTES * 60_000
	};
}

/**
 * Decides which temperature counts: what was typed, or what the probe says.
 *
 * Model: what was typed stands for half an hour against a probe that goes on talking; after that the newer of
 * the two. Range: any readings, either may be missing. Source: our default. Failures: none; null where there
 * is neither.
 * Example: typed ten minutes ago stands against a probe of this minute; typed an hour ago does not.
 */
export function readingOfMoment(
	typed: MomentReading | null,
	probe: MomentReading | null,
	nowMs: number
): 'typed' | 'probe' | null {
	if (!typed || !probe) return typed ? 'typed' : probe ? 'probe' : null;
	if (typed.atMs >= probe.atMs) return 'typed';
	return nowMs - typed.atMs < TYPED_HOLDS_MINUTES * 60_000 ? 'typed' : 'probe';
}
