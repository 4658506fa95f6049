import type { DemoProduct } from './demo-product.ts';
import { SHEETERS } from './equipment.ts';
import { bake, clock, hands, leg, ripening, timed } from './steps.ts';

/** What the sheeter of the bakehouse rolls out; nobody weighed a piece of it yet. */
const ON_THE_SHEETER = {
	edgeCm: 1,
	mostWidthCm: SHEETERS[0].widthCm,
	mostLengthCm: SHEETERS[0].lengthCm,
	gramsPerCubicCm: null,
	filledFirst: false
} as const;

/** What is made of the enriched doughs. */
export const ENRICHED_PRODUCTS: readonly DemoProduct[] = [
	{
		name: 'Lamp bun',
		doughs: [['Lamp Room dough', 80]],
		bakeLoss: 0.1,
		shape: 'round bun',
		vessel: 'Tray',
		divider: 'Roll divider',
		footprint: [11, 11],
		extras: [
			['wash', 'Egg wash', 3],
			['topping', 'Pearl sugar', 4]
		],
		piecesPerDeck: 80,
		steps: [
			hands('divide', 6, 1),
			hands('shape', 0, 4),
			ripening('proof', clock('bakers-yeast', 27, 75, 100, 135), [leg('Cool prover', 50)]),
			hands('wash', 3, 1),
			bake(185, 14, 0, 90),
			timed('cool', 30),
			hands('pack', 3, 1)
		]
	},
	{
		name: 'Slipway crescent',
		doughs: [['Slipway dough', 78]],
		bakeLoss: 0.14,
		shape: 'rolled triangle',
		sheet: {
			...ON_THE_SHEETER,
			cut: { kind: 'triangles', baseCm: 12, heightCm: 24, halvesJoined: false },
			trimGoes: 'next-dough'
		},
		vessel: 'Tray',
		footprint: [15, 8],
		extras: [['wash', 'Egg wash', 3]],
		piecesPerDeck: 60,
		steps: [
			hands('sheet', 12),
			hands('cut', 5, 3),
			hands('shape', 0, 8),
			ripening('proof', clock('bakers-yeast', 26, 95, 125, 165), [leg('Cool prover', 45)]),
			hands('wash', 3, 1),
			bake(195, 17, 4, 94),
			timed('cool', 25),
			hands('pack', 3, 2)
		]
	},
	{
		name: 'Slipway almond fold',
		doughs: [['Slipway dough', 70]],
		bakeLoss: 0.12,
		shape: 'square folded to a point',
		sheet: {
			...ON_THE_SHEETER,
			cut: { kind: 'rectangles', alongCm: 12, acrossCm: 12 },
			trimGoes: 'next-dough'
		},
		vessel: 'Tray',
		footprint: [12, 12],
		extras: [
			['filling', 'Almond filling', 28],
			['wash', 'Egg wash', 3],
			['dusting', 'Icing sugar', 2]
		],
		piecesPerDeck: 50,
		steps: [
			hands('sheet', 12),
			hands('cut', 5, 2),
			hands('fill', 3, 6),
			ripening('proof', clock('bakers-yeast', 26, 90, 120, 160), [leg('Cool prover', 45)]),
			hands('wash', 3, 1),
			bake(190, 18, 2, 93),
			timed('cool', 30),
			hands('pack', 3, 2)
		]
	},
	{
		name: "Cooper's tin",
		doughs: [["Cooper's dough", 720]],
		bakedGrams: 648,
		bakeLoss: 0.1,
		shape: 'four pieces across the tin',
		vessel: 'Long tin',
		heightCm: 15,
		footprint: [30, 12],
		piecesPerDeck: 20,
		steps: [
			hands('divide', 2, 8),
			hands('pre-shape', 0, 6),
			timed('rest', 10),
			hands('shape', 0, 14),
			hands('pan', 2, 3),
			ripening('proof', clock('bakers-yeast', 30, 38, 52, 70), [leg('Warm prover', 140)]),
			bake(210, 36, 2, 95),
			hands('depan', 0, 6),
			timed('cool', 90),
			hands('pack', 3, 5)
		]
	},
	{
		name: 'Two-light plait',
		doughs: [
			["Cooper's dough", 260],
			['Dark Beacon dough', 130]
		],
		bakeLoss: 0.11,
		shape: 'plait of two light strands and a dark one',
		vessel: 'Tray',
		footprint: [30, 12],
		extras: [['wash', 'Egg wash', 6]],
		piecesPerDeck: 20,
		steps: [
			hands('divide', 3, 12),
			timed('rest', 10),
			hands('wrap', 0, 30),
			ripening('proof', clock('bakers-yeast', 28, 40, 55, 75), [leg('Warm prover', 80)]),
			hands('wash', 3, 2),
			bake(195, 26, 0, 93),
			timed('cool', 40),
			hands('pack', 3, 4)
		]
	},
	{
		name: 'Winter Wheel',
		doughs: [['Winter Wheel dough', 620]],
		bakeLoss: 0.11,
		shape: 'rolled round its filling, set as a ring',
		vessel: 'Tray',
		footprint: [26, 26],
		extras: [
			['filling', 'Almond filling', 120],
			['glaze', 'Clarified butter', 18],
			['coating', 'Icing sugar', 20]
		],
		piecesPerDeck: 12,
		steps: [
			hands('divide', 2, 10),
			timed('rest', 15),
			hands('fill', 3, 40),
			ripening('proof', clock('bakers-yeast', 28, 40, 55, 80), [leg('Cool prover', 110)]),
			bake(180, 38, 0, 93),
			hands('glaze', 3, 15),
			timed('cool', 60),
			hands('pack', 3, 6)
		]
	}
];
