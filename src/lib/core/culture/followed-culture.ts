import { judgeReadiness, type Readiness, type Sighting } from '../fermentation/index.ts';
import { estimate } from '../learning/index.ts';
import {
	doughCard,
	doughStory,
	type AirOfPlaces,
	type DoughCard,
	type DoughEvent,
	type DoughStory,
	type RipeningStep
} from '../ripening/index.ts';

/** What was seen of a culture, and how far its clock was by then. */
export interface SeenCulture {
	readonly atMs: number;
	readonly sightings: readonly Sighting[];
	/** How far it was by the clock of its feed, where 1 is ripe. */
	readonly clockShare: number;
	/** How far by what was seen; null where nothing of it speaks of age. */
	readonly seenShare: number | null;
	readonly seenSpread: number | null;
}

export interface FollowedCultureInput {
	/** As it ferments after its last feed; its clock is that of the feed. */
	readonly step: RipeningStep;
	readonly fedAtMs: number;
	readonly fedCelsius: number;
	/** Moves and readings since. */
	readonly events: readonly DoughEvent[];
	/** What was seen since the feed, and at feeds before, the newest last. */
	readonly seen: readonly SeenCulture[];
	readonly air: AirOfPlaces;
	readonly nowMs: number;
}

/** A culture at a moment since its last feed. */
export interface FollowedCulture {
	readonly story: DoughStory;
	readonly card: DoughCard;
	/** So many times the minutes of its clock. */
	readonly clockFactor: number;
	/** How far that may be off, eight times in ten, as shares of the factor. */
	readonly band: { readonly low: number; readonly high: number };
	/** By how many sights. */
	readonly used: number;
}

/** How far a culture may be off its clock, as a share of it (our default). */
const PRIOR = { mean: 1, spread: 0.25 };
/** Two bakers do not see alike (our default); what was seen of another feed says less of this one. */
const LEAST_SPREAD = 0.1;
const OTHER_FEED_SPREAD = 0.2;

/**
 * Follows a culture from its last feed, by its clock and by what was seen of it.
 *
 * Model: each sight says how many times its clock's minutes the culture takes: clock share over seen share, normal around
 * the truth, wider where it was seen of an earlier feed; the story is then that of a dough. Range: sights with shares
 * above 0; others teach nothing. Source: rosso-1993, newton-cooling; spreads are our defaults. Failures: none.
 * Example: tripled when its clock had it at half, it takes well under its clock's minutes.
 */
export function followedCulture(input: FollowedCultureInput): FollowedCulture {
	const { mean, band, used } = clockFactorOf(input.seen, input.fedAtMs, input.nowMs);
	const story = doughStory({
		step: input.step,
		clockFactor: mean,
		startMs: input.fedAtMs,
		startCelsius: input.fedCelsius,
		events: input.events,
		air: input.air,
		nowMs: input.nowMs
	});
	return { story, card: doughCard(story), clockFactor: mean, band, used };
}

function clockFactorOf(seen: readonly SeenCulture[], fedAtMs: number, nowMs: number) {
	const observations = seen.flatMap(({ atMs, clockShare, seenShare, seenSpread }, at) => {
		if (atMs > nowMs || seenShare === null || seenSpread === null) return [];
		if (!(seenShare > 0 && clockShare > 0)) return [];
		const value = clockShare / seenShare;
		const least = atMs >= fedAtMs ? LEAST_SPREAD : OTHER_FEED_SPREAD;
		return [{ id: String(at), value, spread: Math.max(least, (value * seenSpread) / seenShare) }];
	});
	const belief = estimate(PRIOR, observations);
	return {
		mean: Math.max(LEAST_FACTOR, observations.length > 0 ? belief.mean : PRIOR.mean),
		band: {
			low: Math.max(LEAST_FACTOR, belief.band.low),
			high: Math.max(LEAST_FACTOR, belief.band.high)
		},
		used: belief.used.length
	};
}

/** No culture is this much quicker than its clock. */
const LEAST_FACTOR = 0.2;

/**
 * Judges what is seen of a culture together with its clock.
 * Model: `judgeReadiness`, with the shares of its clock. Range: any sights. Source: our default. Failures: none.
 * Example: tripled at 60 % of its clock is nearly or ready, not early.
 */
export function judgeCulture(
	{ story }: Pick<FollowedCulture, 'story'>,
	sightings: readonly Sighting[]
): Readiness {
	const { clock, dose } = story;
	return judgeReadiness(
		{
			share: dose / clock.ripeMinutes,
			earlyShare: clock.underMinutes / clock.ripeMinutes,
			lateShare: clock.overMinutes / clock.ripeMinutes
		},
		sightings
	);
}
