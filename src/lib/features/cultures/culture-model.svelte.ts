import type { Room } from '../../client/room-context.ts';
import type { CulturesView, CultureView } from '../../contracts/culture-views.ts';
import {
	cultureStanding,
	standingOfStart,
	type Announcement,
	type CultureStanding,
	type Feed,
	type StartingStanding
} from '../../core/culture/index.ts';

/** A culture at the moment, with all that is told of it. */
export interface CultureNow {
	readonly view: CultureView;
	/** null where nobody said how it is kept. */
	readonly standing: CultureStanding | null;
	readonly told: readonly Announcement[];
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
	const { keeping } = view;
	const start = startOf(view, nowMs);
	if (!keeping) return { view, standing: null, told: [], start };
	const place = all.places.find(({ id }) => id === keeping.placeId);
	const standing = cultureStanding({
		...view,
		keeping,
		placeCelsius:
			(place && all.named.get(place.id)?.at(-1)?.celsius) ?? place?.celsius ?? all.roomCelsius,
		air: { room: all.room, named: all.named },
		nowMs
	});
	// What is being started is not taken yet, and fed by its own steps.
	return { view, standing, told: start ? [] : standing.told, start };
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
