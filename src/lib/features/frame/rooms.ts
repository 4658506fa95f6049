import { mayRole, type ActingRole, type Right } from '../../contracts/rights.ts';

/** The pages of a date, in groups by when they are used, each in the order of the work. */
const ROOM_GROUPS = [
	{
		name: 'Day',
		rooms: [
			{
				path: 'orders',
				right: 'see-the-day',
				name: 'Orders',
				about: 'How many pieces of each product go to which drop.'
			},
			{
				path: 'doughs',
				right: 'see-the-day',
				name: 'Doughs',
				about: 'What is mixed, and what is weighed for each mix.'
			},
			{
				path: 'plan',
				right: 'see-the-day',
				name: 'Plan',
				about: 'When each step of the night begins, and on which machine.'
			},
			{
				path: 'run-sheet',
				right: 'see-the-night',
				name: 'Run sheet',
				about: 'The night on paper, step by step.'
			}
		]
	},
	{
		name: 'Night',
		rooms: [
			{
				path: 'bench',
				right: 'see-the-night',
				name: 'Bench',
				about: 'What is now, what is next, and what was done when.'
			},
			{
				path: 'water',
				right: 'see-the-night',
				name: 'Water',
				about: 'How warm the water of each mix is poured, and with how much ice.'
			},
			{
				path: 'fermentation',
				right: 'see-the-night',
				name: 'Fermentation',
				about: 'How far each dough is, and when it will be ready.'
			},
			{
				path: 'ovens',
				right: 'see-the-night',
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
				right: 'see-the-day',
				name: 'Morning',
				about: 'What the night taught, and what it changes tonight.'
			},
			{
				path: 'log',
				right: 'see-the-day',
				name: 'Log',
				about: 'The night as it went, against its plan.'
			},
			{
				path: 'trace',
				right: 'see-the-day',
				name: 'Trace',
				about: 'Which lots went into which batch, and to which drop.'
			},
			{
				path: 'learned',
				right: 'see-the-house',
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
				right: 'see-the-book',
				name: 'Formulas',
				about: 'Doughs, preparations, products and ingredients, by percent of the flour.'
			},
			{
				path: 'bakery',
				right: 'see-the-house',
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
	/** What reading it asks for. */
	readonly right: Right;
}

/** The pages that somebody may read, in their groups; a group of which nothing is left falls away. */
export function roomGroupsFor(
	role: ActingRole
): readonly { readonly name: string; readonly rooms: readonly RoomOfDate[] }[] {
	return ROOM_GROUPS.map(({ name, rooms }) => ({
		name,
		rooms: rooms.filter(({ right }) => mayRole(role, right))
	})).filter(({ rooms }) => rooms.length > 0);
}

/** The shelves of the book are one room with several addresses. */
const SHELVES = ['preparations', 'products', 'ingredients'];

/** The room that an address within a date belongs to. */
export function roomAt(path: string): RoomOfDate {
	const wanted = SHELVES.includes(path) ? 'formulas' : path;
	const all: readonly RoomOfDate[] = ROOM_GROUPS.flatMap(({ rooms }) => [...rooms]);
	return all.find((room) => room.path === wanted) ?? ROOM_GROUPS[0].rooms[0];
}
