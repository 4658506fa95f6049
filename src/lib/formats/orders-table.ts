import { fail, ok, type Result } from '../core/result.ts';
import { parsePieces, type ParseFailure } from '../core/units/index.ts';
import { csvLines } from './csv-lines.ts';
import { nameKey } from './name-key.ts';

/** Something that is called by its name in a file. */
export interface Named {
	readonly id: string;
	readonly name: string;
}

/** Pieces that a file asks for, of one product for one drop. */
export interface OrderOfFile {
	readonly line: number;
	readonly productId: string;
	readonly dropId: string;
	readonly pieces: number;
}

/** What of a file was not read, by its line, the first being 1. */
export interface OrderProblem {
	readonly line: number;
	readonly problem:
		| { readonly kind: 'no-such-product' | 'no-such-drop'; readonly name: string }
		| { readonly kind: 'no-number'; readonly where: string; readonly reason: ParseFailure }
		| { readonly kind: 'asked-twice'; readonly product: string; readonly drop: string };
}

export interface OrdersRead {
	readonly orders: readonly OrderOfFile[];
	readonly problems: readonly OrderProblem[];
}

export type OrdersFailure =
	| { readonly kind: 'too-large'; readonly most: number }
	| { readonly kind: 'not-a-table'; readonly line: number }
	/** Neither product and drops, nor product, drop and pieces. */
	| { readonly kind: 'no-columns'; readonly found: readonly string[] };

/** Orders of a date are a few kilobytes; more than this is another file. */
export const MOST_ORDERS_BYTES = 1_000_000;
const MOST_LINES = 5000;

/** The columns of a table with one line for each number. */
export const LONG_COLUMNS = { product: 'Product', drop: 'Drop', pieces: 'Pieces' } as const;

/**
 * Reads orders from a CSV file: a line for each product with a column for each drop, or a line for each number with
 * Product, Drop and Pieces.
 *
 * Model: commas, semicolons or tabs, whichever the first line has most of; names as they are written in the book, whatever
 * their case; an empty cell says nothing, 0 says none. Range: RFC 4180, UTF-8. Source: rfc-4180. Failures: `too-large`;
 * `not-a-table`; `no-columns`; what is wrong with single lines is told beside what was read.
 * Example: "Product;Ferry\nHarbour loaf;27" asks for 27 harbour loaves for the ferry.
 */
export function readOrdersTable(
	text: string,
	products: readonly Named[],
	drops: readonly Named[],
	/** More than this for one drop is a typing error. */
	mostPieces: number
): Result<OrdersRead, OrdersFailure> {
	if (text.length > MOST_ORDERS_BYTES) return fail({ kind: 'too-large', most: MOST_ORDERS_BYTES });
	const table = csvLines(text);
	if (!table.ok) return table;
	const [header, ...rows] = table.value;
	if (rows.length > MOST_LINES) return fail({ kind: 'too-large', most: MOST_LINES });
	const names = header?.cells.map(nameKey) ?? [];
	const at = {
		product: names.indexOf(nameKey(LONG_COLUMNS.product)),
		drop: names.indexOf(nameKey(LONG_COLUMNS.drop)),
		pieces: names.indexOf(nameKey(LONG_COLUMNS.pieces))
	};
	const found = { orders: [] as OrderOfFile[], problems: [] as OrderProblem[] };
	const reading = new Reading(products, drops, mostPieces, found);
	if (at.product >= 0 && at.drop >= 0 && at.pieces >= 0) {
		for (const { line, cells } of rows)
			reading.take(line, cells[at.product], cells[at.drop], cells[at.pieces]);
		return ok(found);
	}
	const columns = names.flatMap((name, column) =>
		column !== at.product && drops.some((drop) => nameKey(drop.name) === name) ? [column] : []
	);
	if (at.product < 0 || columns.length === 0)
		return fail({ kind: 'no-columns', found: header?.cells.filter(Boolean) ?? [] });
	for (const [column, name] of names.entries())
		if (column !== at.product && !columns.includes(column) && !NOT_DROPS.has(name) && name !== '')
			found.problems.push({
				line: header?.line ?? 1,
				problem: { kind: 'no-such-drop', name: header?.cells[column] ?? '' }
			});
	for (const { line, cells } of rows)
		for (const column of columns)
			reading.take(line, cells[at.product], header?.cells[column], cells[column]);
	return ok(found);
}

/** What the table of a date has beside its drops. */
const NOT_DROPS = new Set(['all', 'dough'].map(nameKey));

/** Takes numbers cell by cell, and tells each wrong line once. */
class Reading {
	readonly #products: ReadonlyMap<string, Named>;
	readonly #drops: ReadonlyMap<string, Named>;
	readonly #seen = new Set<string>();
	readonly #told = new Set<string>();

	constructor(
		products: readonly Named[],
		drops: readonly Named[],
		private readonly mostPieces: number,
		private readonly found: { orders: OrderOfFile[]; problems: OrderProblem[] }
	) {
		this.#products = new Map(products.map((one) => [nameKey(one.name), one]));
		this.#drops = new Map(drops.map((one) => [nameKey(one.name), one]));
	}

	take(line: number, productName = '', dropName = '', text = ''): void {
		if (text.trim() === '') return;
		const product = this.#products.get(nameKey(productName));
		const drop = this.#drops.get(nameKey(dropName));
		if (!product) return this.#tell(line, { kind: 'no-such-product', name: productName.trim() });
		if (!drop) return this.#tell(line, { kind: 'no-such-drop', name: dropName.trim() });
		const read = parsePieces(text, this.mostPieces);
		if (!read.ok)
			return this.#tell(line, { kind: 'no-number', where: drop.name, reason: read.error });
		const key = `${product.id} ${drop.id}`;
		if (this.#seen.has(key))
			return this.#tell(line, { kind: 'asked-twice', product: product.name, drop: drop.name });
		this.#seen.add(key);
		this.found.orders.push({
			line,
			productId: product.id,
			dropId: drop.id,
			pieces: read.value
		});
	}

	#tell(line: number, problem: OrderProblem['problem']): void {
		const once = JSON.stringify([line, problem]);
		if (this.#told.has(once)) return;
		this.#told.add(once);
		this.found.problems.push({ line, problem });
	}
}
