import type { Sighting } from '../fermentation/index.ts';

/** What a new culture begins with. */
export const BEGINNINGS = [
	'flour-and-water',
	'fruit-water',
	'ripe-culture',
	'dried-culture'
] as const;
export type Beginning = (typeof BEGINNINGS)[number];

/** One thing that is done to a culture while it is started. */
export interface StartingStep {
	/** `mix` begins the dough of it, `air` opens the jar and shakes it, `stir` stirs, `feed` feeds what was kept. */
	readonly what: 'mix' | 'air' | 'stir' | 'feed';
	/** Hours after the step before it. */
	readonly afterHours: number;
	readonly seedGrams: number;
	readonly flourGrams: number;
	/** Water; in the first mix of a fruit water that, strained. */
	readonly waterGrams: number;
}

const step = (
	what: StartingStep['what'],
	afterHours: number,
	seedGrams = 0,
	flourGrams = 0,
	waterGrams = 0
): StartingStep => ({ what, afterHours, seedGrams, flourGrams, waterGrams });

/** So it goes on until it rises by itself twice in a row. */
const ON_AND_ON = step('feed', 12, 50, 50, 50);

/**
 * What is done for each beginning, one after the other; after the last of it, feeds twice a day (our defaults). Grams are
 * those of a small jar.
 */
export const STARTING: Readonly<Record<Beginning, readonly StartingStep[]>> = {
	'flour-and-water': [
		step('mix', 0, 0, 50, 50),
		step('stir', 24),
		step('feed', 24, 50, 50, 50),
		step('feed', 24, 50, 50, 50),
		step('feed', 24, 50, 50, 50),
		step('feed', 24, 50, 50, 50)
	],
	'fruit-water': [
		step('air', 0),
		step('air', 24),
		step('air', 24),
		step('air', 24),
		step('air', 24),
		step('mix', 12, 0, 100, 100),
		step('feed', 12, 50, 50, 50)
	],
	'ripe-culture': [step('mix', 0, 20, 40, 40)],
	'dried-culture': [step('mix', 0, 10, 40, 50), step('feed', 24, 50, 50, 50)]
};

/** The days each takes at the least before it is trusted with bread (our defaults). */
export const LEAST_DAYS: Readonly<Record<Beginning, number>> = {
	'flour-and-water': 7,
	'fruit-water': 7,
	'ripe-culture': 1,
	'dried-culture': 2
};

/** After so long it has risen by itself, or it does not (our default). */
const RISES_WITHIN_HOURS = 12;
/** So many feeds in a row it has to rise before it is trusted (our default). */
export const RISES_WANTED = 2;
/** After so many days without that something is wrong (our default). */
export const MOST_DAYS = 16;

export interface StartingInput {
	readonly beginning: Beginning;
	readonly begunAtMs: number;
	/** What was done after it was begun, in order of time: feeds, stirring and airing. */
	readonly done: readonly { readonly atMs: number; readonly isFeed: boolean }[];
	readonly seen: readonly { readonly atMs: number; readonly sightings: readonly Sighting[] }[];
	readonly nowMs: number;
}

export interface StartingStanding {
	/** The day it is on; the one it was begun on is the first. */
	readonly day: number;
	readonly next: StartingStep & { readonly dueMs: number };
	/** How many of its last feeds, in a row, it rose by. */
	readonly rises: number;
	/** It rose often enough and is old enough. */
	readonly isReady: boolean;
	/** It takes longer than any should. */
	readonly isSlow: boolean;
}

const HOUR_MS = 3_600_000;

/**
 * Gives where a culture stands that is being started: what is done next and when, and whether it is ready to be trusted.
 *
 * Model: the steps of its beginning one after the other, counted from when each was really done; ready when it doubled or
 * more within twelve hours of each of its last two feeds, and not before its least days. The liveliness of the first days
 * is of other bacteria and counts for nothing before the second feed.
 * Range: moments in order. Source: our defaults. Failures: none.
 * Example: flour and water, begun an hour ago, is stirred in 23 hours.
 */
export function standingOfStart(input: StartingInput): StartingStanding {
	const { beginning, begunAtMs, done, seen, nowMs } = input;
	const steps = STARTING[beginning];
	const next = steps[1 + done.length] ?? ON_AND_ON;
	const lastMs = done.at(-1)?.atMs ?? begunAtMs;
	const days = (nowMs - begunAtMs) / (24 * HOUR_MS);
	const rises = risesInARow(done.filter(({ isFeed }) => isFeed).slice(1), seen, nowMs);
	return {
		day: Math.max(1, 1 + Math.floor(days)),
		next: { ...next, dueMs: lastMs + next.afterHours * HOUR_MS },
		rises,
		isReady: rises >= RISES_WANTED && days >= LEAST_DAYS[beginning],
		isSlow: days > MOST_DAYS && rises < RISES_WANTED
	};
}

/** A feed whose time is not over and that was not seen to rise yet breaks no row. */
function risesInARow(
	feeds: StartingInput['done'],
	seen: StartingInput['seen'],
	nowMs: number
): number {
	let rises = 0;
	for (const [at, { atMs }] of [...feeds.entries()].reverse()) {
		const untilMs = Math.min(atMs + RISES_WITHIN_HOURS * HOUR_MS, feeds[at + 1]?.atMs ?? Infinity);
		const rose = seen.some(
			(one) => one.atMs >= atMs && one.atMs <= untilMs && one.sightings.some(isRisen)
		);
		if (rose) rises += 1;
		else if (at === feeds.length - 1 && nowMs <= untilMs) continue;
		else break;
	}
	return rises;
}

function isRisen(sighting: Sighting): boolean {
	return (
		sighting.kind === 'volume' &&
		(sighting.seen === 'doubled' || sighting.seen === 'tripled' || sighting.seen === 'collapsing')
	);
}
