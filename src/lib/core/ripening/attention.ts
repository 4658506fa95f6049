/** After so long without a word of it, a dough is asked about (our default). */
export const ASKED_AFTER_DAYS = 7;
/** After so long it is followed no more: nothing that was foreseen then is worth telling (our default). */
export const CLOSED_AFTER_DAYS = 28;

const DAY_MS = 24 * 3_600_000;

/** How far a dough is followed beyond the last that was heard of it. */
export const MOST_FOLLOWED_MS = CLOSED_AFTER_DAYS * DAY_MS;

export interface Attention {
	readonly kind: 'followed' | 'asked' | 'closed';
	/** When it was last heard of. */
	readonly heardMs: number;
}

/**
 * Gives whether a dough is still followed, by when it was mixed and all that was heard of it since.
 *
 * Range: moments in milliseconds, in any order; one that lies ahead counts as now. Source: our default.
 * Failures: none. Example: sent to the cold nine days ago and not looked at since, it is asked about.
 */
export function attentionTo(mixedAtMs: number, heard: readonly number[], nowMs: number): Attention {
	const heardMs = Math.min(nowMs, Math.max(mixedAtMs, ...heard));
	const days = (nowMs - heardMs) / DAY_MS;
	const kind =
		days >= CLOSED_AFTER_DAYS ? 'closed' : days >= ASKED_AFTER_DAYS ? 'asked' : 'followed';
	return { kind, heardMs };
}
