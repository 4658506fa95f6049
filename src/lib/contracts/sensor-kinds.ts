/** What a sensor of the bakery stands in, or is held into. */
export const SENSOR_KINDS = [
	'room-probe',
	'tap-probe',
	'flour-probe',
	'place-probe',
	'core-probe',
	'surface-thermometer'
] as const;
export type SensorKind = (typeof SENSOR_KINDS)[number];
