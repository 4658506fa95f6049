import type { SensorKind } from '../../contracts/sensor-kinds.ts';

/** What a sensor reads, in words. */
export const SENSOR_TEXT: Record<SensorKind, string> = {
	'room-probe': 'the room',
	'tap-probe': 'the cold tap',
	'flour-probe': 'the flour',
	'place-probe': 'another place',
	'core-probe': 'a dough, in its core',
	'surface-thermometer': 'a dough, on its surface',
	'deck-stone': 'the stone of a deck',
	'loaf-core': 'a loaf in a deck, in its core',
	'tub-rise': 'how far a dough has risen in its tub',
	'bench-scale': 'what lies on it, a scale'
};
