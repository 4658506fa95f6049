import { addDays, weekdayOf, type BakeDate } from '../../core/time/index.ts';

/**
 * The four drops of a Saltmarrow morning, with the minutes for picking, loading and the road before each, and until when
 * their orders are taken: so many days before, at a time. Nothing goes on a Sunday.
 */
export const DROPS = [
	{
		name: 'Ferry',
		dueTime: '05:10',
		weekdays: [1, 2, 3, 4, 5, 6],
		minutes: [5, 5, 5],
		cutOff: [1, '13:00']
	},
	{
		name: 'Shop and cafés',
		dueTime: '06:45',
		weekdays: [1, 2, 3, 4, 5, 6],
		minutes: [10, 0, 0],
		cutOff: null
	},
	{
		name: 'School',
		dueTime: '07:40',
		weekdays: [1, 2, 3, 4, 5],
		minutes: [5, 5, 5],
		cutOff: [1, '15:00']
	},
	{
		name: 'Noon ferry',
		dueTime: '11:50',
		weekdays: [3, 6],
		minutes: [5, 5, 5],
		cutOff: [2, '12:00']
	}
] as const;

/** Whose bread goes with which drop. */
export const CUSTOMERS: readonly {
	readonly name: string;
	readonly drop: (typeof DROPS)[number]['name'];
	readonly note: string;
}[] = [
	{ name: 'Ferry galley', drop: 'Ferry', note: 'the crates of yesterday come back' },
	{ name: 'Quay café', drop: 'Shop and cafés', note: 'back door' },
	{ name: 'Lantern café', drop: 'Shop and cafés', note: '' },
	{ name: 'School kitchen', drop: 'School', note: 'ring twice' },
	{ name: 'Ferry kiosk', drop: 'Noon ferry', note: '' }
];

/** Pieces on a plain weekday: product, then drop. */
export const WEEKDAY_ORDERS: readonly (readonly [product: string, drop: string, pieces: number])[] =
	[
		['Harbour loaf', 'Ferry', 27],
		['Harbour loaf', 'Shop and cafés', 18],
		['Harbour small', 'Shop and cafés', 17],
		['Ferry stick', 'Ferry', 54],
		['Ferry stick', 'Shop and cafés', 36],
		['Deck roll', 'School', 60],
		// Rye rests before it is packed: the ferry leaves too early for it.
		['Lantern rye tin', 'Shop and cafés', 20],
		['School bun', 'School', 144]
	];

/** What is baked on one day of the week only (ISO weekday), on top of the plain day. */
export const WEEKDAY_SPECIALS: readonly (readonly [
	weekday: number,
	product: string,
	drop: string,
	pieces: number
])[] = [
	[1, 'Pier bloomer', 'Shop and cafés', 16],
	[1, 'Lamp loaf', 'Shop and cafés', 18],
	[3, 'Ropewalk loaf', 'Shop and cafés', 18],
	[3, 'Winter Wheel', 'Shop and cafés', 12],
	[3, 'Half stick', 'Noon ferry', 24],
	[3, 'Tidemark tin', 'Shop and cafés', 20],
	[3, 'Breakwater loaf', 'Ferry', 16],
	[4, "Cooper's tin", 'School', 20],
	[4, 'Two-light plait', 'Shop and cafés', 18],
	[4, 'School roll', 'School', 60],
	[4, 'Bollard knot', 'Shop and cafés', 45],
	[5, 'Lantern rye small', 'Shop and cafés', 12],
	[5, 'Salt Flat', 'Shop and cafés', 24],
	[6, 'Harbour long', 'Noon ferry', 16],
	[6, 'Half stick', 'Noon ferry', 30],
	[6, 'Lamp bun', 'Shop and cafés', 80],
	[6, 'Slipway crescent', 'Shop and cafés', 60],
	[6, 'Slipway almond fold', 'Shop and cafés', 30]
];

/** On Saturdays (ISO weekday) the school is closed and the shop sells more; on Sundays nobody is there. */
const SATURDAY = 6;
export const SUNDAY = 7;
const SATURDAY_SHOP_FACTOR = 1.2;

/** What stands ordered on a weekday (ISO): the plain day as it goes on it, and what is baked on it only. */
export function standingOn(
	weekday: number
): readonly (readonly [product: string, drop: string, pieces: number])[] {
	const plain = WEEKDAY_ORDERS.map(
		([product, drop, pieces]) => [product, drop, piecesOn(weekday, drop, pieces)] as const
	);
	const specials = WEEKDAY_SPECIALS.filter(([day]) => day === weekday).map(
		([, product, drop, pieces]) => [product, drop, pieces] as const
	);
	return [...plain, ...specials].filter(([, , pieces]) => pieces > 0);
}

/** Pieces for one product and drop on a weekday. */
export function piecesOn(weekday: number, drop: string, pieces: number): number {
	if (weekday === SUNDAY) return 0;
	if (weekday !== SATURDAY) return pieces;
	if (drop === 'School') return 0;
	return drop === 'Ferry' ? pieces : Math.round(pieces * SATURDAY_SHOP_FACTOR);
}

/** On the Saturday of the harbour market, next week, the shop sells a little of everything that is in the book. */
export const MARKET_ORDERS: readonly (readonly [product: string, drop: string, pieces: number])[] =
	[
		['Harbour loaf', 'Ferry', 14],
		['Harbour loaf', 'Shop and cafés', 9],
		['Harbour small', 'Shop and cafés', 9],
		['Harbour long', 'Noon ferry', 8],
		['Ferry stick', 'Ferry', 27],
		['Ferry stick', 'Shop and cafés', 18],
		['Half stick', 'Noon ferry', 12],
		['Deck roll', 'Shop and cafés', 30],
		['Lantern rye tin', 'Shop and cafés', 10],
		['Lantern rye small', 'Shop and cafés', 6],
		['Storm rye block', 'Shop and cafés', 18],
		['School bun', 'Shop and cafés', 72],
		['School roll', 'Shop and cafés', 30],
		['Pier bloomer', 'Shop and cafés', 8],
		['Lamp loaf', 'Shop and cafés', 9],
		['Lamp bun', 'Shop and cafés', 40],
		['Ropewalk loaf', 'Shop and cafés', 9],
		['Winter Wheel', 'Shop and cafés', 6],
		['Tidemark tin', 'Shop and cafés', 10],
		['Breakwater loaf', 'Ferry', 8],
		["Cooper's tin", 'Shop and cafés', 10],
		['Two-light plait', 'Shop and cafés', 9],
		['Bollard knot', 'Shop and cafés', 23],
		['Salt Flat', 'Shop and cafés', 12],
		['Slipway crescent', 'Noon ferry', 30],
		['Slipway almond fold', 'Noon ferry', 15]
	];

/** The date of the market: the first Saturday a week or more ahead, so that its longest chains can still be begun. */
export function marketDateAfter(today: BakeDate): BakeDate {
	const inAWeek = addDays(today, 7);
	return addDays(inAWeek, (SATURDAY - weekdayOf(inAWeek) + 7) % 7);
}
