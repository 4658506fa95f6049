import type { Retarder } from '../../core/fermentation/index.ts';

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

/** A cold room with power to spare, and an old cabinet that has little. */
export const RETARDERS: readonly { readonly name: string; readonly retarder: Retarder }[] = [
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
];
