/**
 * Of some things that were found not to go together, the fewest that still do not: giving up any one of them is enough.
 * Goes on by the steps of what it asks, between which it can be left.
 *
 * Model: QuickXplain; those that come first are kept in preference. Range: any number, asked about some multiple of
 * log(number) times. Source: Junker (2004). Failures: none; as sure as what is asked.
 * Example: of five jobs, two of which want one person at once, those two.
 */
export function* smallestClash<Held>(
	goTogether: (kept: readonly Held[]) => Generator<void, boolean>,
	held: readonly Held[]
): Generator<void, readonly Held[]> {
	return yield* among(goTogether, [], held, false);
}

/** Of what is left open, the fewest that clash with what is fixed; `grew` where something was just fixed. */
function* among<Held>(
	goTogether: (kept: readonly Held[]) => Generator<void, boolean>,
	fixed: readonly Held[],
	open: readonly Held[],
	grew: boolean
): Generator<void, readonly Held[]> {
	if (grew && !(yield* goTogether(fixed))) return [];
	if (open.length <= 1) return open;
	const half = Math.ceil(open.length / 2);
	const [first, second] = [open.slice(0, half), open.slice(half)];
	const late = yield* among(goTogether, [...fixed, ...first], second, true);
	const early = yield* among(goTogether, [...fixed, ...late], first, late.length > 0);
	return [...early, ...late];
}
