import type { StarterKey } from '../../contracts/starters.ts';
import type { Addition, Step, WaitStep } from '../../core/formula/index.ts';
import { bake, clock, hands, mix, mixing, ripening } from '../chain.ts';

/** A plain formula of ours, with the preparation it takes from and a product that is made of it. */
export interface Starter {
	readonly lines: readonly (readonly [name: string, percentOfFlour: number, addition?: Addition])[];
	readonly preparation: {
		readonly name: string;
		readonly lines: readonly (readonly [name: string, parts: number])[];
		readonly takeBackGrams: number;
		readonly steps: readonly Step[];
	} | null;
	readonly targetCelsius: number;
	readonly frictionKilojoulesPerKilogram: number;
	readonly steps: readonly Step[];
	readonly product: {
		readonly grams: number;
		readonly bakeLossShare: number;
		readonly shape: string;
		readonly footprint: { readonly lengthCm: number; readonly widthCm: number };
		readonly steps: readonly Step[];
	};
}

/** The room all stand in; whoever begins the formula puts its name there. */
const ROOM = { named: null, place: 'room', ambientCelsius: 22 } as const;

function inRoom(
	activity: WaitStep['activity'],
	ripe: Parameters<typeof clock>,
	timeConstantMinutes: number,
	foldsAtMinutes: readonly number[] = []
): WaitStep {
	const leg = { ...ROOM, timeConstantMinutes, minutes: null };
	return ripening(activity, clock(...ripe), [leg], foldsAtMinutes);
}

function rest(activity: WaitStep['activity'], minutes: number): WaitStep {
	return {
		kind: 'wait',
		activity,
		legs: [{ ...ROOM, timeConstantMinutes: 90, minutes }],
		clock: null,
		foldsAtMinutes: [],
		foldsAtShares: []
	};
}

/** From the divider to the shelf, around a proof and a bake. */
function loaf(proof: WaitStep, baked: Step, coolMinutes: number): readonly Step[] {
	return [
		hands('divide', 2, 8),
		hands('pre-shape', 0, 8),
		rest('rest', 20),
		hands('shape', 0, 15),
		proof,
		hands('score', 0, 5),
		baked,
		rest('cool', coolMinutes),
		hands('pack', 3, 5)
	];
}

/** Plain doughs of ours, to be written over (our defaults; usual-values). */
export const STARTER_FORMULAS: Readonly<Record<StarterKey, Starter>> = {
	hearth: {
		lines: [
			['Bread flour', 100],
			['Water', 67],
			['Salt', 2],
			['Fresh yeast', 1.5]
		],
		preparation: null,
		targetCelsius: 25,
		frictionKilojoulesPerKilogram: 10,
		steps: [
			mixing(15, 25, [
				['slow', 5],
				['fast', 5]
			]),
			inRoom('bulk', ['bakers-yeast', 25, 70, 90, 120], 420, [45])
		],
		product: {
			grams: 900,
			bakeLossShare: 0.13,
			shape: 'round, on the deck',
			footprint: { lengthCm: 24, widthCm: 24 },
			steps: loaf(inRoom('proof', ['bakers-yeast', 25, 45, 60, 85], 150), bake(240, 40, 8, 97), 75)
		}
	},
	tin: {
		lines: [
			['Bread flour', 100],
			['Water', 62],
			['Butter', 3],
			['Salt', 2],
			['Fresh yeast', 2]
		],
		preparation: null,
		targetCelsius: 26,
		frictionKilojoulesPerKilogram: 10.5,
		steps: [
			mixing(15, 26, [
				['slow', 5],
				['fast', 6]
			]),
			inRoom('bulk', ['bakers-yeast', 26, 50, 65, 90], 420)
		],
		product: {
			grams: 900,
			bakeLossShare: 0.11,
			shape: 'long, in a tin',
			footprint: { lengthCm: 26, widthCm: 12 },
			steps: loaf(inRoom('proof', ['bakers-yeast', 26, 50, 65, 85], 150), bake(225, 38, 5, 96), 75)
		}
	},
	wholemeal: {
		lines: [
			['Wholemeal wheat', 60],
			['Bread flour', 40],
			['Water', 72],
			['Salt', 2],
			['Fresh yeast', 1.8]
		],
		preparation: null,
		targetCelsius: 25,
		frictionKilojoulesPerKilogram: 9,
		steps: [
			mixing(14, 25, [
				['slow', 6],
				['fast', 4]
			]),
			inRoom('bulk', ['bakers-yeast', 25, 55, 70, 95], 420)
		],
		product: {
			grams: 800,
			bakeLossShare: 0.12,
			shape: 'round, on the deck',
			footprint: { lengthCm: 22, widthCm: 22 },
			steps: loaf(inRoom('proof', ['bakers-yeast', 25, 40, 52, 72], 150), bake(235, 40, 8, 97), 75)
		}
	},
	levain: {
		lines: [
			['Levain', 40],
			['Bread flour', 70],
			['Wholemeal wheat', 10],
			['Water', 50],
			['Salt', 2, 'late']
		],
		preparation: {
			name: 'Levain',
			lines: [
				['Wheat culture', 8],
				['Bread flour', 16],
				['Water', 16]
			],
			takeBackGrams: 1000,
			steps: [mix(8, 26, null), inRoom('ferment', ['sourdough', 25, 200, 250, 320], 300)]
		},
		targetCelsius: 25,
		frictionKilojoulesPerKilogram: 9.5,
		steps: [
			mixing(16, 25, [
				['slow', 7],
				['fast', 4]
			]),
			inRoom('bulk', ['sourdough', 25, 165, 210, 260], 420, [45, 90])
		],
		product: {
			grams: 1000,
			bakeLossShare: 0.14,
			shape: 'round, seam up in a basket',
			footprint: { lengthCm: 26, widthCm: 26 },
			steps: loaf(inRoom('proof', ['sourdough', 25, 80, 110, 155], 150), bake(245, 44, 8, 97), 90)
		}
	},
	bun: {
		lines: [
			['Bread flour', 100],
			['Milk', 55],
			['Butter', 12],
			['Sugar', 10],
			['Salt', 1.8],
			['Fresh yeast', 4]
		],
		preparation: null,
		targetCelsius: 26,
		frictionKilojoulesPerKilogram: 12,
		steps: [
			mixing(16, 26, [
				['slow', 5],
				['fast', 7]
			]),
			inRoom('bulk', ['bakers-yeast', 26, 45, 60, 85], 420)
		],
		product: {
			grams: 75,
			bakeLossShare: 0.1,
			shape: 'round bun',
			footprint: { lengthCm: 9, widthCm: 9 },
			steps: [
				hands('divide', 3, 2),
				hands('shape', 0, 4),
				inRoom('proof', ['bakers-yeast', 26, 50, 65, 90], 60),
				hands('wash', 0, 1),
				bake(210, 14, 0, 92),
				rest('cool', 30),
				hands('pack', 3, 1)
			]
		}
	}
};
