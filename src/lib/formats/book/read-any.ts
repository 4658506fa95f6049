import { fail, ok, type Result } from '../../core/result.ts';
import { readBookCsv } from './read-csv.ts';
import { readBookJson } from './book-json.ts';
import type { BookFailure, BookRead } from '../../contracts/book-problems.ts';
import { MOST_BOOK_BYTES, type Known } from './read-book.ts';
import { readRecipeJsonLd } from './read-recipe.ts';

/**
 * Reads formulas from a file of any of our kinds: a book or recipes as JSON, or a table.
 *
 * Model: what begins as JSON is JSON, everything else a table, whatever its name ends in. Range: any bytes; UTF-8, or UTF-16 with its mark. Source: docs/formats. Failures: as `BookFailure`;
 * nothing is run, followed or fetched.
 * Example: a picture is told to be no text.
 */
export function readAnyBook(
	bytes: Uint8Array,
	fileName: string,
	known: Known,
	onProgress?: (done: number, all: number) => void
): Result<BookRead, BookFailure> {
	if (bytes.length > MOST_BOOK_BYTES)
		return fail({ kind: 'too-large', mostBytes: MOST_BOOK_BYTES });
	const text = textOf(bytes);
	if (!text.ok) return text;
	if (!/^\s*[[{]/.test(text.value)) return readBookCsv(text.value, fileName, known, onProgress);
	let value: unknown;
	try {
		value = JSON.parse(text.value);
	} catch (error) {
		return fail({ kind: 'not-json', what: error instanceof Error ? error.message : '' });
	}
	const book = readBookJson(value);
	if (book.ok || book.error.kind !== 'another-format') return book;
	const recipes = readRecipeJsonLd(value, known);
	return recipes.ok || recipes.error.kind !== 'another-format' ? recipes : book;
}

/** No text of a recipe holds these: what has them is a picture, an archive or a program. */
// eslint-disable-next-line no-control-regex -- it is what is looked for
const BINARY = /[\u0000-\u0008\u000e-\u001f]/;

function textOf(bytes: Uint8Array): Result<string, BookFailure> {
	const wide = bytes[0] === 0xff && bytes[1] === 0xfe;
	const swapped = bytes[0] === 0xfe && bytes[1] === 0xff;
	const encoding = wide ? 'utf-16le' : swapped ? 'utf-16be' : 'utf-8';
	try {
		const text = new TextDecoder(encoding, { fatal: true }).decode(bytes);
		return BINARY.test(text) ? fail({ kind: 'not-text' }) : ok(text);
	} catch {
		return fail({ kind: 'not-text' });
	}
}
