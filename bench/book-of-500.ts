import { parse } from 'csv-parse/browser/esm/sync';
import { KNOWN } from '../src/lib/formats/book/book.fixture.ts';
import { readAnyBook } from '../src/lib/formats/book/read-any.ts';
import { mediansInTurns, type Figure } from './measure.ts';

const FORMULAS = 500;
const COMMITTED_RATIO = 3.2;

/** A table of five hundred formulas, each with a levain of its own, in ounces. */
function tableOfFormulas(): string {
	const rows = Array.from({ length: FORMULAS }, (_, at) => {
		const name = `Dough ${at}`;
		return [
			`${name},Levain ${at},Ripe culture,1.2,`,
			`${name},Levain ${at},Bread flour,${6 + (at % 5)},`,
			`${name},Levain ${at},Water,6,`,
			`${name},,Bread flour,${30 + (at % 7)},autolyse`,
			`${name},,Whole rye flour,3,autolyse`,
			`${name},,Water,22.5,autolyse`,
			`${name},,Salt,0.8,late`
		].join('\n');
	});
	return ['Formula,Stage,Ingredient,oz,When', ...rows].join('\n');
}

/** Reading a table of 500 formulas to what can be brought in, against the CSV library alone. */
export async function readingABook(): Promise<Figure> {
	const text = tableOfFormulas();
	const bytes = new TextEncoder().encode(text);
	const read = readAnyBook(bytes, 'formulas.csv', KNOWN);
	if (!read.ok || read.value.file.formulas.length !== FORMULAS || read.value.problems.length > 0)
		throw new Error('all of it is read');
	const [ms, baselineMs] = await mediansInTurns(
		() => readAnyBook(bytes, 'formulas.csv', KNOWN),
		() => parse(text, { bom: true, info: true, trim: true }),
		15
	);
	return {
		what: 'reading 500 formulas from a table',
		ms,
		baseline: 'the CSV library alone',
		baselineMs,
		committedRatio: COMMITTED_RATIO
	};
}
