import type { OurBook, OurMaterial } from '../../contracts/bring-in-views.ts';
import type { IngredientKind } from '../../core/formula/index.ts';
import { usualOf } from '../../core/mixing/index.ts';
import { nameKey } from '../name-key.ts';
import type { Known, KnownMaterial } from './read-book.ts';

/**
 * What a bakery knows, by the keys of its names and of the names that are matched.
 * Range: any book; matches by key to something of ours. Source: definition. Failures: none; a preparation that takes from itself counts as no flour.
 * Example: a levain of 10 culture, 50 flour and 50 water is half flour.
 */
export function knownOf(
	ours: OurBook,
	matches: ReadonlyMap<string, OurMaterial>,
	/** Names that are to be new, and of which kind. */
	kinds: readonly { readonly name: string; readonly kind: IngredientKind }[] = []
): Known {
	const known = new Map<string, KnownMaterial>();
	for (const { name, kind, composition, density } of ours.file.ingredients)
		known.set(nameKey(name), {
			is: 'ingredient',
			name,
			kind,
			flourShare: composition.flour,
			density: density === null ? null : { kilogramsPerLitre: density }
		});
	const preparations = new Map(ours.file.preparations.map((one) => [nameKey(one.name), one]));
	const flourOf = (key: string, within: ReadonlySet<string>): number => {
		const one = preparations.get(key);
		if (!one) return known.get(key)?.flourShare ?? 0;
		if (within.has(key)) return 0;
		const inside = new Set([...within, key]);
		const parts = one.lines.reduce((total, line) => total + line.parts, 0);
		return one.lines.reduce((sum, line) => {
			const share =
				line.is === 'preparation'
					? flourOf(nameKey(line.of), inside)
					: (known.get(nameKey(line.of))?.flourShare ?? 0);
			return sum + (line.parts / parts) * share;
		}, 0);
	};
	const all = [...preparations].map(([key, { name, kind }]): readonly [string, KnownMaterial] => [
		key,
		{ is: 'preparation', name, kind, flourShare: flourOf(key, new Set()), density: null }
	]);
	// An ingredient goes before a preparation of the same name.
	for (const [key, one] of all) if (!known.has(key)) known.set(key, one);
	for (const { name, kind } of kinds)
		known.set(nameKey(name), {
			is: 'ingredient',
			name,
			kind,
			flourShare: usualOf(kind).composition.flour,
			density: kind === 'water' ? { kilogramsPerLitre: 1 } : null
		});
	const namesOf = (ids: OurBook['ids']['ingredients']) =>
		new Map(ids.map(({ id, name }) => [id, nameKey(name)]));
	const ingredients = namesOf(ours.ids.ingredients);
	const prepared = namesOf(ours.ids.preparations);
	const stages = new Map(all);
	for (const [key, { is, id }] of matches) {
		const one =
			is === 'ingredient'
				? known.get(ingredients.get(id) ?? '')
				: stages.get(prepared.get(id) ?? '');
		if (one && !known.has(key)) known.set(key, one);
	}
	return known;
}
