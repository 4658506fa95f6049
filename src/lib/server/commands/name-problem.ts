import type { RefusalOf } from '../../contracts/refusals.ts';
import { readsAlike } from '../../contracts/text.ts';

/**
 * What is wrong with a name beside the others of its kind: it is taken, or a reader would take it for another,
 * which is asked about once. A name that stands as it stood before is not asked about.
 */
export function nameProblem(
	name: string,
	others: readonly string[],
	{ before, meant }: { readonly before: string | null; readonly meant: boolean }
): RefusalOf<'name-taken' | 'name-alike'> | null {
	if (others.includes(name)) return { kind: 'name-taken', name };
	if (meant || name === before) return null;
	const other = others.find((other) => readsAlike(other, name));
	return other === undefined ? null : { kind: 'name-alike', name, other };
}
