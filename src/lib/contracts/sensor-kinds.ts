/** What a thermometer of the bakery stands in, or is held into. */
export const SENSOR_KINDS = [
	'room-probe',
	'tap-probe',
	'flour-probe',
	'place-probe',
	'core-probe',
	'surface-thermometer'
] as const;
export type TemperatureSensorKind = (typeof SENSOR_KINDS)[number];

/** Everything that can speak of a device. */
export const DEVICE_SENSOR_KINDS = [...SENSOR_KINDS, 'bench-scale'] as const;
export type SensorKind = (typeof DEVICE_SENSOR_KINDS)[number];
