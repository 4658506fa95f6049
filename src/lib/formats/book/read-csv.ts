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
import { columnsAt } from './table-columns.ts';
import type { BookFailure, BookProblem, BookRead } from '../../contracts/book-problems.ts';
import {
	MOST_BOOK_LINES,
	MOST_FORMULAS,
	type Known,
	type ReadLine,
	type ReadRecipe
} from './read-book.ts';
import { isIngredientTable, readIngredientLines } from './ingredients-csv.ts';
import { isPreparationTable, readPreparationLines } from './preparations-csv.ts';
import { isProductTable, readProductLines } from './products-csv.ts';
import { recipesAsFile } from './recipes-as-file.ts';
import { celsiusOfCell, commasIn, plainCell, withCommas, type Commas } from './table-numbers.ts';

/** So many lines are read before it is told how far it is. */
const LINES_BETWEEN = 250;

/** Stages that are the dough itself. */
const FINAL = new Set(['', 'final', 'final dough', 'dough', 'main dough', 'final mix']);

/** Between what temperatures a dough is wanted, as the formula page has it. */
const [LEAST_TARGET, MOST_TARGET] = [0, 45];

interface Table {
	readonly at: Readonly<Record<Column, number>>;
	/** A column that is headed by a unit: "oz", "Weight (g)". */
	readonly inUnit: { readonly column: number; readonly unit: AmountUnit } | null;
	readonly rows: readonly CsvLine[];
	readonly commas: Commas;
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
	const lines = linesOf(text);
	if (!lines.ok) return lines;
	const [header, ...rows] = lines.value;
	const heads = header?.cells ?? [];
	if (isProductTable(heads)) return ok(readProductLines(heads, rows, known));
	if (isPreparationTable(heads)) return ok(readPreparationLines(heads, rows, known));
	const table = tableOf(heads, rows);
	if (!table.ok) return isIngredientTable(heads) ? ok(readIngredientLines(heads, rows)) : table;
	const recipes = new Map<string, Reading>();
	const problems: BookProblem[] = [];
	let lastFormula = '';
	for (const [index, row] of table.value.rows.entries()) {
		if (index % LINES_BETWEEN === 0) onProgress(index, table.value.rows.length);
		const cell = (column: Column) => plainCell(row.cells[table.value.at[column]] ?? '');
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
		const recipe: Reading = recipes.get(key) ?? {
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
		const target = cell('target');
		if (target !== '' && stage === null && recipe.targetCelsius === undefined)
			recipe.targetCelsius = targetOf(
				target,
				heads[table.value.at.target] ?? '',
				table.value,
				tell
			);
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

/** A recipe while its lines are read. */
type Reading = Omit<ReadRecipe, 'targetCelsius' | 'lines'> & {
	readonly lines: ReadLine[];
	targetCelsius?: number | undefined;
};

/** What a dough is to come out at; nothing where the cell cannot be, which is said. */
function targetOf(text: string, head: string, { commas }: Table, tell: Tell): number | undefined {
	const read = celsiusOfCell(text, head, commas);
	const reason = !read.ok
		? read.error
		: read.value < LEAST_TARGET
			? { kind: 'below' as const, least: LEAST_TARGET, unit: '°C' }
			: read.value > MOST_TARGET
				? { kind: 'above' as const, most: MOST_TARGET, unit: '°C' }
				: null;
	if (read.ok && reason === null) return Math.round(read.value * 100) / 100;
	if (reason) tell({ kind: 'no-number', name: text, column: head, reason });
	return undefined;
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
	const number = (column: number) => withCommas(text(column), commas);
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

function linesOf(text: string): Result<readonly CsvLine[], BookFailure> {
	const read = csvLines(text, MOST_BOOK_LINES + 2);
	return read.ok && read.value.length > MOST_BOOK_LINES + 1
		? fail({ kind: 'too-many', what: 'lines', most: MOST_BOOK_LINES })
		: read;
}

function tableOf(header: readonly string[], rows: readonly CsvLine[]): Result<Table, BookFailure> {
	const heads = header.map(nameKey);
	const at = columnsAt(COLUMNS, header);
	const inUnit = heads.flatMap((head, column) => {
		const unit = unitNamed(head) ?? unitNamed(/\(([^()]*)\)$/.exec(head)?.[1] ?? '');
		return unit && column !== at.unit ? [{ column, unit }] : [];
	})[0];
	if (at.ingredient < 0 || (at.percent < 0 && at.amount < 0 && !inUnit))
		return fail({ kind: 'no-columns', found: header.filter(Boolean) });
	const numbers = [at.percent, inUnit?.column ?? at.amount].filter((column) => column >= 0);
	const commas = commasIn(
		rows.flatMap(({ cells }) => numbers.map((column) => (cells[column] ?? '').trim()))
	);
	return ok({ at, inUnit: inUnit ?? null, rows, commas });
}

function nameOfFile(fileName: string): string {
	return fileName.replace(/\.[^.]*$/, '').trim() || fileName;
}
