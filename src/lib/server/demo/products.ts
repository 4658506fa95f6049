import { PLAIN_PROGRAMME } from '../../core/baking/index.ts';
import type { DemoProduct } from './demo-product.ts';
import { WEEKLY_PRODUCTS } from './weekly-products.ts';
import { ENRICHED_PRODUCTS } from './enriched-products.ts';
import { bake, clock, goingBy, hands, leg, ripening, timed } from './steps.ts';

export const PRODUCTS: readonly DemoProduct[] = [
	{
		name: 'Harbour loaf',
		doughs: [['Harbour dough', 900]],
		bakedGrams: 780,
		bakeLoss: 0.13,
		shape: 'round, seam up in a basket',
		score: ['one cut along, blade held flat', 8],
		vessel: 'Round basket',
		footprint: [24, 24],
		extras: [['dusting', 'Light rye flour', 4]],
		piecesPerDeck: 18,
		steps: [
			hands('divide', 2, 8),
			hands('pre-shape', 0, 8),
			timed('rest', 20),
			hands('shape', 0, 15),
			ripening('proof', clock('sourdough', 25, 80, 110, 155), [leg('Bakehouse', 150)]),
			hands('score', 0, 5),
			goingBy(bake(245, 42, 8, 97), {
				changes: [{ atMinutes: 30, ventOpen: true }],
				turnAtMinutes: 24,
				checkAtMinutes: 38,
				crust: 'brown'
			}),
			timed('cool', 75),
			hands('pack', 3, 5)
		]
	},
	{
		name: 'Harbour small',
		doughs: [['Harbour dough', 480]],
		bakeLoss: 0.14,
		shape: 'small round',
		score: ['a cross', 6],
		footprint: [18, 18],
		piecesPerDeck: 24,
		steps: [
			hands('divide', 2, 8),
			hands('pre-shape', 0, 8),
			timed('rest', 20),
			hands('shape', 0, 12),
			ripening('proof', clock('sourdough', 25, 75, 105, 150), [leg('Bakehouse', 120)]),
			hands('score', 0, 4),
			goingBy(bake(245, 32, 8, 97), {
				changes: [{ atMinutes: 22, ventOpen: true }],
				checkAtMinutes: 28,
				crust: 'brown'
			}),
			timed('cool', 60),
			hands('pack', 3, 5)
		]
	},
	{
		name: 'Ferry stick',
		doughs: [['Stick dough', 340]],
		bakeLoss: 0.21,
		shape: 'stick, 55 cm',
		score: ['five cuts at a slant, blade held flat', 4],
		footprint: [58, 8],
		piecesPerDeck: 28,
		steps: [
			hands('divide', 2, 6),
			hands('pre-shape', 0, 5),
			timed('rest', 20),
			hands('shape', 0, 20),
			ripening('proof', clock('bakers-yeast', 25, 40, 55, 80), [leg('Bakehouse', 80)]),
			hands('score', 0, 5),
			bake(250, 22, 6, 98),
			timed('cool', 25),
			hands('pack', 3, 2)
		]
	},
	{
		name: 'Deck roll',
		doughs: [['Stick dough', 95]],
		bakeLoss: 0.16,
		shape: 'round roll',
		divider: 'Roll divider',
		footprint: [11, 11],
		piecesPerDeck: 60,
		steps: [
			hands('divide', 6, 1),
			hands('shape', 0, 4),
			ripening('proof', clock('bakers-yeast', 25, 40, 55, 80), [leg('Bakehouse', 50)]),
			bake(240, 15, 6, 98),
			timed('cool', 20),
			hands('pack', 3, 1)
		]
	},
	{
		name: 'Lantern rye tin',
		doughs: [['Lantern rye', 1100]],
		bakeLoss: 0.11,
		shape: 'tin loaf',
		vessel: 'Long tin',
		heightCm: 15,
		footprint: [30, 12],
		piecesPerDeck: 20,
		steps: [
			hands('pan', 2, 25),
			ripening('proof', clock('sourdough', 30, 45, 62, 85), [leg('Warm prover', 150)]),
			// It falls once it has sprung: at 250 to the end its crust would burn.
			goingBy(bake(250, 62, 4, 98), {
				changes: [{ atMinutes: 15, celsius: 200, ventOpen: true }],
				checkAtMinutes: 55,
				crust: 'dark'
			}),
			hands('depan', 0, 6),
			// Its crumb sets: it is not packed on the hour it leaves the oven.
			timed('cool', 360),
			hands('pack', 3, 5)
		]
	},
	{
		name: 'School bun',
		doughs: [['School bun dough', 62]],
		bakeLoss: 0.11,
		shape: 'round bun on a tray',
		divider: 'Roll divider',
		vessel: 'Tray',
		footprint: [10, 10],
		piecesPerDeck: 90,
		steps: [
			hands('divide', 6, 1),
			hands('shape', 0, 4),
			ripening('proof', clock('bakers-yeast', 28, 60, 85, 115), [leg('Warm prover', 45)]),
			bake(200, 13, 0, 91),
			timed('cool', 25),
			hands('pack', 3, 1)
		]
	},
	{
		name: 'Breakwater loaf',
		doughs: [['Breakwater dough', 850]],
		bakeLoss: 0.15,
		shape: 'long, in a basket',
		vessel: 'Long basket',
		footprint: [34, 14],
		extras: [['dusting', 'Bread flour', 5]],
		piecesPerDeck: 16,
		steps: [
			hands('divide', 2, 8),
			hands('pre-shape', 0, 8),
			timed('rest', 25),
			hands('shape', 0, 15),
			// The long cold proof of the night, then straight into the oven.
			ripening('proof', clock('bakers-yeast', 24, 70, 105, 170), [
				leg('Bakehouse', 150, 20),
				leg('Cold room', 110, 480)
			]),
			hands('score', 0, 5),
			bake(250, 40, 8, 98),
			timed('cool', 75),
			hands('pack', 3, 5)
		]
	},
	{
		name: 'Tidemark tin',
		doughs: [['Tidemark dough', 950]],
		bakeLoss: 0.11,
		shape: 'tin loaf',
		vessel: 'Long tin',
		heightCm: 15,
		footprint: [30, 12],
		piecesPerDeck: 20,
		steps: [
			hands('divide', 2, 8),
			hands('pre-shape', 0, 7),
			timed('rest', 15),
			hands('shape', 0, 12),
			hands('pan', 2, 4),
			ripening('proof', clock('bakers-yeast', 28, 40, 55, 75), [leg('Warm prover', 150)]),
			bake(225, 45, 4, 97),
			hands('depan', 0, 6),
			timed('cool', 100),
			hands('pack', 3, 5)
		]
	},
	{
		name: 'Pier bloomer',
		doughs: [['Old Pier dough', 700]],
		bakeLoss: 0.14,
		shape: 'long, cut across five times',
		footprint: [36, 14],
		piecesPerDeck: 16,
		steps: [
			hands('divide', 2, 8),
			hands('pre-shape', 0, 7),
			timed('rest', 15),
			hands('shape', 0, 12),
			ripening('proof', clock('bakers-yeast', 26, 45, 60, 85), [leg('Bakehouse', 130)]),
			hands('score', 0, 6),
			bake(235, 36, 8, 97),
			timed('cool', 60),
			hands('pack', 3, 5)
		]
	},
	{
		name: 'Ropewalk loaf',
		doughs: [['Ropewalk dough', 800]],
		bakedGrams: 700,
		bakeLoss: 0.125,
		shape: 'round, rolled in oats',
		vessel: 'Round basket',
		footprint: [23, 23],
		extras: [['coating', 'Oat coating', 18]],
		piecesPerDeck: 18,
		steps: [
			hands('divide', 2, 9),
			hands('pre-shape', 0, 8),
			timed('rest', 20),
			hands('shape', 0, 15),
			hands('coat', 2, 5),
			ripening('proof', clock('sourdough', 25, 75, 105, 150), [leg('Bakehouse', 140)]),
			hands('score', 0, 5),
			bake(240, 40, 8, 97),
			timed('cool', 75),
			hands('pack', 3, 5)
		]
	},
	{
		name: 'Salt Flat',
		doughs: [['Salt Flat dough', 420]],
		bakeLoss: 0.13,
		shape: 'flat, dimpled with oiled fingers',
		vessel: 'Tray',
		footprint: [30, 20],
		extras: [
			['topping', 'Olive oil', 12],
			['topping', 'Sea salt flakes', 2]
		],
		piecesPerDeck: 12,
		steps: [
			hands('divide', 2, 8),
			timed('rest', 25),
			hands('pan', 0, 15),
			ripening('proof', clock('bakers-yeast', 26, 45, 60, 90), [leg('Bakehouse', 100)]),
			hands('coat', 2, 8),
			bake(245, 20, 4, 96),
			timed('cool', 25),
			hands('pack', 3, 4)
		]
	},
	{
		name: 'Bollard knot',
		doughs: [['Bollard dough', 92]],
		bakeLoss: 0.12,
		// A knot that opens in its bath is a second.
		spares: 0.02,
		shape: 'tied knot',
		vessel: 'Lined board',
		divider: 'Roll divider',
		footprint: [13, 12],
		extras: [
			['bath', 'Knot bath', 4000, 60],
			['topping', 'Sea salt flakes', 1]
		],
		piecesPerDeck: 45,
		steps: [
			hands('divide', 6, 1),
			ripening('bulk', clock('bakers-yeast', 25, 25, 35, 50), [leg('Bakehouse', 60)]),
			hands('shape', 0, 14),
			ripening('proof', clock('bakers-yeast', 25, 15, 22, 35), [leg('Bakehouse', 50)]),
			// Chilled firm, so that the knot keeps its form in the bath.
			timed('chill', 40, 'Cold room'),
			hands('dip', 8, 4),
			hands('score', 0, 3),
			bake(225, 15, 0, 95),
			timed('cool', 20),
			hands('pack', 3, 1)
		]
	},
	{
		name: 'Storm rye block',
		doughs: [['Storm rye', 1500]],
		bakeLoss: 0.1,
		shape: 'lidded tin',
		vessel: 'Lidded tin',
		heightCm: 13,
		footprint: [28, 13],
		extras: [['dusting', 'Whole rye flour', 6]],
		piecesPerDeck: 18,
		steps: [
			hands('pan', 3, 28),
			ripening('proof', clock({ kind: 'mixed', yeastShare: 0.4 }, 29, 55, 75, 100), [
				leg('Warm prover', 170)
			]),
			// It goes in hot, under its lid, and falls: the crust sets long before the crumb is done.
			goingBy(bake(240, 115, 0, 98), {
				atLoading: { ...PLAIN_PROGRAMME.atLoading, lid: true },
				changes: [
					{ atMinutes: 20, celsius: 200 },
					{ atMinutes: 80, celsius: 180 }
				],
				checkAtMinutes: 105,
				crust: 'brown'
			}),
			hands('depan', 0, 8),
			// Cut after a day, not before.
			timed('cool', 1200),
			hands('pack', 3, 6)
		]
	},
	...ENRICHED_PRODUCTS,
	...WEEKLY_PRODUCTS
];
