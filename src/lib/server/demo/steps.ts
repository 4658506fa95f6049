import { PLACES, RETARDERS, type DemoPlace } from './equipment.ts';
import { demoPlaceId } from './demo-place.ts';
import type { Leg, WaitStep } from '../../core/formula/index.ts';

export { bake, clock, goingBy, hands, mix, mixing, ripening, turn } from '../chain.ts';

/** A stay in a place of the bakehouse. */
export function leg(
	place: DemoPlace,
	timeConstantMinutes: number,
	minutes: number | null = null
): Leg {
	const retarder = RETARDERS.find(({ name }) => name === place);
	const named = PLACES.find(({ name }) => name === place);
	return {
		named: { id: demoPlaceId(place), name: place },
		place: retarder ? 'cold' : (named?.kind ?? 'room'),
		ambientCelsius: retarder ? retarder.retarder.setCelsius : (named?.celsius ?? NaN),
		timeConstantMinutes,
		minutes
	};
}

/** What rests takes the warmth of its place with this, until its steps say otherwise. */
const RESTING_CONSTANT = 90;

/** A wait by the clock on the wall alone. */
export function timed(
	activity: WaitStep['activity'],
	minutes: number,
	place: DemoPlace = 'Bakehouse',
	timeConstantMinutes = RESTING_CONSTANT
): WaitStep {
	return {
		kind: 'wait',
		activity,
		legs: [leg(place, timeConstantMinutes, minutes)],
		clock: null,
		foldsAtMinutes: [],
		foldsAtShares: []
	};
}
