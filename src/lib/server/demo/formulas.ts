import type { Addition, PreparationKind, Step } from '../../core/formula/index.ts';
import { bake, clock, hands, leg, mix, ripening, timed } from './steps.ts';

export interface DemoPreparation {
	readonly name: string;
	readonly kind: PreparationKind;
	/** Ingredient or preparation by name, with its parts. */
	readonly lines: readonly (readonly [name: string, parts: number])[];
	readonly buildLoss: number;
	readonly takeBackGrams: number;
	readonly steps: readonly Step[];
}

export interface DemoFormula {
	readonly name: string;
	/** Ingredient or preparation by name, in percent of total flour. */
	readonly lines: readonly (readonly [name: string, percent: number, addition?: Addition])[];
	readonly doughLoss: number;
	readonly targetCelsius: number;
	readonly frictionKilojoulesPerKilogram: number;
	readonly mostDoughGrams: number | null;
	readonly steps: readonly Step[];
}

export interface DemoProduct {
	readonly name: string;
	readonly formula: string;
	readonly scaledGrams: number;
	readonly piecesPerDeck: number;
	readonly steps: readonly Step[];
}

/** Builds and soakers come before what takes from them. */
export const PREPARATIONS: readonly DemoPreparation[] = [
	{
		name: 'Wheat levain',
		kind: 'build',
		lines: [
			['Wheat culture', 10],
			['Bread flour', 22.5],
			['Wholemeal wheat', 2.5],
			['Water', 25]
		],
		buildLoss: 0.03,
		takeBackGrams: 1000,
		steps: [
			mix(10, 26, null),
			ripening('ferment', clock('sourdough', 26, 255, 315, 390), [leg('proofer', 26, 300)])
		]
	},
	{
		name: 'Seed soaker',
		kind: 'soaker',
		lines: [
			['Sunflower seeds', 8],
			['Linseed', 4],
			['Water', 16]
		],
		buildLoss: 0.01,
		takeBackGrams: 0,
		steps: [mix(5, 18, null), timed('soak', 240, 20)]
	},
	{
		name: 'Poolish',
		kind: 'build',
		lines: [
			['Bread flour', 30],
			['Water', 30],
			['Fresh yeast', 0.05]
		],
		buildLoss: 0.02,
		takeBackGrams: 0,
		steps: [
			mix(10, 21, null),
			ripening('ferment', clock('bakers-yeast', 20, 450, 540, 660), [leg('room', 20, 360)])
		]
	},
	{
		name: 'Rye sour, first stage',
		kind: 'build',
		lines: [
			['Rye culture', 4],
			['Whole rye flour', 18],
			['Water', 18]
		],
		buildLoss: 0.03,
		takeBackGrams: 300,
		steps: [
			mix(10, 26, null),
			ripening('ferment', clock('sourdough', 26, 300, 360, 450), [leg('proofer', 26, 300)])
		]
	},
	{
		name: 'Rye sour, full',
		kind: 'build',
		lines: [
			['Rye sour, first stage', 16],
			['Whole rye flour', 32],
			['Water', 24]
		],
		buildLoss: 0.02,
		takeBackGrams: 0,
		steps: [
			mix(10, 29, null),
			ripening('ferment', clock('sourdough', 29, 150, 180, 225), [leg('proofer', 28, 300)])
		]
	}
];

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
			mix(20, 25, 'mixer'),
			ripening('bulk', clock('sourdough', 25, 165, 210, 260), [leg('room', 23, 420)], [40, 80, 120])
		]
	},
	{
		name: 'Stick dough',
		lines: [
			['Poolish', 60.05],
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
			mix(15, 24, 'mixer'),
			ripening('bulk', clock('bakers-yeast', 24, 75, 95, 125), [leg('room', 23, 420)], [45])
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
		steps: [mix(10, 28, 'mixer'), timed('rest', 20, 24)]
	},
	{
		name: 'School bun dough',
		lines: [
			['Bread flour', 100],
			['Water', 42],
			['Whole egg', 12],
			['Sugar', 12],
			['Milk powder', 4],
			['Fresh yeast', 1.5],
			['Salt', 1.8],
			['Butter', 14, 'late']
		],
		doughLoss: 0.015,
		targetCelsius: 25,
		frictionKilojoulesPerKilogram: 14,
		mostDoughGrams: 24_000,
		steps: [
			mix(15, 25, 'mixer'),
			ripening('bulk', clock('bakers-yeast', 26, 140, 195, 270), [
				leg('room', 23, 420, 45),
				leg('cold', 4, 240, 420)
			])
		]
	}
];

export const PRODUCTS: readonly DemoProduct[] = [
	{
		name: 'Harbour loaf',
		formula: 'Harbour dough',
		scaledGrams: 900,
		piecesPerDeck: 18,
		steps: [
			hands('divide', 2, 8),
			hands('pre-shape', 0, 8),
			timed('rest', 20, 23),
			hands('shape', 0, 15),
			ripening('proof', clock('sourdough', 25, 80, 110, 155), [leg('room', 24, 150)]),
			bake(245, 42, 8, 97),
			timed('cool', 75),
			hands('pack', 3, 5)
		]
	},
	{
		name: 'Harbour small',
		formula: 'Harbour dough',
		scaledGrams: 480,
		piecesPerDeck: 24,
		steps: [
			hands('divide', 2, 8),
			hands('pre-shape', 0, 8),
			timed('rest', 20, 23),
			hands('shape', 0, 12),
			ripening('proof', clock('sourdough', 25, 75, 105, 150), [leg('room', 24, 120)]),
			bake(245, 32, 8, 97),
			timed('cool', 60),
			hands('pack', 3, 5)
		]
	},
	{
		name: 'Ferry stick',
		formula: 'Stick dough',
		scaledGrams: 340,
		piecesPerDeck: 28,
		steps: [
			hands('divide', 2, 6),
			hands('pre-shape', 0, 5),
			timed('rest', 20, 23),
			hands('shape', 0, 12),
			ripening('proof', clock('bakers-yeast', 25, 40, 55, 80), [leg('room', 24, 80)]),
			bake(250, 22, 6, 98),
			timed('cool', 25),
			hands('pack', 3, 2)
		]
	},
	{
		name: 'Deck roll',
		formula: 'Stick dough',
		scaledGrams: 95,
		piecesPerDeck: 60,
		steps: [
			hands('divide', 6, 1),
			hands('shape', 0, 4),
			ripening('proof', clock('bakers-yeast', 25, 40, 55, 80), [leg('room', 24, 50)]),
			bake(240, 15, 6, 98),
			timed('cool', 20),
			hands('pack', 3, 1)
		]
	},
	{
		name: 'Lantern rye tin',
		formula: 'Lantern rye',
		scaledGrams: 1100,
		piecesPerDeck: 20,
		steps: [
			hands('pan', 2, 25),
			ripening('proof', clock('sourdough', 30, 45, 62, 85), [leg('proofer', 32, 150)]),
			bake(240, 62, 4, 98),
			timed('cool', 150),
			hands('pack', 3, 5)
		]
	},
	{
		name: 'School bun',
		formula: 'School bun dough',
		scaledGrams: 62,
		piecesPerDeck: 90,
		steps: [
			hands('divide', 6, 1),
			hands('shape', 0, 4),
			ripening('proof', clock('bakers-yeast', 28, 60, 85, 115), [leg('proofer', 30, 45)]),
			bake(200, 13, 0, 91),
			timed('cool', 25),
			hands('pack', 3, 1)
		]
	}
];
