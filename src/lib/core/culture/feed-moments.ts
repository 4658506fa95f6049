import { MINUTE_MS } from '../time/index.ts';

export interface MomentsInput {
	readonly nowMs: number;
	/** The feed times of the days to come. */
	readonly scheduledMs: readonly number[];
	/** When it is taken for the first time; null where nothing takes from it. */
	readonly firstUseMs: number | null;
	/** When more of it comes back ripe from what it seeded; null where none does. */
	readonly firstReturnMs: number | null;
	/** How long its ordinary feed takes until it is ripe. */
	readonly readyMinutes: number;
	/** How often it has to be fed before it is taken, since it stood in the cold for long; 0 where it is ready. */
	readonly refreshes: number;
	/** When it is past its best as it stands; null where it never is, or nobody knows. */
	readonly lateMs: number | null;
}

/** When a culture is to be fed. */
export interface FeedMoments {
	readonly feedsAtMs: readonly number[];
	/** Its refreshes do not end before it is taken: by so many minutes. */
	readonly lateMinutes: number;
}

/**
 * Gives when a culture is to be fed: at its own times, and as often before its first use as it wants to be fresh then.
 *
 * Model: refreshes stand one after the other so that the last is ripe at the first use, and begin now where they should
 * have begun before; without any feed, and past its best at its first use, it is fed once for it. Where it comes back from
 * what it seeded before it is used, that is the feed.
 * Range: any moments. Source: domain (cultures). Failures: none.
 * Example: two refreshes of 5 h before 18:00 begin at 08:00 and 13:00.
 */
export function feedMoments(input: MomentsInput): FeedMoments {
	const { nowMs, scheduledMs, firstUseMs, firstReturnMs, readyMinutes, refreshes, lateMs } = input;
	const own = scheduledMs.filter((atMs) => atMs >= nowMs);
	if (firstUseMs === null) return { feedsAtMs: own, lateMinutes: 0 };
	const comesBack = firstReturnMs !== null && firstReturnMs <= firstUseMs;
	const isFed = own.some((atMs) => atMs + readyMinutes * MINUTE_MS <= firstUseMs);
	const once = !comesBack && !isFed && lateMs !== null && firstUseMs > lateMs;
	const feeds = comesBack ? 0 : Math.max(refreshes, once ? 1 : 0);
	if (feeds === 0) return { feedsAtMs: own, lateMinutes: 0 };
	const first = firstUseMs - feeds * readyMinutes * MINUTE_MS;
	const from = Math.max(nowMs, first);
	const extra = Array.from({ length: feeds }, (_, at) => from + at * readyMinutes * MINUTE_MS);
	return {
		// What stands between them is done by them.
		feedsAtMs: [...extra, ...own.filter((atMs) => atMs > firstUseMs)],
		lateMinutes: (from - first) / MINUTE_MS
	};
}

const DAY_MS = 86_400_000;

/**
 * How often a culture has to be fed before it is taken, since it stood in the cold.
 * Range: any moment. Source: domain (cultures): the count is a setting. Failures: none.
 * Example: two feeds after four days and more: put away a week ago, it wants two; yesterday, none.
 */
export function refreshesWanted(
	keeping: { readonly coldDays: number; readonly refreshes: number },
	coldSinceMs: number | null,
	atMs: number
): number {
	if (coldSinceMs === null) return 0;
	return atMs - coldSinceMs >= keeping.coldDays * DAY_MS ? keeping.refreshes : 0;
}
