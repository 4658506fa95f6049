import { randomUUID } from 'node:crypto';
import type { PlaceContent } from '../../core/bakery/index.ts';
import { MOST_CAUSTIC_SHARE, USUAL_ROOM_CELSIUS } from '../../core/formula/index.ts';
import type { EveryColumn } from '../db/tables.ts';

/** What a bakery is taken to have until somebody says otherwise (our defaults). */
export const FIRST_SETTINGS: Omit<
	EveryColumn<'bakery'>,
	'name' | 'time_zone' | 'currency' | 'mass_units' | 'temperature_units'
> = {
	id: true,
	altitude_m: 0,
	weigh_minutes: 0,
	assumed_tap_celsius: 12,
	hot_tap_celsius: 55,
	hottest_water_celsius: 40,
	ice_celsius: 0,
	ice_most_share: 0.15,
	ice_form: 'cubes',
	chilled_water_celsius: null,
	water_school: 'heat-balance',
	factor_counts_soakers: false,
	caustic_most_share: MOST_CAUSTIC_SHARE,
	row_version: 1
};

/** The room all stand in, and where flour is kept: a bakery cannot be without them. */
export function foundingPlaces(): readonly {
	readonly id: string;
	readonly name: string;
	readonly content: PlaceContent;
}[] {
	const place = (name: string, role: PlaceContent['role']) => ({
		id: randomUUID(),
		name,
		content: {
			placeKind: 'room' as const,
			role,
			celsius: USUAL_ROOM_CELSIUS,
			humidityPercent: null,
			holds: null,
			ovenId: null,
			cold: null
		}
	});
	return [place('Bakehouse', 'bakehouse'), place('Flour bins', 'flour')];
}
