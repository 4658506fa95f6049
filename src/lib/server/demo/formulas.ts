import type { DemoFormula } from './demo-formula.ts';
import { ENRICHED_FORMULAS } from './enriched-formulas.ts';
import { clock, leg, mixing, ripening, timed } from './steps.ts';

/** The sixteen doughs of the Saltmarrow Bakehouse. */
export const FORMULAS: readonly DemoFormula[] = [
	{
		name: 'Harbour dough',
		lines: [
			['Wheat levain', 32],
			['Seed soaker', 28],
			['Bread flour', 64],
			['Wholemeal wheat', 14],
			['Light rye flour', 6],
			['Water', 50],
			['Water', 5, 'held-back'],
			['Salt', 2.1, 'late']
		],
		doughLoss: 0.025,
		targetCelsius: 25,
		frictionKilojoulesPerKilogram: 9.6,
		mostDoughGrams: null,
		steps: [
			mixing(20, 25, [
				['slow', 7],
				['fast', 5]
			]),
			ripening(
				'bulk',
				clock('sourdough', 25, 165, 210, 260),
				[leg('Bakehouse', 420)],
				[40, 80, 120]
			)
		]
	},
	{
		name: 'Stick dough',
		lines: [
			['Poolish', 60.135],
			['Bread flour', 70],
			['Water', 36],
			['Salt', 2],
			['Fresh yeast', 0.6]
		],
		doughLoss: 0.02,
		targetCelsius: 24,
		frictionKilojoulesPerKilogram: 11,
		mostDoughGrams: null,
		steps: [
			mixing(15, 24, [
				['slow', 5],
				['fast', 6]
			]),
			ripening('bulk', clock('bakers-yeast', 24, 75, 95, 125), [leg('Bakehouse', 420)], [45])
		]
	},
	{
		name: 'Lantern rye',
		lines: [
			['Rye sour, full', 72],
			['Light rye flour', 30],
			['Bread flour', 30],
			['Water', 42],
			['Salt', 2]
		],
		doughLoss: 0.02,
		targetCelsius: 28,
		frictionKilojoulesPerKilogram: 4.5,
		mostDoughGrams: 28_000,
		steps: [mixing(10, 28, [['slow', 8]]), timed('rest', 20)]
	},
	{
		name: 'School bun dough',
		lines: [
			['Bread flour', 100],
			['Water', 46],
			['Whole egg', 12],
			['Sugar', 12],
			['Milk powder', 4],
			// A night in the cold asks for more of it.
			['Fresh yeast', 2.7],
			['Salt', 1.8],
			['Butter', 14, 'late']
		],
		doughLoss: 0.015,
		targetCelsius: 25,
		frictionKilojoulesPerKilogram: 14,
		mostDoughGrams: 24_000,
		steps: [
			mixing(15, 25, [
				['slow', 5],
				['fast', 8]
			]),
			ripening('bulk', clock('bakers-yeast', 26, 140, 195, 270), [
				leg('Bakehouse', 420, 45),
				leg('Cold room', 240, 420)
			])
		]
	},
	{
		name: 'Breakwater dough',
		lines: [
			['Bread flour', 60, 'autolyse'],
			['Water', 38, 'autolyse'],
			['Biga', 60.16],
			['Fresh yeast', 0.3],
			['Salt', 2.1, 'after-6'],
			['Water', 8, 'held-back']
		],
		doughLoss: 0.02,
		targetCelsius: 24,
		frictionKilojoulesPerKilogram: 11.5,
		mostDoughGrams: null,
		steps: [
			mixing(10, 22, [['slow', 4]]),
			timed('autolyse', 30),
			mixing(20, 24, [
				['slow', 6],
				['fast', 5],
				['rest', 2],
				['slow', 3]
			]),
			ripening('bulk', clock('bakers-yeast', 24, 120, 150, 195), [leg('Bakehouse', 420)], [50, 100])
		]
	},
	{
		name: 'Tidemark dough',
		lines: [
			['Wholemeal sponge', 49.8],
			['Wholemeal scald', 30],
			['Wholemeal wheat', 35],
			['Bread flour', 25],
			['Water', 39.5],
			['Honey', 2],
			['Fresh yeast', 0.8],
			['Salt', 2]
		],
		earlier: [
			['Wholemeal sponge', 49.8],
			['Wholemeal scald', 30],
			['Wholemeal wheat', 30],
			['Bread flour', 30],
			['Water', 28],
			['Fresh yeast', 1],
			['Salt', 2]
		],
		doughLoss: 0.02,
		targetCelsius: 25,
		frictionKilojoulesPerKilogram: 8,
		mostDoughGrams: 28_000,
		steps: [
			mixing(15, 25, [
				['slow', 8],
				['fast', 3]
			]),
			// Knocked back at two thirds of the bulk.
			ripening('bulk', clock('bakers-yeast', 25, 60, 80, 110), [leg('Bakehouse', 420)], [], [2 / 3])
		]
	},
	{
		name: 'Old Pier dough',
		lines: [
			['Old dough', 33.2],
			['Bread flour', 80],
			['Water', 52],
			['Salt', 1.6],
			['Fresh yeast', 0.8]
		],
		doughLoss: 0.02,
		targetCelsius: 25,
		frictionKilojoulesPerKilogram: 12,
		mostDoughGrams: null,
		steps: [
			mixing(15, 25, [
				['slow', 4],
				['fast', 6]
			]),
			ripening('bulk', clock('bakers-yeast', 25, 60, 80, 110), [leg('Bakehouse', 420)], [40])
		]
	},
	{
		name: 'Ropewalk dough',
		lines: [
			['Wheat levain', 24],
			['Bread flour', 76],
			['Wholemeal wheat', 12],
			['Water', 50],
			['Honey', 3],
			['Water', 5, 'held-back'],
			['Salt', 2.2, 'late'],
			['Oat porridge', 42, 'fold-in']
		],
		doughLoss: 0.025,
		targetCelsius: 26,
		frictionKilojoulesPerKilogram: 9,
		mostDoughGrams: 26_000,
		steps: [
			mixing(20, 26, [
				['slow', 6],
				['fast', 4],
				['slow', 4]
			]),
			ripening('bulk', clock('sourdough', 26, 150, 195, 245), [leg('Bakehouse', 420)], [30, 60, 90])
		]
	},
	{
		name: 'Salt Flat dough',
		lines: [
			['Poolish', 20.045],
			['Bread flour', 82],
			['Wholemeal wheat', 8],
			['Water', 56],
			['Fresh yeast', 0.85],
			['Salt', 2.2, 'after-4'],
			['Water', 14, 'held-back'],
			['Olive oil', 4, 'late']
		],
		doughLoss: 0.03,
		targetCelsius: 25,
		frictionKilojoulesPerKilogram: 12,
		mostDoughGrams: 24_000,
		steps: [
			mixing(20, 25, [
				['slow', 5],
				['fast', 5],
				['slow', 6]
			]),
			ripening('bulk', clock('bakers-yeast', 25, 110, 140, 185), [leg('Bakehouse', 420)], [35, 70])
		]
	},
	{
		name: 'Bollard dough',
		lines: [
			['Bread flour', 100],
			['Water', 51],
			['Butter', 4],
			['Malt syrup', 1.5],
			['Fresh yeast', 2.2],
			['Salt', 2]
		],
		doughLoss: 0.01,
		targetCelsius: 24,
		frictionKilojoulesPerKilogram: 14,
		mostDoughGrams: 18_000,
		// Divided before it ferments; the bulk happens in the piece.
		steps: [
			mixing(15, 24, [
				['slow', 4],
				['fast', 7]
			])
		]
	},
	{
		name: 'Storm rye',
		lines: [
			['Storm sour, full', 69],
			['Bread soaker', 15],
			['Whole rye flour', 36.5],
			['Light rye flour', 20],
			['Bread flour', 10],
			['Water', 37],
			['Malt syrup', 1],
			['Fresh yeast', 0.4],
			['Salt', 2]
		],
		doughLoss: 0.02,
		targetCelsius: 28,
		frictionKilojoulesPerKilogram: 4,
		mostDoughGrams: 28_000,
		steps: [mixing(12, 28, [['slow', 9]]), timed('rest', 30)]
	},
	...ENRICHED_FORMULAS
];
