import type { BathUse, PreparationKind, Step } from '../../core/formula/index.ts';
import { clock, leg, mix, ripening, timed } from './steps.ts';

export interface DemoPreparation {
	readonly name: string;
	readonly kind: PreparationKind;
	/** Ingredient or preparation by name, with its parts. */
	readonly lines: readonly (readonly [name: string, parts: number])[];
	readonly buildLoss: number;
	readonly takeBackGrams: number;
	readonly bath?: BathUse;
	readonly steps: readonly Step[];
}

/** A scald or porridge in its covered tub gives its heat away with this. */
const SCALD_CONSTANT = 150;

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
		// Enough for tomorrow's feed on the busiest day of the week.
		takeBackGrams: 2300,
		steps: [
			mix(10, 26, null),
			ripening('ferment', clock('sourdough', 26, 255, 315, 390), [leg('Culture box', 300)])
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
		steps: [mix(5, 18, null), timed('soak', 240)]
	},
	{
		name: 'Poolish',
		kind: 'build',
		lines: [
			['Bread flour', 30],
			['Water', 30],
			['Fresh yeast', 0.135]
		],
		buildLoss: 0.02,
		takeBackGrams: 0,
		steps: [
			mix(10, 21, null),
			ripening('ferment', clock('bakers-yeast', 20, 450, 540, 660), [leg('Bakehouse', 360)])
		]
	},
	{
		name: 'Rye sour, first stage',
		kind: 'build',
		lines: [
			['Rye culture', 8],
			['Whole rye flour', 16],
			['Water', 16]
		],
		buildLoss: 0.03,
		takeBackGrams: 800,
		steps: [
			mix(10, 26, null),
			ripening('ferment', clock('sourdough', 26, 200, 245, 310), [leg('Culture box', 300)])
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
			mix(10, 30, null),
			ripening('ferment', clock('sourdough', 30, 150, 180, 225), [leg('Warm prover', 300)])
		]
	},
	{
		name: 'Biga',
		kind: 'build',
		lines: [
			['Bread flour', 40],
			['Water', 20],
			['Fresh yeast', 0.16]
		],
		buildLoss: 0.02,
		takeBackGrams: 0,
		steps: [
			mix(8, 20, null),
			ripening('ferment', clock('bakers-yeast', 18, 780, 900, 1080), [leg('Cellar', 420)])
		]
	},
	{
		name: 'Wholemeal sponge',
		kind: 'build',
		lines: [
			['Wholemeal wheat', 30],
			['Water', 19.5],
			['Fresh yeast', 0.3]
		],
		buildLoss: 0.02,
		takeBackGrams: 0,
		// Starts in the room, goes on in the cold and waits there for the night.
		steps: [
			mix(8, 23, null),
			ripening('ferment', clock('bakers-yeast', 22, 190, 240, 330), [
				leg('Bakehouse', 400, 90),
				leg('Cold room', 260)
			])
		]
	},
	{
		name: 'Wholemeal scald',
		kind: 'scald',
		lines: [
			['Wholemeal wheat', 10],
			['Water', 20]
		],
		buildLoss: 0.02,
		takeBackGrams: 0,
		steps: [mix(10, 65, null), timed('soak', 180, 'Bakehouse', SCALD_CONSTANT)]
	},
	{
		name: 'Old dough',
		kind: 'build',
		lines: [
			['Bread flour', 20],
			['Water', 12.6],
			['Salt', 0.4],
			['Fresh yeast', 0.2]
		],
		buildLoss: 0.01,
		takeBackGrams: 0,
		steps: [
			mix(8, 24, null),
			ripening('ferment', clock('bakers-yeast', 24, 200, 260, 380), [
				leg('Bakehouse', 400, 60),
				leg('Cold room', 280)
			])
		]
	},
	{
		name: 'Oat porridge',
		kind: 'porridge',
		lines: [
			['Rolled oats', 12],
			['Water', 30]
		],
		buildLoss: 0.04,
		takeBackGrams: 0,
		steps: [mix(15, 92, null), timed('soak', 240, 'Cellar', SCALD_CONSTANT)]
	},
	{
		name: 'Milk scald',
		kind: 'scald',
		lines: [
			['Bread flour', 6],
			['Milk', 30]
		],
		buildLoss: 0.05,
		takeBackGrams: 0,
		steps: [mix(12, 66, null), timed('soak', 120, 'Cellar', SCALD_CONSTANT)]
	},
	{
		name: 'Milk sponge',
		kind: 'build',
		lines: [
			['Bread flour', 25],
			['Milk', 25],
			['Fresh yeast', 1]
		],
		buildLoss: 0.02,
		takeBackGrams: 0,
		// Milk at room temperature has its limit; the sponge is short.
		steps: [
			mix(8, 26, null),
			ripening('ferment', clock('bakers-yeast', 26, 40, 55, 80), [leg('Culture box', 300)])
		]
	},
	{
		name: 'Storm sour, refresh',
		kind: 'build',
		lines: [
			['Rye culture', 1],
			['Whole rye flour', 4],
			['Water', 6]
		],
		buildLoss: 0.03,
		takeBackGrams: 200,
		steps: [
			mix(6, 28, null),
			ripening('ferment', clock('sourdough', 28, 260, 320, 400), [leg('Warm prover', 200)])
		]
	},
	{
		name: 'Storm sour, base',
		kind: 'build',
		lines: [
			['Storm sour, refresh', 11],
			['Whole rye flour', 12],
			['Water', 3.4]
		],
		buildLoss: 0.03,
		takeBackGrams: 0,
		// Stiff and cool, for its acid.
		steps: [
			mix(8, 24, null),
			ripening('ferment', clock('sourdough', 24, 360, 450, 570), [leg('Bakehouse', 260)])
		]
	},
	{
		name: 'Storm sour, full',
		kind: 'build',
		lines: [
			['Storm sour, base', 26.4],
			['Whole rye flour', 17],
			['Water', 25.6]
		],
		buildLoss: 0.02,
		takeBackGrams: 0,
		// Soft and warm, for its lift.
		steps: [
			mix(10, 30, null),
			ripening('ferment', clock('sourdough', 30, 130, 165, 210), [leg('Warm prover', 320)])
		]
	},
	{
		name: 'Bread soaker',
		kind: 'soaker',
		lines: [
			['Dried bread crumb', 6],
			['Water', 9]
		],
		buildLoss: 0.02,
		takeBackGrams: 0,
		steps: [mix(4, 20, null), timed('soak', 120)]
	},
	{
		name: 'Fruit soaker',
		kind: 'soaker',
		lines: [
			['Raisins', 20],
			['Candied peel', 6],
			['Apple juice', 5]
		],
		buildLoss: 0.01,
		takeBackGrams: 0,
		steps: [mix(4, 20, null), timed('soak', 600, 'Cellar')]
	},
	{
		name: 'Butter plate',
		kind: 'fat',
		lines: [['Butter', 100]],
		buildLoss: 0.02,
		takeBackGrams: 0,
		// Beaten flat, chilled through, and tempered until it bends without breaking.
		steps: [
			mix(15, 14, null),
			timed('chill', 60, 'Ingredient fridge'),
			timed('temper', 25, 'Cellar')
		]
	},
	{
		name: 'Clarified butter',
		kind: 'fat',
		lines: [['Butter', 100]],
		// Water and milk solids that stay behind.
		buildLoss: 0.2,
		takeBackGrams: 0,
		steps: [mix(20, 60, null), timed('soak', 30, 'Warm corner')]
	},
	{
		name: 'Almond filling',
		kind: 'filling',
		lines: [
			['Ground almonds', 40],
			['Sugar', 30],
			['Butter', 20],
			['Whole egg', 10]
		],
		buildLoss: 0.03,
		takeBackGrams: 0,
		steps: [mix(10, 16, null), timed('soak', 60, 'Ingredient fridge')]
	},
	{
		name: 'Oat coating',
		kind: 'coating',
		lines: [
			['Rolled oats', 60],
			['Linseed', 40]
		],
		buildLoss: 0.05,
		takeBackGrams: 0,
		steps: [mix(3, 20, null)]
	},
	{
		name: 'Egg wash',
		kind: 'wash',
		lines: [
			['Whole egg', 80],
			['Milk', 20]
		],
		buildLoss: 0.1,
		takeBackGrams: 0,
		steps: [mix(3, 6, null)]
	},
	{
		name: 'Knot bath',
		kind: 'bath',
		lines: [
			['Water', 96.5],
			['Caustic soda, food grade', 3.5]
		],
		buildLoss: 0,
		takeBackGrams: 0,
		bath: { dipSeconds: 20, renewAfterMinutes: 240 },
		steps: [mix(10, 20, null)]
	}
];
