import type { BookFile, FileFormula } from '../../contracts/book-file.ts';
import { nameKey } from '../name-key.ts';
import { stagesOf } from './stages-of.ts';

/** No stage lies deeper. */
const MOST_DEEP = 16;

/** What a recipe is written for: so much flour in all. */
const FLOUR_GRAMS = 1000;

/**
 * Writes a formula as a schema.org recipe for 1 000 g of flour. Steps, temperatures and products stay behind.
 * Range: a formula of the book. Source: schema.org Recipe. Failures: none. Example: read back it has the same lines and stages, to a hundredth of a gram.
 */
export function writeRecipeJsonLd(formula: FileFormula, { preparations }: BookFile): string {
	const byName = new Map(preparations.map((one) => [nameKey(one.name), one]));
	const gramsOf = (percent: number) => (percent * FLOUR_GRAMS) / 100;
	const text = (grams: number, name: string) => `${amountText(grams)} g ${name}`;
	const lines = formula.lines.map((line) => text(gramsOf(line.percentOfFlour), line.of));
	const stages = stagesOf(
		formula.lines.flatMap(({ is, of }) => (is === 'preparation' ? [of] : [])),
		byName
	);
	const amounts = amountsOfStages(formula, byName);
	for (const stage of stages) {
		const parts = stage.lines.reduce((total, line) => total + line.parts, 0);
		const grams = gramsOf(amounts.get(nameKey(stage.name)) ?? 0);
		lines.push(
			...stage.lines.map((line) => `${text((line.parts / parts) * grams, line.of)} (${stage.name})`)
		);
	}
	const recipe = {
		'@context': 'https://schema.org',
		'@type': 'Recipe',
		name: formula.name,
		recipeYield: `${amountText(
			formula.lines.reduce((total, line) => total + gramsOf(line.percentOfFlour), 0)
		)} g of dough`,
		recipeIngredient: lines
	};
	return `${JSON.stringify(recipe, null, '\t')}\n`;
}

/** How much of each stage goes into a formula, in percent of its flour. */
function amountsOfStages(
	{ lines }: FileFormula,
	byName: ReadonlyMap<string, BookFile['preparations'][number]>
): ReadonlyMap<string, number> {
	const amounts = new Map<string, number>();
	const add = (name: string, percent: number, deep: number) => {
		const key = nameKey(name);
		const stage = byName.get(key);
		if (!stage || deep > MOST_DEEP) return;
		amounts.set(key, (amounts.get(key) ?? 0) + percent);
		const parts = stage.lines.reduce((total, line) => total + line.parts, 0);
		for (const line of stage.lines)
			if (line.is === 'preparation') add(line.of, (line.parts / parts) * percent, deep + 1);
	};
	for (const line of lines) if (line.is === 'preparation') add(line.of, line.percentOfFlour, 0);
	return amounts;
}

/** Grams as a recipe writes them, no finer than any scale of a bakery. */
function amountText(grams: number): string {
	return String(Math.round(grams * 1000) / 1000);
}
