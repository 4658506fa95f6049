import {
	BY_HAND_MIXER,
	FIRST_DECK,
	FIRST_OVEN,
	type Deck,
	type MixerContent,
	type OvenContent
} from '../../core/bakery/index.ts';
import type { Retarder } from '../../core/fermentation/index.ts';
import type { Place } from '../../core/formula/index.ts';
import { demoId } from './demo-id.ts';

export const MIXERS: readonly { readonly name: string; readonly content: MixerContent }[] = [
	{ name: 'By hand', content: BY_HAND_MIXER },
	{
		name: 'Planetary mixer',
		content: {
			drive: 'machine',
			leastGrams: 1500,
			mostGrams: 12_000,
			stiff: { waterBelowPercent: 52, mostGrams: 8000 },
			bowls: 2,
			bowlKilojoulesPerKelvin: 4,
			speeds: 3,
			lightBeforeDark: true,
			allergensLast: true,
			cleanDownMinutes: 8
		}
	},
	{
		name: 'Spiral mixer',
		content: {
			drive: 'machine',
			leastGrams: 5000,
			mostGrams: 32_000,
			stiff: null,
			bowls: 1,
			bowlKilojoulesPerKelvin: 9,
			speeds: 2,
			lightBeforeDark: true,
			allergensLast: true,
			cleanDownMinutes: 12
		}
	}
];

function decks(...names: readonly string[]): readonly Deck[] {
	return names.map((name) => ({ ...FIRST_DECK, id: demoId('deck', name), name }));
}

/** Two ovens of two decks each. */
export const OVENS: readonly { readonly name: string; readonly content: OvenContent }[] = [
	{
		name: 'Harbour oven',
		content: { ...FIRST_OVEN, decks: decks('Deck 1', 'Deck 2'), topAndBottom: true }
	},
	{
		name: 'Yard oven',
		content: {
			...FIRST_OVEN,
			decks: decks('Upper', 'Lower').map((deck) => ({ ...deck, hotSpots: 'back left' })),
			sharesHeat: true,
			topAndBottom: false,
			switchOnTimer: false,
			recoveryMinutes: 12
		}
	}
];

export const DIVIDERS = [
	{ name: 'Roll divider', heads: 30, leastPiece: 35, mostPiece: 110 }
] as const;

export const VESSELS = [
	{ name: 'Round basket', use: 'basket', owned: 60, millilitres: null, holds: null },
	{ name: 'Long basket', use: 'basket', owned: 30, millilitres: null, holds: null },
	{ name: 'Long tin', use: 'tin', owned: 48, millilitres: 2400, holds: null },
	{ name: 'Lidded tin', use: 'tin', owned: 24, millilitres: 2700, holds: null },
	{ name: 'Small tin', use: 'tin', owned: 36, millilitres: 1400, holds: null },
	{ name: 'Tray', use: 'tray', owned: 40, millilitres: null, holds: 12 },
	{ name: 'Lined board', use: 'board', owned: 12, millilitres: null, holds: 10 }
] as const;

export const BENCHES = [
	{ name: 'Long bench', lengthCm: 400, widthCm: 90, hands: 3 },
	{ name: 'Window bench', lengthCm: 180, widthCm: 75, hands: 1 }
] as const;

export const SHEETERS = [
	{
		name: 'Table sheeter',
		widthCm: 50,
		lengthCm: 180,
		thinnestMillimetres: 1,
		thickestMillimetres: 35
	}
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
