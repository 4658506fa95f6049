/** The sheets of a night: their addresses behind the run sheet's, the whole night first. */
export const SHEETS = [
	'night',
	'mixers',
	'bench',
	'sheeting',
	'ovens',
	'packing',
	'people',
	'all'
] as const;
export type Sheet = (typeof SHEETS)[number];

/** The part of an address that opens a sheet; null for none that exists. */
export function sheetAt(path: string | undefined): Sheet | null {
	if (path === undefined) return 'night';
	return SHEETS.find((sheet) => sheet !== 'night' && sheet === path) ?? null;
}

/** Whose calendar holds what everybody does; any other is a person's, by id. */
export const EVERYBODY = 'night';
