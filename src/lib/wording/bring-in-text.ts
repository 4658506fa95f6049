import type { BookFailure, BookProblem } from '../contracts/book-problems.ts';
import { formatNumber } from '../core/units/index.ts';
import { parseFailureText } from './failure-text.ts';

/** Why a file was not read, and what to do. */
export function bookFailureText(name: string, failure: BookFailure): string {
	switch (failure.kind) {
		case 'too-large':
			return `${name} is larger than a book of formulas is (${failure.mostBytes / 1e6} MB at the most). Bring it in in parts.`;
		case 'not-text':
			return `${name} is no text that can be read. Save it as CSV or JSON in UTF-8.`;
		case 'too-many':
			return `${name} has more than ${formatNumber(failure.most, 0)} ${failure.what}. Bring it in in parts.`;
		case 'not-a-table':
			return `${name} is no table that can be read: line ${failure.line} has a quote that does not end. Save it as CSV once more.`;
		case 'no-columns':
			return `${name} is no table of ours. Its first line has to name Ingredient, and Percent, Amount or a unit such as g or oz (or Preparation, Product, or Name and Kind of ingredients); it names ${failure.found.length === 0 ? 'nothing' : failure.found.slice(0, 6).join(', ')}.`;
		case 'not-json':
			return `${name} begins as JSON and does not go on so: ${failure.what}. Save it once more where it comes from.`;
		case 'another-format':
			return `${name} is JSON, but neither a book of formulas nor a recipe${failure.found === '' ? '' : ` (it says "${failure.found}")`}.`;
		case 'newer-version':
			return `${name} was written by a later Jovet (version ${failure.version} of the format). Update this one first.`;
		case 'too-deep':
			return `${name} is nested deeper than any book of formulas: it is something else.`;
		case 'does-not-fit':
			return `${name} cannot be taken: ${failure.where}: ${failure.what.toLowerCase()}. Mend it there and choose it again.`;
	}
}

/** What was wrong with a line, and what became of it. */
export function bookProblemText({ problem }: BookProblem): string {
	switch (problem.kind) {
		case 'no-amount':
			return `${problem.name}: ${parseFailureText(problem.reason)} Left out.`;
		case 'no-density':
			return `${problem.name}: "${problem.text}" is a volume, and nobody weighed a litre of it. Left out; give grams, or its density on the ingredient.`;
		case 'counted':
			return `${problem.name}: "${problem.text}" counts and does not weigh. Left out; give grams.`;
		case 'no-name':
			return 'it names no ingredient. Left out.';
		case 'no-formula':
			return 'it names no formula. Left out.';
		case 'two-measures':
			return `${problem.name}: ${problem.formula} is written in another measure (weights and percents cannot be added). Left out.`;
		case 'no-such-time':
			return `"${problem.text}" is no time to add something at: it goes in at the start.`;
		case 'no-such-kind':
			return `"${problem.text}" is no kind of stage: it is told by what is in it.`;
		case 'no-flour':
			return `${problem.formula}: nothing in it is known to be flour. Say which of its names is, or leave it.`;
		case 'nothing-in-it':
			return `${problem.formula} has nothing in it.`;
		case 'rewritten':
			return `${problem.formula}: its flour comes to ${formatNumber(problem.flourPercent, 1)} %. Its percents were rewritten to 100 % of all its flour.`;
		case 'no-number':
			return `${problem.name}: ${problem.column}: ${parseFailureText(problem.reason)} Taken as is usual.`;
		case 'no-such-ingredient-kind':
			return `${problem.name}: "${problem.text}" is no kind of ingredient (flour, water, culture, salt, yeast, fat, liquid, other, caustic). Left out.`;
		case 'no-such-part':
			return `${problem.name}: "${problem.text}" is no part of a piece (dough, filling, coating, topping, wash, bath, glaze, dusting). Left out.`;
		case 'no-dough':
			return `${problem.name} has no dough. Left out.`;
		case 'cannot-be':
			return `${problem.name} cannot be: ${problem.what}. Left out.`;
		case 'twice':
			return `${problem.name} stands in it twice; the first counts.`;
	}
}
