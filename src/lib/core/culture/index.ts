export {
	clockAfterFeed,
	feedOf,
	growthOf,
	hydrationAfterFeeds,
	readyMinutesAt,
	weightOf,
	type Feed,
	type FeedRatio
} from './keeping.ts';
export { ledgerOf, massOf, type CultureEvent, type LedgerLine } from './ledger.ts';
export {
	feedsAhead,
	type CultureReturn,
	type CultureShort,
	type CultureUse,
	type FeedAhead,
	type FeedsAhead
} from './feeds-ahead.ts';
export { feedMoments, refreshesWanted } from './feed-moments.ts';
export {
	followedCulture,
	judgeCulture,
	type FollowedCulture,
	type SeenCulture
} from './followed-culture.ts';
export {
	BEGINNINGS,
	LEAST_DAYS,
	MOST_DAYS,
	RISES_WANTED,
	STARTING,
	standingOfStart,
	type Beginning,
	type StartingStanding,
	type StartingStep
} from './starting.ts';
export { USUAL_KEEPING } from './usual.ts';
export { announcements, type Announcement } from './announcements.ts';
export { cultureStanding, type CultureStanding } from './culture-standing.ts';
