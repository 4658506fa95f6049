import type { Retarder } from '../../core/fermentation/index.ts';
import type { Place } from '../../core/formula/index.ts';

/** Dividers and the tins, baskets and trays of the Saltmarrow Bakehouse. */
export const DIVIDERS = [
	{ name: 'Roll divider', heads: 30, leastPiece: 35, mostPiece: 110 }
] as const;

export const VESSELS = [
	{ name: 'Round basket', owned: 60, millilitres: null },
	{ name: 'Long basket', owned: 30, millilitres: null },
	{ name: 'Long tin', owned: 48, millilitres: 2400 },
	{ name: 'Lidded tin', owned: 24, millilitres: 2700 },
	{ name: 'Tray', owned: 40, millilitres: null },
	{ name: 'Lined board', owned: 12, millilitres: null }
] as const;

/** Where things stand; the cold rooms below are places too. */
export const PLACES = [
	{ name: 'Bakehouse', kind: 'room', role: 'bakehouse', celsius: 23 },
	{ name: 'Flour bins', kind: 'room', role: 'flour', celsius: 20 },
	{ name: 'Cellar', kind: 'room', role: 'other', celsius: 18 },
	{ name: 'Warm corner', kind: 'room', role: 'other', celsius: 35 },
	{ name: 'Culture box', kind: 'proofer', role: 'other', celsius: 26 },
	{ name: 'Cool prover', kind: 'proofer', role: 'other', celsius: 27 },
	{ name: 'Warm prover', kind: 'proofer', role: 'other', celsius: 31 },
	{ name: 'Ingredient fridge', kind: 'cold', role: 'other', celsius: 4 },
	{ name: 'Freezer', kind: 'cold', role: 'other', celsius: -18 }
] as const satisfies readonly Omit<Place, 'id'>[];

/** A place of the bakehouse by its name. */
export type DemoPlace = (typeof PLACES)[number]['name'] | (typeof RETARDERS)[number]['name'];

/** A cold room with power to spare, and an old cabinet that has little. */
export const RETARDERS = [
	{
		name: 'Cold room',
		retarder: {
			setCelsius: 4,
			compressorWatts: 1400,
			airKilojoulesPerKelvin: 90,
			wallsWattsPerKelvin: 9
		}
	},
	{
		name: 'Old cabinet',
		retarder: {
			setCelsius: 5,
			compressorWatts: 320,
			airKilojoulesPerKelvin: 40,
			wallsWattsPerKelvin: 5
		}
	}
] as const satisfies readonly { readonly name: string; readonly retarder: Retarder }[];
