import {
	isAddition,
	PREPARATION_KINDS,
	type Addition,
	type PreparationKind
} from '../../core/formula/index.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import {
	massOfVolume,
	parseAmount,
	parseNumber,
	unitNamed,
	type AmountUnit
} from '../../core/units/index.ts';
import { csvLines, type CsvLine } from '../csv-lines.ts';
import { nameKey } from '../name-key.ts';
import { COLUMNS, type Column } from './csv-columns.ts';
import type { BookFailure, BookProblem, BookRead } from '../../contracts/book-problems.ts';
import {
	MOST_BOOK_LINES,
	MOST_FORMULAS,
	type Known,
	type ReadLine,
	type ReadRecipe
} from './read-book.ts';
import { recipesAsFile } from './recipes-as-file.ts';

/** So many lines are read before it is told how far it is. */
const LINES_BETWEEN = 250;

/** Stages that are the dough itself. */
const FINAL = new Set(['', 'final', 'final dough', 'dough', 'main dough', 'final mix']);

interface Table {
	readonly at: Readonly<Record<Column, number>>;
	/** A column that is headed by a unit: "oz", "Weight (g)". */
	readonly inUnit: { readonly column: number; readonly unit: AmountUnit } | null;
	readonly rows: readonly CsvLine[];
	/** What commas in its numbers are, by the numbers that leave no doubt. */
	readonly commas: 'decimals' | 'thousands' | 'in-doubt';
}

/**
 * Reads formulas from a CSV file: a line for each ingredient of each stage.
 *
 * Model: commas, semicolons or tabs, whichever the first line has most of; columns by their names, in any order; amounts in percent, or in a weight or a volume that
 * stands in the cell, in a column of units, or at the head of the column. Without a column for the formula all lines are of one. Range: RFC 4180, UTF-8. Source: rfc-4180.
 * Failures: `not-a-table`, `no-columns`, `too-many`; what is wrong with single lines is told beside what was read.
 * Example: "Ingredient;oz\nBread flour;35.3\nWater;24.7" is a formula with 70 % of water.
 */
export function readBookCsv(
	text: string,
	fileName: string,
	known: Known,
	/** Told now and then how many lines are read, of how many. */
	onProgress: (done: number, all: number) => void = () => undefined
): Result<BookRead, BookFailure> {
	const table = tableOf(text);
	if (!table.ok) return table;
	const recipes = new Map<string, ReadRecipe & { readonly lines: ReadLine[] }>();
	const problems: BookProblem[] = [];
	let lastFormula = '';
	for (const [index, row] of table.value.rows.entries()) {
		if (index % LINES_BETWEEN === 0) onProgress(index, table.value.rows.length);
		const cell = (column: Column) => plain(row.cells[table.value.at[column]] ?? '');
		if (row.cells.every((one) => one.trim() === '')) continue;
		// A name that stands once is of the lines below it too.
		lastFormula = cell('formula') || lastFormula;
		const formula = table.value.at.formula >= 0 ? lastFormula : nameOfFile(fileName);
		const tell = (problem: BookProblem['problem']) => problems.push({ line: row.line, problem });
		const name = cell('ingredient');
		if (name === '') {
			tell({ kind: 'no-name' });
			continue;
		}
		if (formula === '') {
			tell({ kind: 'no-formula' });
			continue;
		}
		const much = muchOf(row, table.value, known, name, tell);
		if (!much) continue;
		const stage = FINAL.has(nameKey(cell('stage'))) ? null : cell('stage');
		const key = nameKey(formula);
		const recipe = recipes.get(key) ?? {
			name: formula,
			line: row.line,
			lines: [],
			stageKinds: new Map<string, PreparationKind>()
		};
		if (!recipes.has(key)) {
			if (recipes.size >= MOST_FORMULAS)
				return fail({ kind: 'too-many', what: 'formulas', most: MOST_FORMULAS });
			recipes.set(key, recipe);
		}
		const kind = cell('stageKind');
		if (stage !== null && kind !== '') {
			const found = PREPARATION_KINDS.find((one) => one === nameKey(kind));
			if (found) (recipe.stageKinds as Map<string, PreparationKind>).set(nameKey(stage), found);
			else tell({ kind: 'no-such-kind', text: kind });
		}
		recipe.lines.push({
			line: row.line,
			stage,
			name,
			much,
			addition: additionOf(cell('when'), tell)
		});
	}
	return ok(recipesAsFile([...recipes.values()], known, problems));
}

type Tell = (problem: BookProblem['problem']) => void;

function additionOf(text: string, tell: Tell): Addition {
	const when = nameKey(text).replace(/\s+/g, '-');
	if (when === '') return 'start';
	if (isAddition(when)) return when;
	tell({ kind: 'no-such-time', text });
	return 'start';
}

