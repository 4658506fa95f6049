import {
	BOOK_FORMAT,
	BOOK_VERSION,
	bookFileSchema,
	type BookFile,
	type FileIngredient
} from '../../contracts/book-file.ts';
import type { BookProblem, BookRead } from '../../contracts/book-problems.ts';
import { INGREDIENT_KINDS } from '../../core/formula/index.ts';
import { usualOf } from '../../core/mixing/index.ts';
import type { CsvLine } from '../csv-lines.ts';
import { nameKey } from '../name-key.ts';
import { INGREDIENT_HEADS, type IngredientColumn } from './ingredients-columns.ts';
import { columnsAt } from './table-columns.ts';
import {
	celsiusOfCell,
	commasIn,
	numberOfCell,
	plainCell,
	toMillionth,
	type Commas
} from './table-numbers.ts';

const ingredientSchema = bookFileSchema.shape.ingredients.element;
/** The shares that come to a whole at the most. */
const PARTS = ['flour', 'water', 'fat', 'sugar'] as const;
const PERCENT = { least: 0, most: 100, whole: false, unit: '%' };

/** Whether the first line of a table says that it is one of ingredients: their kinds, and no amounts. */
export function isIngredientTable(heads: readonly string[]): boolean {
	const at = columnsAt(INGREDIENT_HEADS, heads);
	return at.name >= 0 && at.kind >= 0;
}

/**
 * Reads ingredients from the lines of a table.
 *
 * Model: a kind and a name; a cell that is empty is as is usual for the kind, as far as what is said leaves room. Range: RFC 4180. Source: rfc-4180. Failures:
 * none; a line that cannot be is told and left out, a number that cannot be is told and taken as usual.
 * Example: "Name;Kind;Water (%)\nBuckwheat honey;other;17" is an ingredient with 17 % of water.
 */
export function readIngredientLines(header: readonly string[], rows: readonly CsvLine[]): BookRead {
	const at = columnsAt(INGREDIENT_HEADS, header);
	const problems: BookProblem[] = [];
	const ingredients = new Map<string, FileIngredient>();
	const numeric = (Object.keys(INGREDIENT_HEADS) as IngredientColumn[]).filter(
		(column) => column !== 'name' && column !== 'kind' && column !== 'allergens'
	);
	const commas = commasIn(
		rows.flatMap(({ cells }) => numeric.map((column) => (cells[at[column]] ?? '').trim()))
	);
	for (const row of rows) {
		const tell = (problem: BookProblem['problem']) => problems.push({ line: row.line, problem });
		const one = ingredientOf(row, header, at, commas, tell);
		if (!one) continue;
		const key = nameKey(one.name);
		if (ingredients.has(key)) tell({ kind: 'twice', name: one.name });
		else ingredients.set(key, one);
	}
	const file: BookFile = {
		format: BOOK_FORMAT,
		version: BOOK_VERSION,
		ingredients: [...ingredients.values()],
		preparations: [],
		formulas: [],
		products: []
	};
	return { file, problems, asked: [] };
}

function ingredientOf(
	row: CsvLine,
	header: readonly string[],
	at: Readonly<Record<IngredientColumn, number>>,
	commas: Commas,
	tell: (problem: BookProblem['problem']) => void
): FileIngredient | null {
	const cell = (column: IngredientColumn) => plainCell(row.cells[at[column]] ?? '');
	const name = cell('name');
	if (name === '') {
		tell({ kind: 'no-name' });
		return null;
	}
	const kind = INGREDIENT_KINDS.find((one) => one === nameKey(cell('kind')));
	if (!kind) {
		tell({ kind: 'no-such-ingredient-kind', name, text: cell('kind') });
		return null;
	}
	const usual = usualOf(kind);
	const number = (column: IngredientColumn, most: number, otherwise: number, least = 0) => {
		if (cell(column) === '') return otherwise;
		const read = numberOfCell(cell(column), commas, { least, most, whole: false, unit: '' });
		if (read.ok) return read.value;
		tell({ kind: 'no-number', name, column: header[at[column]] ?? '', reason: read.error });
		return otherwise;
	};
	const share = (column: IngredientColumn, otherwise: number) => {
		if (cell(column) === '') return otherwise;
		const read = numberOfCell(cell(column), commas, PERCENT);
		if (read.ok) return toMillionth(read.value / 100);
		tell({ kind: 'no-number', name, column: header[at[column]] ?? '', reason: read.error });
		return otherwise;
	};
	const celsius = (column: IngredientColumn) => {
		const head = header[at[column]] ?? '';
		if (cell(column) === '') return null;
		const read = celsiusOfCell(cell(column), head, commas);
		if (read.ok) return toMillionth(read.value);
		tell({ kind: 'no-number', name, column: head, reason: read.error });
		return null;
	};
	const [fromCelsius, toCelsius, meltsAtCelsius] = [
		celsius('rollsFrom'),
		celsius('rollsTo'),
		celsius('melts')
	];
	// What is said leaves room for what is usual: a fat of 16 % water is 84 % fat.
	const said = PARTS.filter((part) => cell(part) !== '').map(
		(part) => [part, share(part, 0)] as const
	);
	let room = 1 - said.reduce((total, [, value]) => total + value, 0);
	const parts = { flour: 0, water: 0, fat: 0, sugar: 0, ...Object.fromEntries(said) };
	for (const part of PARTS) {
		if (said.some(([other]) => other === part)) continue;
		parts[part] = toMillionth(Math.max(0, Math.min(usual.composition[part], room)));
		room -= parts[part];
	}
	const one = {
		name,
		kind,
		composition: {
			...parts,
			wholegrainOfFlour: share('wholegrain', usual.composition.wholegrainOfFlour)
		},
		yeastFreshEquivalent: number('yeast', 10, usual.yeastFreshEquivalent),
		allergens: cell('allergens')
			.split(/[,;]/)
			.map((word) => word.trim())
			.filter((word) => word !== ''),
		heatCapacity: number('heat', 10, usual.heatCapacity, 0.01),
		density: cell('density') === '' ? null : number('density', 5, 1, 0.01),
		purityShare: share('purity', 1),
		rolling:
			fromCelsius === null || toCelsius === null || meltsAtCelsius === null
				? null
				: { fromCelsius, toCelsius, meltsAtCelsius }
	};
	const fits = ingredientSchema.safeParse(one);
	if (fits.success) return fits.data;
	tell({ kind: 'cannot-be', name, what: fits.error.issues[0]?.message ?? '' });
	return null;
}
