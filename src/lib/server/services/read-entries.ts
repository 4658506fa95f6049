import type { EntriesView } from '../../contracts/bakery-views.ts';
import { ENTRY_KINDS, standingOn, type EntryKind } from '../../core/bakery/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadEntries, loadEntryHistory, type Entries } from '../db/entries.ts';
import { dropsOf } from '../db/of-entries.ts';
import { loadProducts } from '../db/products.ts';

/** How many of each kind are in use. */
export function countEntries(entries: Entries): Readonly<Record<EntryKind, number>> {
	return Object.fromEntries(ENTRY_KINDS.map((kind) => [kind, entries.of(kind).length])) as Record<
		EntryKind,
		number
	>;
}

/** The entries of one kind as they stand on a date, in use before retired, each group by name. */
export async function readEntries<K extends EntryKind>(
	db: Db,
	date: BakeDate,
	kind: K
): Promise<EntriesView<K>> {
	const [all, history, products] = await Promise.all([
		loadEntries(db, date),
		loadEntryHistory(db, kind),
		kind === 'oven' ? loadProducts(db) : []
	]);
	const collator = new Intl.Collator('en', { numeric: true });
	return {
		date,
		kind,
		entries: [...standingOn(history, date)].sort(
			(a, b) =>
				Number(a.entry.retired) - Number(b.entry.retired) ||
				collator.compare(a.entry.name, b.entry.name)
		),
		history,
		drops: dropsOf(all).map(({ id, name }) => ({ id, name })),
		ovens: all.of('oven').map(({ id, name }) => ({ id, name })),
		pieces: products
			.filter(({ retired }) => !retired)
			.map(({ product, footprint, spacingCm, piecesPerDeck }) => ({
				id: product.id,
				name: product.name,
				footprint,
				spacingCm,
				piecesPerDeck
			})),
		counts: countEntries(all)
	};
}
