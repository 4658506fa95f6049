/** The pages of a date, in groups by when they are used, each in the order of the work. */
export const ROOM_GROUPS = [
	{
		name: 'Day',
		rooms: [
			{
				path: 'orders',
				name: 'Orders',
				about: 'How many pieces of each product go to which drop.'
			},
			{ path: 'doughs', name: 'Doughs', about: 'What is mixed, and what is weighed for each mix.' },
			{
				path: 'plan',
				name: 'Plan',
				about: 'When each step of the night begins, and on which machine.'
			},
			{ path: 'run-sheet', name: 'Run sheet', about: 'The night on paper, step by step.' }
		]
	},
	{
		name: 'Night',
		rooms: [
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
			}
		]
	},
	{
		name: 'After',
		rooms: [
			{
				path: 'morning',
				name: 'Morning',
				about: 'What the night taught, and what it changes tonight.'
			},
			{ path: 'log', name: 'Log', about: 'The night as it went, against its plan.' },
			{
				path: 'trace',
				name: 'Trace',
				about: 'Which lots went into which batch, and to which drop.'
			},
			{
				path: 'learned',
				name: 'Learned',
				about: 'What measured doughs taught of mixers, tubs and clocks.'
			}
		]
	},
	{
		name: 'House',
		rooms: [
			{
				path: 'formulas',
				name: 'Formulas',
				about: 'Doughs, preparations, products and ingredients, by percent of the flour.'
			},
			{
				path: 'bakery',
				name: 'Bakery',
				about: 'People, equipment, places, drops and devices of the bakery.'
			}
		]
	}
] as const;

export type RoomPath = (typeof ROOM_GROUPS)[number]['rooms'][number]['path'];

interface RoomOfDate {
	readonly path: RoomPath;
	readonly name: string;
	readonly about: string;
}

/** The shelves of the book are one room with several addresses. */
const SHELVES = ['preparations', 'products', 'ingredients'];

/** The room that an address within a date belongs to. */
export function roomAt(path: string): RoomOfDate {
	const wanted = SHELVES.includes(path) ? 'formulas' : path;
	const all: readonly RoomOfDate[] = ROOM_GROUPS.flatMap(({ rooms }) => [...rooms]);
	return all.find((room) => room.path === wanted) ?? ROOM_GROUPS[0].rooms[0];
}
