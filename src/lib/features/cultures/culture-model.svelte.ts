import type { Room } from '../../client/room-context.ts';
import type { CulturesView, CultureView } from '../../contracts/culture-views.ts';
import {
	announcements,
	feedMoments,
	feedsAhead,
	followedCulture,
	readyMinutesAt,
	refreshesWanted,
	standingOfStart,
	type Announcement,
	type FeedsAhead,
	type Feed,
	type FollowedCulture,
	type StartingStanding
} from '../../core/culture/index.ts';

/** A culture at the moment, with all that is told of it. */
export interface CultureNow {
	readonly view: CultureView;
	/** null where it was never fed, or nobody said how it is kept. */
	readonly followed: FollowedCulture | null;
	readonly ahead: FeedsAhead | null;
	readonly told: readonly Announcement[];
	/** How long its ordinary feed takes where it stands, in minutes. */
	readonly readyMinutes: number;
	readonly start: StartingStanding | null;
}

/** All of it is worked out anew this often. */
const TICK_MS = 10_000;

/** The cultures by the clock of the bakery. */
export class CultureModel {
	readonly #view: () => CulturesView;
	readonly #room: Room;

	constructor(view: () => CulturesView, room: Room) {
		this.#view = view;
		this.#room = room;
	}

	readonly nowMs = $derived.by(() => Math.floor(this.#room.now.epochMs / TICK_MS) * TICK_MS);
	readonly cultures: readonly CultureNow[] = $derived.by(() =>
		this.#view().cultures.map((culture) => cultureNow(culture, this.#view(), this.nowMs))
	);
}

function cultureNow(view: CultureView, all: CulturesView, nowMs: number): CultureNow {
	const { keeping, follow, uses, returns } = view;
	const followed =
		follow && followedCulture({ ...follow, air: { room: all.room, named: all.named }, nowMs });
	if (!keeping)
		return { view, followed, ahead: null, told: [], readyMinutes: 0, start: startOf(view, nowMs) };
	const place = all.places.find(({ id }) => id === keeping.placeId);
	const celsius =
		(place && all.named.get(place.id)?.at(-1)?.celsius) ?? place?.celsius ?? all.roomCelsius;
	const readyMinutes =
		(readyMinutesAt(keeping.clock, celsius) ?? keeping.clock.ripeMinutes) *
		(followed?.clockFactor ?? 1);
	const found = followed?.card.marks ?? null;
	// In the cold it seeds well for so many days, whatever its peak: its refreshes see to what comes after.
	const marks = found && view.coldSinceMs !== null ? { ...found, late: null } : found;
	const firstUseMs = uses[0]?.atMs ?? null;
	const refreshes = refreshesWanted(keeping, view.coldSinceMs, firstUseMs ?? nowMs);
	const moments = feedMoments({
		nowMs,
		scheduledMs: view.scheduledMs,
		firstUseMs,
		firstReturnMs: returns[0]?.atMs ?? null,
		readyMinutes,
		refreshes,
		lateMs: marks?.late ?? null
	});
	const ahead = feedsAhead({
		nowMs,
		grams: view.grams ?? 0,
		ratio: keeping.ratio,
		feedsAtMs: moments.feedsAtMs,
		readyMinutes,
		uses,
		returns,
		keepGrams: keeping.keepGrams
	});
	const start = startOf(view, nowMs);
	return {
		view,
		followed,
		ahead,
		readyMinutes,
		start,
		// What is being started is not taken yet, and fed by its own steps.
		told: start
			? []
			: announcements({
					nowMs,
					grams: view.grams,
					keepGrams: keeping.keepGrams,
					ahead,
					moments,
					uses,
					returns,
					marks,
					lastFeedMs: follow?.keptBackAtMs ?? follow?.fedAtMs ?? null,
					lastScheduledMs: view.lastScheduledMs,
					isToRest: keeping.restPlaceId !== null && follow?.placeId !== keeping.restPlaceId
				})
	};
}

function startOf({ start, entries }: CultureView, nowMs: number): StartingStanding | null {
	if (!start) return null;
	const seen = entries.filter(({ kind }) => kind === 'seen').toReversed();
	return standingOfStart({ ...start, seen, nowMs });
}

/** A feed as a bench scale shows it. */
export function roundedFeed({ seedGrams, flourGrams, waterGrams }: Feed): Feed {
	return {
		seedGrams: Math.max(1, Math.round(seedGrams)),
		flourGrams: Math.round(flourGrams),
		waterGrams: Math.round(waterGrams)
	};
}

/** Until when it seeds well as it stands in the cold; null where it does not stand there. */
export function seedsUntilMs({ keeping, coldSinceMs }: CultureView): number | null {
	return keeping && coldSinceMs !== null ? coldSinceMs + keeping.coldDays * DAY_MS : null;
}

const DAY_MS = 86_400_000;
