/** The rooms that exist, in the order of the work. A room that is not built yet has no way to it. */
export const ROOMS = [
	{ path: 'orders', name: 'Orders', about: 'How many pieces of each product go to which drop.' },
	{
		path: 'formulas',
		name: 'Formulas',
		about: 'Doughs, preparations, products and ingredients, by percent of the flour.'
	},
	{ path: 'doughs', name: 'Doughs', about: 'What is mixed, and what is weighed for each mix.' },
	{
		path: 'plan',
		name: 'Plan',
		about: 'When each step of the night begins, and on which machine.'
	},
	{
		path: 'bench',
		name: 'Bench',
		about: 'What is now, what is next, and what was done when.'
	},
	{
		path: 'water',
		name: 'Water',
		about: 'How warm the water of each mix is poured, and with how much ice.'
	},
	{
		path: 'fermentation',
		name: 'Fermentation',
		about: 'How far each dough is, and when it will be ready.'
	},
	{
		path: 'ovens',
		name: 'Ovens',
		about: 'What is in each deck, what is done to it, and what goes in next.'
	},
	{ path: 'run-sheet', name: 'Run sheet', about: 'The night on paper, step by step.' },
	{
		path: 'log',
		name: 'Log',
		about: 'The night as it went, against its plan.'
	},
	{
		path: 'trace',
		name: 'Trace',
		about: 'Which lots went into which batch, and to which drop.'
	},
	{
		path: 'learned',
		name: 'Learned',
		about: 'What measured doughs taught of mixers, tubs and clocks.'
	},
	{
		path: 'bakery',
		name: 'Bakery',
		about: 'People, equipment, places, drops and devices of the bakery.'
	}
] as const;

/** The shelves of the book are one room with several addresses. */
const SHELVES = ['preparations', 'products', 'ingredients'];

/** The room that an address within a date belongs to. */
export function roomOf(path: string): string {
	return SHELVES.includes(path) ? 'formulas' : path;
}

export type RoomPath = (typeof ROOMS)[number]['path'];
