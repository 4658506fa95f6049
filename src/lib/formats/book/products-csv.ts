import {
	BOOK_FORMAT,
	BOOK_VERSION,
	bookFileSchema,
	type BookFile,
	type FileProduct
} from '../../contracts/book-file.ts';
import type { BookProblem, BookRead } from '../../contracts/book-problems.ts';
import { USUAL_SPACING_CM } from '../../core/bakery/index.ts';
import { FIRST_PRODUCT_STEPS, USUAL_BAKE_LOSS_SHARE } from '../../core/formula/index.ts';
import { EXTRA_USES } from '../../core/production/index.ts';
import type { CsvLine } from '../csv-lines.ts';
import { nameKey } from '../name-key.ts';
import type { Known } from './read-book.ts';
import { PRODUCT_HEADS, type ProductColumn } from './products-columns.ts';
import { columnsAt } from './table-columns.ts';
import {
	commasIn,
	gramsOfCell,
	numberOfCell,
	plainCell,
	toMillionth,
	type Commas
} from './table-numbers.ts';

const productSchema = bookFileSchema.shape.products.element;

/** Whether the first line of a table says that it is one of products. */
export function isProductTable(heads: readonly string[]): boolean {
	const at = columnsAt(PRODUCT_HEADS, heads);
	return at.product >= 0 && at.of >= 0 && at.grams >= 0;
}

/** A product as its lines are read, before it is looked at as a whole. */
interface Begun {
	readonly name: string;
	readonly line: number;
	readonly doughs: FileProduct['doughs'];
	readonly extras: FileProduct['extras'];
	readonly bakeLossShare: number;
	readonly sparesShare: number;
	readonly bakedGrams: number | null;
	readonly shape: string;
}

/**
 * Reads products from the lines of a table.
 *
 * Model: a line without a part is one of a dough; weights in grams, or in a unit of their own. What is not said is as for a
 * new product. Range: RFC 4180. Source: rfc-4180. Failures: none; a line that cannot be is told and left out.
 * Example: "Product;Of;Weight (g)\nQuay round;Quay dough;900" is a product of one dough.
 */
export function readProductLines(
	header: readonly string[],
	rows: readonly CsvLine[],
	known: Known
): BookRead {
	const at = columnsAt(PRODUCT_HEADS, header);
	const problems: BookProblem[] = [];
	const products = new Map<string, Begun>();
	const commas = commasIn(
		rows.flatMap(({ cells }) =>
			(['grams', 'lost', 'spares', 'label'] as const).map((column) => cells[at[column]] ?? '')
		)
	);
	let last = '';
	for (const row of rows) {
		const cell = (column: ProductColumn) => plainCell(row.cells[at[column]] ?? '');
		last = cell('product') || last;
		const tell = (problem: BookProblem['problem']) => problems.push({ line: row.line, problem });
		if (last === '' || cell('of') === '') {
			tell({ kind: 'no-name' });
			continue;
		}
		const key = nameKey(last);
		const begun = products.get(key) ?? begin(last, row, header, at, commas, tell);
		products.set(key, begun);
		const grams = gramsOfCell(cell('grams'), header[at.grams] ?? '', commas);
		if (grams === null) {
			tell({
				kind: 'no-amount',
				name: cell('of'),
				reason: { kind: 'not-a-number', text: cell('grams') }
			});
			continue;
		}
		const part = nameKey(cell('part'));
		const use = EXTRA_USES.find((one) => one === part);
		if (part === '' || part === 'dough')
			begun.doughs.push({ formula: cell('of'), scaledGrams: grams });
		else if (use) {
			const pieces = numberOfCell(cell('forPieces') || '1', commas, {
				least: 1,
				most: 9999,
				whole: true,
				unit: 'pieces'
			});
			const found = known.get(nameKey(cell('of')));
			begun.extras.push({
				use,
				of: found?.name ?? cell('of'),
				is: found?.is ?? 'ingredient',
				grams,
				forPieces: pieces.ok ? pieces.value : 1
			});
			if (!pieces.ok)
				tell({
					kind: 'no-number',
					name: cell('of'),
					column: header[at.forPieces] ?? '',
					reason: pieces.error
				});
		} else tell({ kind: 'no-such-part', name: cell('of'), text: cell('part') });
	}
	const whole = [...products.values()].flatMap((begun) => finished(begun, problems));
	const file: BookFile = {
		format: BOOK_FORMAT,
		version: BOOK_VERSION,
		ingredients: [],
		preparations: [],
		formulas: [],
		products: whole
	};
	return { file, problems, asked: [] };
}

function begin(
	name: string,
	row: CsvLine,
	header: readonly string[],
	at: Readonly<Record<ProductColumn, number>>,
	commas: Commas,
	tell: (problem: BookProblem['problem']) => void
): Begun {
	const number = (column: ProductColumn, most: number): number | null => {
		const text = (row.cells[at[column]] ?? '').trim();
		if (text === '') return null;
		const read = numberOfCell(text, commas, { least: 0, most, whole: false, unit: '' });
		if (read.ok) return read.value;
		tell({ kind: 'no-number', name, column: header[at[column]] ?? '', reason: read.error });
		return null;
	};
	const lost = number('lost', 59);
	return {
		name,
		line: row.line,
		doughs: [],
		extras: [],
		bakeLossShare: lost === null ? USUAL_BAKE_LOSS_SHARE : toMillionth(lost / 100),
		sparesShare: toMillionth((number('spares', 50) ?? 0) / 100),
		bakedGrams: number('label', 100_000) || null,
		shape: plainCell(row.cells[at.shape] ?? '')
	};
}

function finished({ line, ...begun }: Begun, problems: BookProblem[]): readonly FileProduct[] {
	const fits = productSchema.safeParse({
		...begun,
		score: '',
		scoreMm: null,
		footprint: null,
		heightCm: null,
		piecesPerDeck: null,
		sheet: null,
		spacingCm: USUAL_SPACING_CM,
		steps: [...FIRST_PRODUCT_STEPS]
	});
	if (fits.success) return [fits.data];
	problems.push({
		line,
		problem:
			begun.doughs.length === 0
				? { kind: 'no-dough', name: begun.name }
				: { kind: 'cannot-be', name: begun.name, what: fits.error.issues[0]?.message ?? '' }
	});
	return [];
}