/** How much of a line's ingredient goes in; nothing where it cannot be told, which is said. */
function muchOf(
	row: CsvLine,
	{ at, inUnit, commas }: Table,
	known: Known,
	name: string,
	tell: Tell
): ReadLine['much'] | null {
	const text = (column: number) => (row.cells[column] ?? '').trim();
	const number = (column: number) => {
		if (commas === 'in-doubt') return text(column);
		return text(column).replace(/(\d),(?=\d)/g, commas === 'decimals' ? '$1.' : '$1');
	};
	const percentText = number(at.percent).replace(/%$/, '');
	const amountText = number(inUnit?.column ?? at.amount);
	if (percentText !== '' || amountText === '') {
		const percent = parseNumber(percentText);
		if (percent.ok && percent.value > 0) return { of: 'percent', percent: percent.value };
		tell({
			kind: 'no-amount',
			name,
			reason: percent.ok ? { kind: 'below', least: 0, unit: '%' } : percent.error
		});
		return null;
	}
	const read = parseAmount(amountText);
	if (!read.ok) {
		tell({ kind: 'no-amount', name, reason: read.error });
		return null;
	}
	const unit = inUnit?.unit ?? unitNamed(text(at.unit));
	const amount = read.value;
	if (amount.kind === 'mass') return positive(amount.grams, name, tell);
	if (amount.kind === 'number' && unit?.of === 'mass')
		return positive(amount.value * unit.grams, name, tell);
	// A bare number in a column of amounts is in grams, unless its unit says otherwise.
	if (amount.kind === 'number' && unit === null && text(at.unit) === '')
		return positive(amount.value, name, tell);
	if (amount.kind === 'number' && unit === null) {
		tell({ kind: 'counted', name, text: `${amountText} ${text(at.unit)}` });
		return null;
	}
	const litres =
		amount.kind === 'volume'
			? amount.litres
			: unit?.of === 'volume'
				? amount.value * unit.litres
				: 0;
	const density = known.get(nameKey(name))?.density ?? null;
	if (!density) {
		tell({ kind: 'no-density', name, text: `${amountText} ${text(at.unit)}`.trim() });
		return null;
	}
	return positive(massOfVolume(litres, density).grams, name, tell);
}

function positive(grams: number, name: string, tell: Tell): ReadLine['much'] | null {
	if (grams > 0) return { of: 'grams', grams };
	tell({ kind: 'no-amount', name, reason: { kind: 'below', least: 0, unit: 'g' } });
	return null;
}

function tableOf(text: string): Result<Table, BookFailure> {
	const read = csvLines(text, MOST_BOOK_LINES + 2);
	if (!read.ok) return read;
	const lines = read.value;
	if (lines.length > MOST_BOOK_LINES + 1)
		return fail({ kind: 'too-many', what: 'lines', most: MOST_BOOK_LINES });
	const [header, ...rows] = lines;
	const heads = header?.cells.map(nameKey) ?? [];
	const find = (column: Column) =>
		heads.findIndex((head) => COLUMNS[column].some((name) => nameKey(name) === head));
	const at = Object.fromEntries(
		(Object.keys(COLUMNS) as Column[]).map((column) => [column, find(column)])
	) as Record<Column, number>;
	const inUnit = heads.flatMap((head, column) => {
		const unit = unitNamed(head) ?? unitNamed(/\(([^()]*)\)$/.exec(head)?.[1] ?? '');
		return unit && column !== at.unit ? [{ column, unit }] : [];
	})[0];
	if (at.ingredient < 0 || (at.percent < 0 && at.amount < 0 && !inUnit))
		return fail({ kind: 'no-columns', found: header?.cells.filter(Boolean) ?? [] });
	const numbers = [at.percent, inUnit?.column ?? at.amount].filter((column) => column >= 0);
	const commas = commasIn(
		rows.flatMap(({ cells }) => numbers.map((column) => (cells[column] ?? '').trim()))
	);
	return ok({ at, inUnit: inUnit ?? null, rows, commas });
}

/** "0,74" and "24,6918" can only be decimals; beside "35.2" a comma can only stand between thousands. Both in one table leave it in doubt. */
function commasIn(numbers: readonly string[]): Table['commas'] {
	const decimals = numbers.some((text) => /^(?:0|\d+),(?:\d{1,2}|\d{4,})(?!\d)|^0,\d/.test(text));
	const points = numbers.some((text) => /\d\.\d/.test(text));
	if (decimals === points) return 'in-doubt';
	return decimals ? 'decimals' : 'thousands';
}

/** A cell as it is meant: the mark that keeps a sheet from calculating is no part of it. */
function plain(cell: string): string {
	return cell.trim().replace(/^'(?=[=+\-@\t\r])/, '');
}

function nameOfFile(fileName: string): string {
	return fileName.replace(/\.[^.]*$/, '').trim() || fileName;
}
