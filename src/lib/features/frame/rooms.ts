/** The rooms that exist, in the order of the work. A room that is not built yet has no way to it. */
export const ROOMS = [
	{ path: 'orders', name: 'Orders' },
	{ path: 'formulas', name: 'Formulas' },
	{ path: 'doughs', name: 'Doughs' },
	{ path: 'plan', name: 'Plan' },
	{ path: 'water', name: 'Water' },
	{ path: 'ripening', name: 'Ripening' },
	{ path: 'run-sheet', name: 'Run sheet' },
	{ path: 'learned', name: 'Learned' },
	{ path: 'bakery', name: 'Bakery' }
] as const;

/** The shelves of the book are one room with several addresses. */
const SHELVES = ['builds', 'products', 'ingredients'];

/** The room that an address within a date belongs to. */
export function roomOf(path: string): string {
	return SHELVES.includes(path) ? 'formulas' : path;
}

export type RoomPath = (typeof ROOMS)[number]['path'];
