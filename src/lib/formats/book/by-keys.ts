import type { BookFile } from '../../contracts/book-file.ts';
import type { OurBook } from '../../contracts/bring-in-views.ts';
import { nameKey } from '../name-key.ts';
import type { Brought } from './brought.ts';

type ByKey<T> = ReadonlyMap<string, T>;

/** What a file has, by the key of its name. */
export interface FileByKeys {
	readonly ingredients: ByKey<BookFile['ingredients'][number]>;
	readonly preparations: ByKey<BookFile['preparations'][number]>;
	readonly formulas: ByKey<BookFile['formulas'][number]>;
	readonly products: ByKey<BookFile['products'][number]>;
}

/** Names are the same whatever their case. */
export function fileByKeys(file: BookFile): FileByKeys {
	const keyed = <T extends { readonly name: string }>(all: readonly T[]) =>
		new Map(all.map((one) => [nameKey(one.name), one]));
	return {
		ingredients: keyed(file.ingredients),
		preparations: keyed(file.preparations),
		formulas: keyed(file.formulas),
		products: keyed(file.products)
	};
}

/** The ids of our book, by the key of a name. */
export function idsByKey({ ids }: OurBook): Readonly<Record<Brought, ByKey<string>>> {
	const keyed = (all: OurBook['ids'][Brought]) =>
		new Map(all.map(({ id, name }) => [nameKey(name), id]));
	return {
		ingredients: keyed(ids.ingredients),
		preparations: keyed(ids.preparations),
		formulas: keyed(ids.formulas),
		products: keyed(ids.products)
	};
}
