import type { DemoProduct } from './demo-product.ts';
import { bake, clock, goingBy, hands, leg, ripening, timed } from './steps.ts';

/** What is made of the doughs of every day on some days of the week only. */
export const WEEKLY_PRODUCTS: readonly DemoProduct[] = [
	{
		name: 'Harbour long',
		doughs: [['Harbour dough', 700]],
		bakeLoss: 0.14,
		shape: 'long, in a basket',
		vessel: 'Long basket',
		footprint: [32, 14],
		piecesPerDeck: null,
		steps: [
			hands('divide', 2, 8),
			hands('pre-shape', 0, 8),
			timed('rest', 20),
			hands('shape', 0, 15),
			ripening('proof', clock('sourdough', 25, 78, 108, 152), [leg('Bakehouse', 135)]),
			hands('score', 0, 5),
			bake(245, 37, 8, 97),
			timed('cool', 70),
			hands('pack', 3, 5)
		]
	},
	{
		name: 'Half stick',
		doughs: [['Stick dough', 170]],
		bakeLoss: 0.21,
		shape: 'stick, 28 cm',
		footprint: [30, 8],
		piecesPerDeck: null,
		steps: [
			hands('divide', 2, 6),
			hands('pre-shape', 0, 5),
			timed('rest', 20),
			hands('shape', 0, 14),
			ripening('proof', clock('bakers-yeast', 25, 40, 55, 80), [leg('Bakehouse', 70)]),
			hands('score', 0, 4),
			// As thick as the whole one, it keeps its time.
			bake(250, 22, 6, 98),
			timed('cool', 20),
			hands('pack', 3, 2)
		]
	},
	{
		name: 'Lantern rye small',
		doughs: [['Lantern rye', 700]],
		bakeLoss: 0.12,
		shape: 'small tin loaf',
		vessel: 'Small tin',
		heightCm: 12,
		footprint: [22, 11],
		piecesPerDeck: null,
		steps: [
			hands('pan', 2, 20),
			ripening('proof', clock('sourdough', 30, 45, 62, 85), [leg('Warm prover', 120)]),
			goingBy(bake(250, 52, 4, 98), {
				changes: [{ atMinutes: 12, celsius: 200, ventOpen: true }],
				crust: 'dark'
			}),
			hands('depan', 0, 6),
			timed('cool', 360),
			hands('pack', 3, 5)
		]
	},
	{
		name: 'School roll',
		doughs: [['School bun dough', 90]],
		bakeLoss: 0.1,
		shape: 'long soft roll on a tray',
		vessel: 'Tray',
		divider: 'Roll divider',
		footprint: [15, 7],
		piecesPerDeck: null,
		steps: [
			hands('divide', 6, 1),
			hands('shape', 0, 5),
			ripening('proof', clock('bakers-yeast', 28, 60, 85, 115), [leg('Warm prover', 50)]),
			bake(200, 14, 0, 91),
			timed('cool', 25),
			hands('pack', 3, 1)
		]
	},
	{
		name: 'Lamp loaf',
		doughs: [['Lamp Room dough', 480]],
		bakeLoss: 0.1,
		shape: 'small tin loaf',
		vessel: 'Small tin',
		heightCm: 12,
		footprint: [22, 11],
		extras: [['wash', 'Egg wash', 8]],
		piecesPerDeck: null,
		steps: [
			hands('divide', 3, 6),
			hands('shape', 0, 10),
			ripening('proof', clock('bakers-yeast', 27, 85, 115, 150), [leg('Cool prover', 90)]),
			hands('wash', 3, 2),
			bake(175, 30, 0, 91),
			hands('depan', 0, 5),
			timed('cool', 60),
			hands('pack', 3, 3)
		]
	}
];
