import type { PlaceId } from '../identity.ts';
import type { Leg, Step, WaitPlace } from './process.ts';

/** What a place is to the bakery: the room all stand in, where flour is kept, or one among others. */
export const PLACE_ROLES = ['bakehouse', 'flour', 'other'] as const;
export type PlaceRole = (typeof PLACE_ROLES)[number];

/** A named place in which dough waits or ingredients stand. */
export interface Place {
	readonly id: PlaceId;
	readonly name: string;
	readonly kind: WaitPlace;
	readonly role: PlaceRole;
	/** What it is set to, or taken to be at until somebody reads it. */
	readonly celsius: number;
}

/**
 * Gives steps with each named place as it is now: its name, what kind of place it is, and what it is set to.
 *
 * Range: any steps; a leg without a name, or whose name nobody knows any more, stays as it was written. Source: none.
 * Failures: none. Example: a bulk in the cellar, which was 16 degrees when the formula was saved and is set to 14 now,
 * waits at 14.
 */
export function stepsInPlaces(
	steps: readonly Step[],
	places: ReadonlyMap<PlaceId, Place>
): readonly Step[] {
	if (!steps.some((step) => step.kind === 'wait' && step.legs.some(({ named }) => named)))
		return steps;
	return steps.map((step) =>
		step.kind === 'wait' ? { ...step, legs: step.legs.map((leg) => legIn(leg, places)) } : step
	);
}

function legIn(leg: Leg, places: ReadonlyMap<PlaceId, Place>): Leg {
	const place = leg.named ? places.get(leg.named.id) : undefined;
	return place ? legStandingIn(leg, place) : leg;
}

/** A leg moved to a named place, for as long as it was to last. */
export function legStandingIn(leg: Leg, { id, name, kind, celsius }: Place): Leg {
	return { ...leg, named: { id, name }, place: kind, ambientCelsius: celsius };
}
