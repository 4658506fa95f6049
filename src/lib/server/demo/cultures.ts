import type { DemoPlace } from './equipment.ts';

/** How the cultures of the Saltmarrow Bakehouse are kept; each is fed by what it seeds, night after night. */
export const CULTURES = [
	{
		name: 'Wheat culture',
		ratio: { seed: 2, flour: 5, water: 5 },
		flours: [
			['Bread flour', 9],
			['Wholemeal wheat', 1]
		],
		fedCelsius: 26,
		clock: { referenceCelsius: 26, underMinutes: 255, ripeMinutes: 315, overMinutes: 390 },
		keepGrams: 200,
		/** What is left in the jar, and what was kept back of last night's levain. */
		jarGrams: 150,
		keptBackGrams: 2300
	},
	{
		name: 'Rye culture',
		ratio: { seed: 1, flour: 2, water: 2 },
		flours: [['Whole rye flour', 1]],
		fedCelsius: 26,
		clock: { referenceCelsius: 26, underMinutes: 200, ripeMinutes: 245, overMinutes: 310 },
		keepGrams: 200,
		jarGrams: 220,
		keptBackGrams: 800
	}
] as const;

/** Where they ferment, and where they stand until they are taken. */
export const CULTURES_STAND = {
	place: 'Culture box',
	rest: 'Cold room'
} as const satisfies Record<string, DemoPlace>;

/** Hours ago: the jar was weighed, last night's were kept back, and put in the cold. */
export const CULTURE_HOURS = { weighed: 15.2, keptBack: 15, putAway: 14.5 } as const;
