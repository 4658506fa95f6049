import { MINUTE_MS } from '../time/index.ts';
import type { FeedMoments } from './feed-moments.ts';
import type {
	CultureReturn,
	CultureShort,
	CultureUse,
	FeedAhead,
	FeedsAhead
} from './feeds-ahead.ts';

/** Something of a culture that somebody has to know or to do. */
export type Announcement =
	/** What there is of it nobody knows. */
	| { readonly kind: 'not-weighed' }
	| ({ readonly kind: 'short' } & CultureShort)
	/** Nothing is short, but less is left at the end than is to be kept. */
	| { readonly kind: 'keeps-too-little'; readonly leftGrams: number; readonly keepGrams: number }
	/** It wants to be refreshed so often before it is taken, and it is too late for that. */
	| {
			readonly kind: 'refreshed-too-late';
			readonly use: CultureUse;
			readonly lateMinutes: number;
	  }
	/** A feed time passed and no feed was written down. */
	| { readonly kind: 'feed-missed'; readonly atMs: number }
	/** What it seeded is ripe: so much of that comes back. */
	| { readonly kind: 'keep-back'; readonly of: CultureReturn }
	/** It is ripe and is to stand elsewhere. */
	| { readonly kind: 'to-rest'; readonly ripeMs: number; readonly lateMs: number | null }
	/** It is taken before it is early. */
	| { readonly kind: 'young-when-taken'; readonly use: CultureUse; readonly earlyMs: number }
	/** It is past its best when it is taken, and nothing feeds it before. */
	| { readonly kind: 'old-when-taken'; readonly use: CultureUse; readonly lateMs: number }
	| { readonly kind: 'feed-now'; readonly feed: FeedAhead };

export interface AnnouncedCulture {
	readonly nowMs: number;
	/** null where nobody weighed it. */
	readonly grams: number | null;
	readonly keepGrams: number;
	readonly ahead: FeedsAhead;
	readonly moments: FeedMoments;
	readonly uses: readonly CultureUse[];
	/** What comes back; `batchId` once what it comes from was begun. */
	readonly returns: readonly (CultureReturn & { readonly batchId: string | null })[];
	/** As it stands since its last feed; null where it was never fed. */
	readonly marks: {
		readonly early: number | null;
		readonly ripe: number | null;
		readonly late: number | null;
	} | null;
	readonly lastFeedMs: number | null;
	readonly lastScheduledMs: number | null;
	/** It goes elsewhere when it is ripe, and is not there. */
	readonly isToRest: boolean;
}

/** A feed is told as due so long before (our default). */
const DUE_BEFORE_MS = 30 * MINUTE_MS;
/** A feed that is written down so much before or after its time is that feed (our default). */
const FEED_HOLDS_MS = 3 * 60 * MINUTE_MS;
/** What was missed longer ago than this is over: the next one counts (our default). */
const MISSED_FOR_MS = 24 * 60 * MINUTE_MS;

/**
 * Tells what of a culture somebody has to know or to do, the most pressing first.
 *
 * Range: a culture at a moment. Source: domain (cultures). Failures: none; nothing to tell is an empty list.
 * Example: 880 g short for tomorrow's levain comes before a feed that is due.
 */
export function announcements(culture: AnnouncedCulture): readonly Announcement[] {
	const { nowMs, grams, ahead, keepGrams, moments, uses, returns, marks } = culture;
	const told: Announcement[] = [];
	if (grams === null) told.push({ kind: 'not-weighed' });
	else if (ahead.short) told.push({ kind: 'short', ...ahead.short });
	const ripe = returns.find(({ batchId, atMs }) => batchId !== null && atMs <= nowMs);
	if (ripe) told.push({ kind: 'keep-back', of: ripe });
	const [first] = uses;
	if (first && moments.lateMinutes > 0)
		told.push({ kind: 'refreshed-too-late', use: first, lateMinutes: moments.lateMinutes });
	const feed = ahead.feeds[0];
	if (grams !== null && feed && feed.grams > 0 && feed.atMs <= nowMs + DUE_BEFORE_MS)
		told.push({ kind: 'feed-now', feed });
	else if (isMissed(culture))
		told.push({ kind: 'feed-missed', atMs: culture.lastScheduledMs ?? nowMs });
	told.push(...whenTaken(culture));
	const ripeMs = marks?.ripe ?? Infinity;
	if (culture.isToRest && ripeMs <= nowMs)
		told.push({ kind: 'to-rest', ripeMs, lateMs: marks?.late ?? null });
	if (grams !== null && !ahead.short && !ahead.closes)
		told.push({ kind: 'keeps-too-little', leftGrams: ahead.leftGrams, keepGrams });
	return told;
}

function isMissed({ nowMs, lastScheduledMs, lastFeedMs }: AnnouncedCulture): boolean {
	// One that was never fed here was not missed: nobody knows what was done before it was set up.
	if (lastScheduledMs === null || lastFeedMs === null) return false;
	if (nowMs - lastScheduledMs > MISSED_FOR_MS) return false;
	return lastFeedMs < lastScheduledMs - FEED_HOLDS_MS;
}

/** How old it is at its first use, where nothing feeds it before. */
function whenTaken({ uses, returns, ahead, marks }: AnnouncedCulture): readonly Announcement[] {
	const [use] = uses;
	if (!use || !marks) return [];
	const isFresh =
		ahead.feeds.some(({ atMs, grams }) => atMs <= use.atMs && grams > 0) ||
		returns.some(({ atMs }) => atMs <= use.atMs);
	if (isFresh) return [];
	if (marks.early !== null && use.atMs < marks.early)
		return [{ kind: 'young-when-taken', use, earlyMs: marks.early }];
	if (marks.late !== null && use.atMs > marks.late)
		return [{ kind: 'old-when-taken', use, lateMs: marks.late }];
	return [];
}
