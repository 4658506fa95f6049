import { MINUTE_MS } from '../time/index.ts';
import { feedOf, growthOf, type Feed, type FeedRatio } from './keeping.ts';

/** Something that takes from a culture. */
export interface CultureUse {
	readonly atMs: number;
	readonly grams: number;
	/** What takes it. */
	readonly by: string;
}

/** Ripe culture that comes back from what it seeded. */
export interface CultureReturn {
	readonly atMs: number;
	readonly grams: number;
	readonly from: string;
}

export interface FeedsInput {
	readonly nowMs: number;
	/** What there is of it. */
	readonly grams: number;
	readonly ratio: FeedRatio;
	/** When it can be fed, from now on. */
	readonly feedsAtMs: readonly number[];
	/** How long its ordinary feed takes until it is ripe. */
	readonly readyMinutes: number;
	readonly uses: readonly CultureUse[];
	readonly returns: readonly CultureReturn[];
	/** What is left of it after everything. */
	readonly keepGrams: number;
}

/** A feed that is to come. */
export interface FeedAhead extends Feed {
	readonly atMs: number;
	readonly readyMs: number;
	/** What it comes to. */
	readonly grams: number;
	/** What it should come to; more than it does where there is too little to seed it. */
	readonly wantedGrams: number;
	/** What is there beyond its seed. */
	readonly overGrams: number;
}

/** A use that there is too little for. */
export interface CultureShort {
	readonly use: CultureUse;
	readonly missingGrams: number;
	/**
	 * In so many feeds in a row from now it would be enough, and when, with the first of them; null where nothing is there
	 * to feed.
	 */
	readonly met: { readonly feeds: number; readonly atMs: number; readonly first: Feed } | null;
}

export interface FeedsAhead {
	readonly feeds: readonly FeedAhead[];
	/** What would have to be there now for everything to come out. */
	readonly wantedGrams: number;
	/** The first use that there is too little for; null where it closes. */
	readonly short: CultureShort | null;
	/** What is left after everything. */
	readonly leftGrams: number;
	/** Nothing is short, and what is to be kept is left. */
	readonly closes: boolean;
	/** What is there after each use and each return, in order of time. */
	readonly course: readonly {
		readonly atMs: number;
		readonly change: CultureUse | CultureReturn;
		readonly isReturn: boolean;
		readonly leftGrams: number;
	}[];
}

type Moment =
	| { readonly kind: 'return'; readonly atMs: number; readonly of: CultureReturn }
	| { readonly kind: 'use'; readonly atMs: number; readonly of: CultureUse }
	| { readonly kind: 'feed'; readonly atMs: number };

/** What comes at one time: what comes back is there to be used, and what is used is not fed. */
const ORDER = { return: 0, use: 1, feed: 2 } as const;
/** A difference of less than this is dust of binary sums. */
const DUST_GRAMS = 1e-6;
/** More feeds in a row than this are a new culture (our default). */
const MOST_FEEDS = 12;

/**
 * Sizes the feeds to come for what is wanted, from the last use back to now, and says whether it closes.
 *
 * Model: before a use there has to be what it takes and all that is wanted after it; a return lowers what has to be
 * there; a feed of a fixed ratio asks for its seed alone. Forward, each feed is as large as wanted or as its seed allows.
 * Range: any order of moments, 0 or more grams; those before now count as now. Source: domain (cultures). Failures: none.
 * Example: 900 g wanted tomorrow with 100 g to keep, fed 1:4:4 tonight: 111 g of seed have to be there.
 */
export function feedsAhead(input: FeedsInput): FeedsAhead {
	const { ratio, readyMinutes, keepGrams } = input;
	const moments = momentsOf(input);
	const wanted = wantedBackwards(moments, ratio, keepGrams);
	const feeds: FeedAhead[] = [];
	const course: FeedsAhead['course'][number][] = [];
	let short: CultureShort | null = null;
	let there = input.grams;
	for (const [at, moment] of moments.entries()) {
		switch (moment.kind) {
			case 'feed': {
				const wantedGrams = wanted.after[at] ?? 0;
				const grams = Math.min(wantedGrams, there * growthOf(ratio));
				const feed = feedOf(ratio, grams);
				feeds.push({
					...feed,
					atMs: moment.atMs,
					readyMs: moment.atMs + readyMinutes * MINUTE_MS,
					grams,
					wantedGrams,
					overGrams: Math.max(0, there - feed.seedGrams)
				});
				there = grams;
				break;
			}
			case 'return':
				there += moment.of.grams;
				course.push({ atMs: moment.atMs, change: moment.of, isReturn: true, leftGrams: there });
				break;
			case 'use': {
				const missingGrams = moment.of.grams - there;
				if (missingGrams > DUST_GRAMS && !short)
					short = { use: moment.of, missingGrams, met: metBy(input, moments.slice(0, at + 1)) };
				there = Math.max(0, there - moment.of.grams);
				course.push({ atMs: moment.atMs, change: moment.of, isReturn: false, leftGrams: there });
			}
		}
	}
	return {
		feeds,
		wantedGrams: wanted.now,
		short,
		leftGrams: there,
		closes: short === null && there >= keepGrams - DUST_GRAMS,
		course
	};
}

function momentsOf({ nowMs, feedsAtMs, uses, returns }: FeedsInput): readonly Moment[] {
	const at = (atMs: number) => Math.max(nowMs, atMs);
	const all: Moment[] = [
		...returns.map((of): Moment => ({ kind: 'return', atMs: at(of.atMs), of })),
		...uses.map((of): Moment => ({ kind: 'use', atMs: at(of.atMs), of })),
		...feedsAtMs.map((atMs): Moment => ({ kind: 'feed', atMs: at(atMs) }))
	];
	return all.sort((a, b) => a.atMs - b.atMs || ORDER[a.kind] - ORDER[b.kind]);
}

/** What has to be there after each moment, and now. */
function wantedBackwards(
	moments: readonly Moment[],
	ratio: FeedRatio,
	keepGrams: number
): { readonly after: readonly number[]; readonly now: number } {
	const after: number[] = [];
	let wanted = keepGrams;
	for (const [at, moment] of [...moments.entries()].reverse()) {
		// A feed never leaves less than is kept, though less would do where another comes before it is wanted.
		after[at] = moment.kind === 'feed' ? Math.max(wanted, keepGrams) : wanted;
		if (moment.kind === 'use') wanted += moment.of.grams;
		else if (moment.kind === 'return') wanted = Math.max(0, wanted - moment.of.grams);
		else wanted /= growthOf(ratio);
	}
	return { after, now: wanted };
}

/** How often what is there now has to be fed in a row for the last of some moments. */
function metBy(
	{ nowMs, grams, ratio, readyMinutes, keepGrams }: FeedsInput,
	upTo: readonly Moment[]
): CultureShort['met'] {
	if (grams <= DUST_GRAMS) return null;
	let wanted = keepGrams;
	for (const moment of [...upTo].reverse()) {
		if (moment.kind === 'use') wanted += moment.of.grams;
		else if (moment.kind === 'return') wanted = Math.max(0, wanted - moment.of.grams);
	}
	const growth = growthOf(ratio);
	const feeds = Math.max(1, Math.ceil(Math.log(wanted / grams) / Math.log(growth) - 1e-9));
	if (feeds > MOST_FEEDS) return null;
	return {
		feeds,
		atMs: nowMs + feeds * readyMinutes * MINUTE_MS,
		first: feedOf(ratio, wanted / growth ** (feeds - 1))
	};
}
