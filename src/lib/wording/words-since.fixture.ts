/** A line of a run sheet in the words of today: the trade's words on it have changed since, its facts may not. */
export function inTheWordsOfToday<
	Line extends { readonly what: string; readonly detail: string | null }
>(line: Line): Line {
	return {
		...line,
		what: line.what
			.replace(/^Leave to ripen /, 'Ferment ')
			.replace(/to the cold$/, 'to a cold place'),
		detail: line.detail?.replace(/in the cold$/, 'in a cold place') ?? null
	};
}
