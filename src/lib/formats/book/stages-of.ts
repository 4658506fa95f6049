import type { BookFile } from '../../contracts/book-file.ts';
import { nameKey } from '../name-key.ts';

/** The stages that some names stand for, each after what it takes. */
export function stagesOf(
	names: readonly string[],
	byName: ReadonlyMap<string, BookFile['preparations'][number]>,
	found: Map<string, BookFile['preparations'][number]> = new Map()
): readonly BookFile['preparations'][number][] {
	for (const name of names) {
		const stage = byName.get(nameKey(name));
		if (!stage || found.has(nameKey(name))) continue;
		found.set(nameKey(name), stage);
		stagesOf(
			stage.lines.flatMap(({ is, of }) => (is === 'preparation' ? [of] : [])),
			byName,
			found
		);
	}
	return [...found.values()];
}
