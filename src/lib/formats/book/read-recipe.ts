import { z } from 'zod';
import { fail, ok, type Result } from '../../core/result.ts';
import { amountAtStart, massOfVolume } from '../../core/units/index.ts';
import { nameKey } from '../name-key.ts';
import { isTooDeep } from './book-json.ts';
import type { BookFailure, BookProblem, BookRead } from '../../contracts/book-problems.ts';
import { MOST_FORMULAS, type Known, type ReadLine, type ReadRecipe } from './read-book.ts';
import { recipesAsFile } from './recipes-as-file.ts';

/** Lines of one recipe beyond these are no recipe. */
const MOST_LINES = 400;
const MOST_TEXT = 500;
const MOST_DEEP = 16;

const texts = z
	.union([z.string(), z.array(z.string()).max(MOST_LINES)])
	.transform((value) => [value].flat());
const recipeSchema = z.looseObject({
	'@type': z
		.union([z.string(), z.array(z.string())])
		.refine((type) => [type].flat().includes('Recipe')),
	name: z.string().max(MOST_TEXT).default(''),
	recipeIngredient: texts.optional(),
	/** An older word for the same. */
	ingredients: texts.optional()
});

/**
 * Reads recipes of schema.org from parsed JSON-LD: one, a list of them, or a page's graph that has some in it.
 *
 * Model: each ingredient is a line of text that begins with an amount ("1 lb 4 oz strong flour"); "of" after it falls away, what stands after a comma is how it is prepared, and a
 * name in brackets at the end is the stage it is of. Range: any value. Source: schema.org Recipe. Failures: `another-format` where there is no recipe in it; `too-deep`.
 * Example: "1 cup of ripe culture" is a quarter of a litre of ripe culture, weighed by its density.
 */
export function readRecipeJsonLd(value: unknown, known: Known): Result<BookRead, BookFailure> {
	if (isTooDeep(value, MOST_DEEP)) return fail({ kind: 'too-deep', most: MOST_DEEP });
	const found = recipesIn(value);
	if (found.length === 0) return fail({ kind: 'another-format', found: '' });
	if (found.length > MOST_FORMULAS)
		return fail({ kind: 'too-many', what: 'formulas', most: MOST_FORMULAS });
	const problems: BookProblem[] = [];
	const recipes = found.map((recipe, index): ReadRecipe => {
		const lines = recipe.recipeIngredient ?? recipe.ingredients ?? [];
		return {
			name: recipe.name.trim() === '' ? `Recipe ${index + 1}` : recipe.name.trim(),
			line: index + 1,
			stageKinds: new Map(),
			lines: lines.flatMap((text, at): ReadLine[] => {
				const line = lineOf(text.slice(0, MOST_TEXT), at + 1, known, problems);
				return line ? [line] : [];
			})
		};
	});
	return ok(recipesAsFile(recipes, known, problems));
}

function lineOf(
	text: string,
	line: number,
	known: Known,
	problems: BookProblem[]
): ReadLine | null {
	const read = amountAtStart(text);
	const tell = (problem: BookProblem['problem']) => {
		problems.push({ line, problem });
		return null;
	};
	if (!read.ok) return tell({ kind: 'no-amount', name: text.trim(), reason: read.error });
	const { amount, rest } = read.value;
	const stage = /\(([^()]+)\)\s*$/.exec(rest);
	const name = rest
		.slice(0, stage?.index ?? rest.length)
		.replace(/^of\s+/i, '')
		.replace(/,.*$/, '')
		.trim();
	if (name === '') return tell({ kind: 'no-name' });
	const of = { line, stage: stage?.[1]?.trim() ?? null, name, addition: 'start' as const };
	switch (amount.kind) {
		case 'mass':
			return amount.grams > 0
				? { ...of, much: { of: 'grams', grams: amount.grams } }
				: tell({ kind: 'no-amount', name, reason: { kind: 'below', least: 0, unit: 'g' } });
		case 'number':
			return tell({ kind: 'counted', name, text: text.trim() });
		case 'volume': {
			const density = known.get(nameKey(name))?.density ?? null;
			if (!density) return tell({ kind: 'no-density', name, text: text.trim() });
			return { ...of, much: { of: 'grams', grams: massOfVolume(amount.litres, density).grams } };
		}
	}
}

type Recipe = z.output<typeof recipeSchema>;

function recipesIn(value: unknown): readonly Recipe[] {
	if (Array.isArray(value)) return value.flatMap(recipesIn);
	if (typeof value !== 'object' || value === null) return [];
	const graph = (value as { readonly '@graph'?: unknown })['@graph'];
	if (Array.isArray(graph)) return graph.flatMap(recipesIn);
	const read = recipeSchema.safeParse(value);
	return read.success ? [read.data] : [];
}
