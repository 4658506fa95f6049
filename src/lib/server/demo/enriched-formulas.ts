import type { DemoFormula } from './demo-formula.ts';
import { clock, leg, mixing, ripening, timed, turn } from './steps.ts';

/** Doughs with butter, eggs, milk or sugar. */
export const ENRICHED_FORMULAS: readonly DemoFormula[] = [
	{
		name: 'Lamp Room dough',
		lines: [
			['Bread flour', 100],
			['Whole egg', 42],
			['Milk', 16],
			['Sugar', 14],
			['Fresh yeast', 3.2],
			['Salt', 1.9],
			['Butter', 42, 'late']
		],
		doughLoss: 0.015,
		targetCelsius: 24,
		frictionKilojoulesPerKilogram: 16,
		mostDoughGrams: 20_000,
		// A cold rest between the kneads keeps the butter from melting.
		steps: [
			mixing(12, 23, [
				['slow', 5],
				['fast', 5]
			]),
			timed('chill', 20, 'Cold room'),
			mixing(15, 24, [
				['slow', 4],
				['fast', 7]
			]),
			ripening('bulk', clock('bakers-yeast', 26, 110, 150, 230), [
				leg('Bakehouse', 420, 60),
				leg('Cold room', 200, 420)
			])
		]
	},
	{
		name: 'Slipway dough',
		lines: [
			['Poolish', 20.045],
			['Bread flour', 90],
			['Milk', 30],
			['Water', 14],
			['Sugar', 11],
			['Butter', 4],
			['Fresh yeast', 3],
			['Salt', 2],
			['Butter plate', 52, 'roll-in']
		],
		// What is cut off its sheets is told by what is cut from them.
		doughLoss: 0.01,
		targetCelsius: 22,
		frictionKilojoulesPerKilogram: 10,
		mostDoughGrams: 22_000,
		steps: [
			mixing(12, 22, [
				['slow', 5],
				['fast', 3]
			]),
			timed('chill', 90, 'Cold room'),
			turn('lock-in-1', 15, 9),
			turn('single', 8, 9),
			timed('chill', 35, 'Cold room'),
			turn('double', 8, 9),
			timed('chill', 40, 'Cold room')
		]
	},
	{
		name: "Cooper's dough",
		lines: [
			['Milk scald', 36],
			['Bread flour', 94],
			['Water', 36],
			['Sugar', 4],
			['Milk powder', 3],
			['Fresh yeast', 2],
			['Salt', 2],
			['Butter', 5, 'late']
		],
		doughLoss: 0.015,
		targetCelsius: 26,
		frictionKilojoulesPerKilogram: 15,
		mostDoughGrams: 24_000,
		steps: [
			mixing(18, 26, [
				['slow', 4],
				['fast', 8],
				['slow', 2]
			]),
			ripening('bulk', clock('bakers-yeast', 26, 45, 60, 85), [leg('Bakehouse', 420)])
		]
	},
	{
		name: 'Dark Beacon dough',
		lines: [
			['Bread flour', 100],
			['Water', 62],
			['Cocoa powder', 6],
			['Malt syrup', 4],
			['Butter', 4],
			['Fresh yeast', 2],
			['Salt', 1.9]
		],
		doughLoss: 0.015,
		targetCelsius: 26,
		frictionKilojoulesPerKilogram: 14,
		mostDoughGrams: 12_000,
		steps: [
			mixing(15, 26, [
				['slow', 4],
				['fast', 7]
			]),
			ripening('bulk', clock('bakers-yeast', 26, 45, 60, 85), [leg('Bakehouse', 420)])
		]
	},
	{
		name: 'Winter Wheel dough',
		lines: [
			['Milk sponge', 51],
			['Bread flour', 75],
			['Water', 16],
			['Whole egg', 12],
			['Sugar', 10],
			['Mixed spice', 0.6],
			['Fresh yeast', 1.5],
			['Salt', 1.7],
			['Butter', 22, 'late'],
			['Fruit soaker', 31, 'fold-in']
		],
		doughLoss: 0.02,
		targetCelsius: 26,
		frictionKilojoulesPerKilogram: 12,
		mostDoughGrams: 18_000,
		steps: [
			mixing(20, 26, [
				['slow', 5],
				['fast', 6],
				['slow', 4]
			]),
			ripening('bulk', clock('bakers-yeast', 26, 50, 70, 100), [leg('Bakehouse', 420)])
		]
	}
];
