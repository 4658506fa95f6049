import type { AirOfPlaces } from '../ripening/index.ts';
import { announcements, type Announcement } from './announcements.ts';
import { feedMoments, refreshesWanted } from './feed-moments.ts';
import { feedsAhead, type CultureReturn, type CultureUse, type FeedsAhead } from './feeds-ahead.ts';
import {
	followedCulture,
	type FollowedCulture,
	type FollowedCultureInput
} from './followed-culture.ts';
import { readyMinutesAt, type FeedRatio } from './keeping.ts';

/** A culture as it is kept, what there is of it, and what is to take from it. */
export interface CultureStandingInput {
	readonly keeping: {
		readonly ratio: FeedRatio;
		readonly clock: { readonly referenceCelsius: number; readonly ripeMinutes: number };
		readonly keepGrams: number;
		readonly coldDays: number;
		readonly refreshes: number;
		readonly restPlaceId: string | null;
	};
	/** How warm the place is in which it ferments. */
	readonly placeCelsius: number;
	/** null where nobody weighed it. */
	readonly grams: number | null;
	/** Since its last feed; null where it was never fed. */
	readonly follow:
		| (Omit<FollowedCultureInput, 'air' | 'nowMs'> & {
				readonly keptBackAtMs: number | null;
				readonly placeId: string | null;
		  })
		| null;
	/** In order of time, as the returns are. */
	readonly uses: readonly CultureUse[];
	/** `batchId` once what it comes from was begun. */
	readonly returns: readonly (CultureReturn & { readonly batchId: string | null })[];
	/** Its own feed times to come, and the last that is past. */
	readonly scheduledMs: readonly number[];
	readonly lastScheduledMs: number | null;
	/** Since when it stands in the cold; null where it does not. */
	readonly coldSinceMs: number | null;
	readonly air: AirOfPlaces;
	readonly nowMs: number;
}

export interface CultureStanding {
	readonly followed: FollowedCulture | null;
	readonly ahead: FeedsAhead;
	readonly told: readonly Announcement[];
	/** How long its ordinary feed takes where it ferments. */
	readonly readyMinutes: number;
}

/**
 * Gives how a culture stands: its age, the feeds to come, and what somebody has to know or to do.
 *
 * Model: `followedCulture`, `feedMoments`, `feedsAhead`, `announcements`; in the cold it is past its best only after its
 * days there, whatever its peak. Range: any culture that somebody set up. Source: as those. Failures: none.
 * Example: kept back last night and put in the cold, with 2.4 kg for the 1.8 kg of tonight, it has nothing to tell.
 */
export function cultureStanding(input: CultureStandingInput): CultureStanding {
	const { keeping, follow, uses, returns, nowMs, grams } = input;
	const followed = follow && followedCulture({ ...follow, air: input.air, nowMs });
	const readyMinutes =
		(readyMinutesAt(keeping.clock, input.placeCelsius) ?? keeping.clock.ripeMinutes) *
		(followed?.clockFactor ?? 1);
	const found = followed?.card.marks ?? null;
	const marks = found && input.coldSinceMs !== null ? { ...found, late: null } : found;
	const firstUseMs = uses[0]?.atMs ?? null;
	const moments = feedMoments({
		nowMs,
		scheduledMs: input.scheduledMs,
		firstUseMs,
		firstReturnMs: returns[0]?.atMs ?? null,
		readyMinutes,
		refreshes: refreshesWanted(keeping, input.coldSinceMs, firstUseMs ?? nowMs),
		lateMs: marks?.late ?? null
	});
	const ahead = feedsAhead({
		nowMs,
		grams: grams ?? 0,
		ratio: keeping.ratio,
		feedsAtMs: moments.feedsAtMs,
		readyMinutes,
		uses,
		returns,
		keepGrams: keeping.keepGrams
	});
	return {
		followed,
		ahead,
		readyMinutes,
		told: announcements({
			nowMs,
			grams,
			keepGrams: keeping.keepGrams,
			ahead,
			moments,
			uses,
			returns,
			marks,
			lastFeedMs: follow?.keptBackAtMs ?? follow?.fedAtMs ?? null,
			lastScheduledMs: input.lastScheduledMs,
			isToRest: keeping.restPlaceId !== null && follow?.placeId !== keeping.restPlaceId
		})
	};
}
