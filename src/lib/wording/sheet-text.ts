import type { Sheet } from '../contracts/sheet-paths.ts';
import type { Station } from '../core/planning/index.ts';

/** How each sheet is called where one is chosen. */
export const SHEET_TEXT: Readonly<Record<Sheet, string>> = {
	night: 'Whole night',
	mixers: 'Mixers',
	bench: 'Bench',
	sheeting: 'Sheets to roll',
	ovens: 'Ovens',
	packing: 'Packing by drop',
	people: 'Each person',
	all: 'All of them'
};

/** The sheet of a station. */
export const SHEET_OF = {
	mixer: 'mixers',
	bench: 'bench',
	oven: 'ovens',
	packing: 'packing'
} as const satisfies Record<Station, Sheet>;

/** What a column of machines is headed with, at stations that have some. */
export const MACHINE_HEAD: Readonly<Record<Station, string | null>> = {
	mixer: 'Mixer',
	bench: null,
	oven: 'Deck',
	packing: null
};

/** What can hurt at a station, for the foot of its sheet. */
export const STATION_CAUTION: Readonly<Record<Station, string>> = {
	mixer:
		'Guards stay on, and hands out of a bowl that turns. Flour dust is bad for lungs and can burn. Clean down after allergens as the plan has it.',
	bench: 'Guards stay on dividers and sheeters. Allergens are on each formula.',
	oven: 'Hot decks, steam, lids and tins burn. Stand aside of a door that opens, and wear gloves that are dry.',
	packing:
		'Warm bread in a closed bag gets wet and spoils: let it cool first. Keep allergens apart, and label what has them.'
};

export const SITE_RULES = 'The site’s own rules come first.';
