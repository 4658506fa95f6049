/** A time zone as a box of choices offers it. */
export interface TimeZoneChoice {
	readonly value: string;
	readonly label: string;
}

/** Every zone this device knows, by its place; with the one that stands, where this device does not know it. */
export function timeZones(standing: string): readonly TimeZoneChoice[] {
	const known = Intl.supportedValuesOf('timeZone');
	return [...new Set([standing, 'UTC', ...known])]
		.sort()
		.map((zone) => ({ value: zone, label: zone.replaceAll('_', ' ') }));
}
