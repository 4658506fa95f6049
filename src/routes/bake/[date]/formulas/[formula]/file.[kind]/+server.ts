import { error } from '@sveltejs/kit';
import { z } from 'zod';
import { writeBookCsv } from '$lib/formats/book/write-csv.ts';
import { writeBookJson } from '$lib/formats/book/book-json.ts';
import { writeRecipeJsonLd } from '$lib/formats/book/write-recipe.ts';
import { loadFormulaBook } from '$lib/server/db/formula-book.ts';
import { database } from '$lib/server/db/connection.ts';
import { fileAnswer } from '$lib/server/file-answer.ts';
import { forPage } from '$lib/server/page.ts';
import { bookAsFile } from '$lib/server/services/book-as-file.ts';
import type { RequestHandler } from './$types';

/** A formula with what goes into it and what is made of it, as a file for another bakery. */
export const GET: RequestHandler = async ({ params, locals }) => {
	const book = z.uuid().safeParse(params.formula).success
		? await forPage(locals, () => loadFormulaBook(database()))
		: null;
	const file = book && bookAsFile(book, { formulaId: params.formula });
	const formula = file?.formulas[0];
	if (!file || !formula)
		error(404, {
			message: 'This formula is not in the book.',
			next: { href: `/bake/${params.date}/formulas`, label: 'Go to the formulas' }
		});
	const name = formula.name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase();
	switch (params.kind) {
		case 'json':
			return fileAnswer(writeBookJson(file), 'application/json', `${name}.json`);
		case 'csv':
			return fileAnswer(writeBookCsv(file), 'text/csv', `${name}.csv`);
		case 'jsonld':
			return fileAnswer(writeRecipeJsonLd(formula, file), 'application/ld+json', `${name}.jsonld`);
		default:
			error(404, {
				message: 'A formula is handed on as json, csv or jsonld.',
				next: {
					href: `/bake/${params.date}/formulas/${params.formula}`,
					label: 'Go to the formula'
				}
			});
	}
};
