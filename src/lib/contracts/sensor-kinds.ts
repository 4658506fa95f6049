/** What a thermometer of the bakery stands in, or is held into. */
export const SENSOR_KINDS = [
	'room-probe',
	'tap-probe',
	'flour-probe',
	'place-probe',
	'core-probe',
	'surface-thermometer',
	'deck-stone',
	'loaf-core'
] as const;
export type TemperatureSensorKind = (typeof SENSOR_KINDS)[number];

/** Everything that can speak of a device. */
export const DEVICE_SENSOR_KINDS = [...SENSOR_KINDS, 'tub-rise', 'bench-scale'] as const;

/** What stands on a deck of an oven, and says which. */
export const DECK_SENSOR_KINDS = [
	'deck-stone',
	'loaf-core'
] as const satisfies readonly SensorKind[];

export function isOfDeck(kind: SensorKind): boolean {
	return DECK_SENSOR_KINDS.some((one) => one === kind);
}
export type SensorKind = (typeof DEVICE_SENSOR_KINDS)[number];
