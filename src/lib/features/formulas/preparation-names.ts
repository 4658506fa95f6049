import type { Pantry } from '../../core/formula/index.ts';

/** Whether a preparation of the book, or of the sheet, is called that. */
export function isTakenName({ preparations }: Pantry, name: string): boolean {
	return [...preparations.values()].some((preparation) => preparation.name === name);
}

/** The first of a name, the name 2, the name 3 and so on that is free. */
export function freeName(pantry: Pantry, wanted: string): string {
	for (let count = 1; ; count += 1) {
		const name = count === 1 ? wanted : `${wanted} ${count}`;
		if (!isTakenName(pantry, name)) return name;
	}
}
