/** The three drops of a Saltmarrow morning. */
export const DROPS = [
	{ name: 'Ferry', dueTime: '05:10' },
	{ name: 'Shop and cafés', dueTime: '06:45' },
	{ name: 'School', dueTime: '07:40' }
] as const;

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
	[3, 'Tidemark tin', 'Shop and cafés', 20],
	[3, 'Breakwater loaf', 'Ferry', 16],
	[4, "Cooper's tin", 'School', 20],
	[4, 'Two-light plait', 'Shop and cafés', 18],
	[5, 'Storm rye block', 'Shop and cafés', 18],
	[5, 'Salt Flat', 'Shop and cafés', 24],
	[6, 'Lamp bun', 'Shop and cafés', 80],
	[6, 'Slipway crescent', 'Shop and cafés', 60],
	[6, 'Slipway almond fold', 'Shop and cafés', 30],
	[7, 'Bollard knot', 'Shop and cafés', 45],
	[7, 'Ropewalk loaf', 'Shop and cafés', 18],
	[7, 'Winter Wheel', 'Shop and cafés', 12]
];

/** On these days (ISO weekdays) the school is closed and the shop sells more. */
const WEEKEND: readonly number[] = [6, 7];
const WEEKEND_SHOP_FACTOR = 1.2;

/** Pieces for one product and drop on a weekday. */
export function piecesOn(weekday: number, drop: string, pieces: number): number {
	if (!WEEKEND.includes(weekday)) return pieces;
	if (drop === 'School') return 0;
	return drop === 'Ferry' ? pieces : Math.round(pieces * WEEKEND_SHOP_FACTOR);
}
