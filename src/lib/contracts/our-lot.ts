/** Our own lot of a batch, as its label says and a search finds it again: its date, and the beginning of its id. */
export function ourLot({ date, id }: { readonly date: string; readonly id: string }): string {
	return `${date.slice(2).replaceAll('-', '')}-${id.slice(0, 6)}`;
}

const OUR_LOT = /^(\d{2})(\d{2})(\d{2})-([0-9a-f]{6})$/i;

/** What a lot of ours names: the date and the beginning of the batch's id; null for one that is none. */
export function readOurLot(
	text: string
): { readonly date: string; readonly idBegins: string } | null {
	const found = OUR_LOT.exec(text.trim());
	if (!found) return null;
	const [, year, month, day, idBegins] = found;
	return { date: `20${year}-${month}-${day}`, idBegins: (idBegins ?? '').toLowerCase() };
}
