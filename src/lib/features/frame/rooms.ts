/** The rooms that exist, in the order of the work. A room that is not built yet has no way to it. */
export const ROOMS = [
	{ path: 'orders', name: 'Orders' },
	{ path: 'formulas', name: 'Formulas' },
	{ path: 'doughs', name: 'Doughs' },
	{ path: 'plan', name: 'Plan' },
	{ path: 'water', name: 'Water' },
	{ path: 'run-sheet', name: 'Run sheet' }
] as const;

export type RoomPath = (typeof ROOMS)[number]['path'];
