import type { Retarder } from '../fermentation/index.ts';
import type { PlaceId } from '../identity.ts';
import { coldAir, type ColdAir, type ColdLoad } from './cold-air.ts';
import {
	doughStory,
	type AirOfPlaces,
	type DoughEvent,
	type DoughStory,
	type RipeningStep
} from './dough-story.ts';
import { fitted } from './fitted.ts';
import type { PlaceStretch } from './room-trace.ts';

/** A dough that came out of the mixer, as it is followed. */
export interface WatchedDough {
	readonly step: RipeningStep;
	readonly clockFactor: number;
	readonly grams: number;
	readonly mixedAtMs: number;
	readonly mixedCelsius: number;
	readonly events: readonly DoughEvent[];
	/** The cold room it stands in since its last move; null where it is in none. */
	readonly retarderId: string | null;
}

/** What is around the doughs. */
export interface BakeryAir {
	/** The room as it was read. */
	readonly room: readonly PlaceStretch[];
	readonly roomCelsius: number;
	/** The named places that somebody reads; the bakehouse is the room. */
	readonly named: ReadonlyMap<PlaceId, readonly PlaceStretch[]>;
	readonly retarders: readonly (Retarder & { readonly id: string })[];
}

export interface WatchedDay {
	/** One for each dough, in order; null for one whose places or times no model fits. */
	readonly stories: readonly (DoughStory | null)[];
	/** By the cold room; one that no model fits is not there. */
	readonly cold: ReadonlyMap<string, ColdAir>;
}

/**
 * Follows the doughs of a day to a moment, those in one cold room together, for they share its air.
 *
 * Model: each dough up to its move by itself; then the cold room with all that is in it; then each dough in
 * that air. Range, source and tolerance: as `doughStory` and `coldAir`. Failures: none; one
 * that cannot be followed takes nothing from the others.
 * Example: two tubs in a weak cabinet cool slower than one.
 */
export function watchDoughs(
	doughs: readonly WatchedDough[],
	air: BakeryAir,
	nowMs: number
): WatchedDay {
	const cold = new Map<string, ColdAir>();
	for (const retarder of air.retarders) {
		const loads = doughs
			.filter((dough) => dough.retarderId === retarder.id)
			.flatMap((dough) => fitted(() => coldLoadOf(dough, air)) ?? [])
			.sort((a, b) => a.inAtMs - b.inAtMs);
		const followed = fitted(() => coldAir(retarder, loads, air.roomCelsius, nowMs));
		if (followed) cold.set(retarder.id, followed);
	}
	return {
		cold,
		stories: doughs.map((dough) => fitted(() => storyOf(dough, airOf(dough, air, cold), nowMs)))
	};
}

/** The air that one dough is in. */
function airOf(
	{ retarderId }: WatchedDough,
	{ room, named }: BakeryAir,
	cold: ReadonlyMap<string, ColdAir>
): AirOfPlaces {
	const inside = retarderId === null ? undefined : cold.get(retarderId);
	return inside ? { room, named, cold: inside.air } : { room, named };
}

function storyOf(dough: WatchedDough, air: AirOfPlaces, nowMs: number): DoughStory {
	return doughStory({
		step: dough.step,
		clockFactor: dough.clockFactor,
		startMs: dough.mixedAtMs,
		startCelsius: dough.mixedCelsius,
		events: dough.events,
		air,
		nowMs
	});
}

/** A dough as it went into its cold room; null for one that was never moved. */
function coldLoadOf(dough: WatchedDough, { room, named }: BakeryAir): ColdLoad | null {
	const move = dough.events.findLast((event) => event.kind === 'moved');
	if (move?.kind !== 'moved') return null;
	const before = storyOf(
		{ ...dough, events: dough.events.filter((event) => event.atMs < move.atMs) },
		{ room, named },
		move.atMs
	);
	return {
		inAtMs: move.atMs,
		kilograms: dough.grams / 1000,
		celsius: before.celsius,
		timeConstantMinutes: move.leg.timeConstantMinutes,
		clock: dough.step.clock
	};
}
