import type { StarterKey } from '../contracts/starters.ts';

/** What a starter formula is called, what is made of it, and what it is. */
export const STARTER_TEXT: Readonly<
	Record<StarterKey, { readonly dough: string; readonly product: string; readonly about: string }>
> = {
	hearth: {
		dough: 'White dough',
		product: 'White hearth loaf',
		about: 'flour, 67 % water, salt and 1.5 % fresh yeast; a loaf of 900 g on the deck'
	},
	tin: {
		dough: 'Tin dough',
		product: 'Tin loaf',
		about: 'flour, 62 % water, a little butter, 2 % fresh yeast; 900 g in a tin'
	},
	wholemeal: {
		dough: 'Wholemeal dough',
		product: 'Wholemeal loaf',
		about: '60 % wholemeal, 72 % water, 1.8 % fresh yeast; 800 g on the deck'
	},
	levain: {
		dough: 'Levain dough',
		product: 'Levain loaf',
		about: 'a levain from your culture, 70 % water, no yeast; 1000 g on the deck'
	},
	bun: {
		dough: 'Soft bun dough',
		product: 'Soft bun',
		about: '55 % milk, butter and sugar, 4 % fresh yeast; buns of 75 g'
	}
};
