import {
	BOOK_FORMAT,
	BOOK_VERSION,
	bookFileSchema,
	type BookFile,
	type FilePreparation
} from '../../contracts/book-file.ts';
import type { BookProblem, BookRead } from '../../contracts/book-problems.ts';
import {
	firstStepsOf,
	hasOwnFlour,
	PREPARATION_KINDS,
	USUAL_BUILD_LOSS_SHARE,
	type PreparationKind
} from '../../core/formula/index.ts';
import type { CsvLine } from '../csv-lines.ts';
import { nameKey } from '../name-key.ts';
import { PREPARATION_HEADS, type PreparationColumn } from './preparations-columns.ts';
import type { Known } from './read-book.ts';
import { columnsAt } from './table-columns.ts';
import {
	commasIn,
	gramsOfCell,
	numberOfCell,
	plainCell,
	toMillionth,
	type Commas
} from './table-numbers.ts';

const preparationSchema = bookFileSchema.shape.preparations.element;

/** Whether the first line of a table says that it is one of preparations. */
export function isPreparationTable(heads: readonly string[]): boolean {
	const at = columnsAt(PREPARATION_HEADS, heads);
	return at.preparation >= 0 && at.of >= 0 && at.parts >= 0;
}

/** A preparation as its lines are read, before it is looked at as a whole. */
interface Begun {
	readonly name: string;
	readonly line: number;
	/** What the file says it is; null where it does not, or says what is no kind. */
	readonly kind: PreparationKind | null;
	readonly lines: FilePreparation['lines'];
	readonly lostPercent: number | null;
	readonly keptBackGrams: number | null;
	readonly dipSeconds: number | null;
	readonly renewAfterMinutes: number | null;
}

/**
 * Reads preparations from the lines of a table.
 *
 * Model: parts, or weights in grams or a unit of their own; what has no kind is told by what is in it. What is not said is as
 * for a new one. Range: RFC 4180. Source: rfc-4180. Failures: none; a line that cannot be is told and left out.
 * Example: "Preparation;Kind;Of;Parts\nEgg wash;wash;Whole egg;80\n;;Milk;20" is a wash of two.
 */
export function readPreparationLines(
	header: readonly string[],
	rows: readonly CsvLine[],
	known: Known
): BookRead {
	const at = columnsAt(PREPARATION_HEADS, header);
	const problems: BookProblem[] = [];
	const begun = new Map<string, Begun>();
	const commas = commasIn(
		rows.flatMap(({ cells }) =>
			(['parts', 'lost', 'keptBack', 'dip', 'renew'] as const).map(
				(column) => cells[at[column]] ?? ''
			)
		)
	);
	let last = '';
	for (const row of rows) {
		const cell = (column: PreparationColumn) => plainCell(row.cells[at[column]] ?? '');
		const tell = (problem: BookProblem['problem']) => problems.push({ line: row.line, problem });
		last = cell('preparation') || last;
		if (last === '' || cell('of') === '') {
			tell({ kind: 'no-name' });
			continue;
		}
		const key = nameKey(last);
		const one = begun.get(key) ?? begin(last, row, header, at, commas, tell);
		begun.set(key, one);
		const parts = gramsOfCell(cell('parts'), header[at.parts] ?? '', commas);
		if (parts === null)
			tell({
				kind: 'no-amount',
				name: cell('of'),
				reason: { kind: 'not-a-number', text: cell('parts') }
			});
		else one.lines.push({ of: cell('of'), is: 'ingredient', parts });
	}
	const named = new Map([...begun].map(([key, { name }]) => [key, name]));
	const preparations = [...begun.values()].flatMap((one) => finished(one, named, known, problems));
	const file: BookFile = {
		format: BOOK_FORMAT,
		version: BOOK_VERSION,
		ingredients: [],
		preparations,
		formulas: [],
		products: []
	};
	return { file, problems, asked: [] };
}

function begin(
	name: string,
	row: CsvLine,
	header: readonly string[],
	at: Readonly<Record<PreparationColumn, number>>,
	commas: Commas,
	tell: (problem: BookProblem['problem']) => void
): Begun {
	const number = (column: PreparationColumn, least: number, most: number): number | null => {
		const text = plainCell(row.cells[at[column]] ?? '');
		if (text === '') return null;
		const whole = column === 'renew';
		const read = numberOfCell(text, commas, { least, most, whole, unit: '' });
		if (read.ok) return read.value;
		tell({ kind: 'no-number', name, column: header[at[column]] ?? '', reason: read.error });
		return null;
	};
	const text = plainCell(row.cells[at.kind] ?? '');
	const kind = PREPARATION_KINDS.find((one) => one === nameKey(text)) ?? null;
	if (text !== '' && kind === null) tell({ kind: 'no-such-kind', text });
	return {
		name,
		line: row.line,
		kind,
		lines: [],
		lostPercent: number('lost', 0, 90),
		keptBackGrams: number('keptBack', 0, 1e6),
		dipSeconds: number('dip', 1, 600),
		renewAfterMinutes: number('renew', 1, 1440)
	};
}

function finished(
	begun: Begun,
	named: ReadonlyMap<string, string>,
	known: Known,
	problems: BookProblem[]
): readonly FilePreparation[] {
	const lines = begun.lines.map((line) => {
		const key = nameKey(line.of);
		const own = named.get(key);
		if (own !== undefined) return { ...line, of: own, is: 'preparation' as const };
		const found = known.get(key);
		return found ? { ...line, of: found.name, is: found.is } : line;
	});
	const lifts = lines.some(({ of }) => {
		const kind = known.get(nameKey(of))?.kind;
		return kind === 'yeast' || kind === 'culture' || kind === 'build';
	});
	const kind = begun.kind ?? (lifts ? 'build' : 'soaker');
	const usualLoss = hasOwnFlour(kind) ? USUAL_BUILD_LOSS_SHARE : 0;
	const fits = preparationSchema.safeParse({
		name: begun.name,
		kind,
		buildLossShare: begun.lostPercent === null ? usualLoss : toMillionth(begun.lostPercent / 100),
		takeBackGrams: begun.keptBackGrams ?? 0,
		bath:
			kind === 'bath'
				? { dipSeconds: begun.dipSeconds, renewAfterMinutes: begun.renewAfterMinutes }
				: null,
		lines,
		steps: [...firstStepsOf(kind)]
	});
	if (fits.success) return [fits.data];
	problems.push({
		line: begun.line,
		problem:
			lines.length === 0
				? { kind: 'nothing-in-it', formula: begun.name }
				: { kind: 'cannot-be', name: begun.name, what: fits.error.issues[0]?.message ?? '' }
	});
	return [];
}
