import { z } from 'zod';
import {
	BOOK_FORMAT,
	BOOK_VERSION,
	bookFileSchema,
	type BookFile
} from '../../contracts/book-file.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import { nameKey } from '../name-key.ts';
import type { BookFailure, BookProblem, BookRead } from '../../contracts/book-problems.ts';

/** Nothing of a book lies deeper than this in its file: a step's programme's changes. */
const MOST_DEEP = 16;

const head = z.looseObject({ format: z.literal(BOOK_FORMAT), version: z.int().min(1) });

/** Whether a value is deeper than anything a book has; such a file is no book, whatever it says. */
export function isTooDeep(value: unknown, left = MOST_DEEP): boolean {
	if (typeof value !== 'object' || value === null) return false;
	if (left === 0) return true;
	return Object.values(value).some((one) => isTooDeep(one, left - 1));
}

/**
 * Reads a book from parsed JSON.
 *
 * Model: checked by the published schema, nothing beyond it is kept; a name that stands twice counts once. Range: any value. Source: docs/formats. Failures: `another-format`;
 * `newer-version` for a file of a later Jovet; `too-deep`; `does-not-fit` with the place and the reason of the first thing that cannot be.
 * Example: what `writeBookJson` wrote is read as it was.
 */
export function readBookJson(value: unknown): Result<BookRead, BookFailure> {
	if (isTooDeep(value)) return fail({ kind: 'too-deep', most: MOST_DEEP });
	const of = head.safeParse(value);
	if (!of.success) return fail({ kind: 'another-format', found: formatOf(value) });
	if (of.data.version > BOOK_VERSION)
		return fail({ kind: 'newer-version', version: of.data.version });
	const read = bookFileSchema.safeParse(value);
	if (!read.success) {
		const [issue] = read.error.issues;
		return fail({
			kind: 'does-not-fit',
			where: whereOf(value, issue?.path ?? []),
			what: issue?.message ?? ''
		});
	}
	const problems: BookProblem[] = [];
	const once = <T extends { readonly name: string }>(all: readonly T[]): T[] => {
		const seen = new Set<string>();
		return all.filter(({ name }) => {
			const key = nameKey(name);
			if (!seen.has(key)) {
				seen.add(key);
				return true;
			}
			problems.push({ line: 0, problem: { kind: 'twice', name } });
			return false;
		});
	};
	const file: BookFile = {
		...read.data,
		ingredients: once(read.data.ingredients),
		preparations: once(read.data.preparations),
		formulas: once(read.data.formulas),
		products: once(read.data.products)
	};
	return ok({ file, problems, asked: [] });
}

/** Writes a book as JSON that a hand can read. Range: any book. Source: docs/formats. Failures: none. Example: indented by tabs, with a line's end at its end. */
export function writeBookJson(file: BookFile): string {
	return `${JSON.stringify(file, null, '\t')}\n`;
}

function formatOf(value: unknown): string {
	if (typeof value !== 'object' || value === null) return typeof value;
	const named = (value as { readonly format?: unknown }).format;
	return typeof named === 'string' ? named.slice(0, 60) : '';
}

/** Where something is, by the names that stand there: "formulas, Harbour dough, lines 3, percentOfFlour". */
function whereOf(value: unknown, path: readonly PropertyKey[]): string {
	const words: string[] = [];
	let at: unknown = value;
	for (const step of path) {
		at =
			typeof at === 'object' && at !== null
				? (at as Record<PropertyKey, unknown>)[step]
				: undefined;
		if (typeof step !== 'number') {
			words.push(String(step));
			continue;
		}
		const name = (at as { readonly name?: unknown } | undefined)?.name;
		if (typeof name === 'string') words.push(name.slice(0, 80));
		else words.push(`${words.pop() ?? ''} ${step + 1}`.trim());
	}
	return words.join(', ');
}
