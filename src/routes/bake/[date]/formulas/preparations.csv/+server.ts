import { writePreparationsCsv } from '$lib/formats/book/write-preparations-csv.ts';
import { loadFormulaBook } from '$lib/server/db/formula-book.ts';
import { database } from '$lib/server/db/connection.ts';
import { fileAnswer } from '$lib/server/file-answer.ts';
import { forPage } from '$lib/server/page.ts';
import { bookAsFile } from '$lib/server/services/book-as-file.ts';
import type { RequestHandler } from './$types';

/** The preparations of the book as a table. */
export const GET: RequestHandler = async ({ locals }) => {
	const book = await forPage(locals, () => loadFormulaBook(database()));
	return fileAnswer(writePreparationsCsv(bookAsFile(book)), 'text/csv', 'preparations.csv');
};
