import { fail, ok, type Result } from '../result.ts';
import type { Addition } from './addition.ts';
import { materialKey } from './compare.ts';
import {
	hasOwnFlour,
	type Formula,
	type FormulaLine,
	type Material,
	type Preparation
} from './formula.ts';
import {
	flourOf,
	resolveAlone,
	stagesInOrder,
	sumLines,
	type FormulaFailure,
	type Pantry,
	type ResolvedFormula,
	type ResolvedLine,
	type ResolvedStage
} from './resolve.ts';
import { DUST_PERCENT, largestOf, type FinalLineNegative } from './settle.ts';

export type PlaceFailure =
	| FormulaFailure
	| { readonly kind: 'out-of-range'; readonly percent: number }
	| { readonly kind: 'already-in-dough'; readonly name: string }
	| { readonly kind: 'no-flour-to-balance' }
	| FinalLineNegative;

/**
 * Lets a line of the final dough go in at another time; lines that then go in together become one.
 * Failures: none; a line that is not there changes nothing.
 * Example: salt from the start to late.
 */
export function moveAddition(
	formula: Formula,
	material: Material,
	from: Addition,
	to: Addition
): Formula {
	const lines: FormulaLine[] = [];
	for (const line of formula.lines) {
		const isIt = materialKey(line.material) === materialKey(material);
		const addition = isIt && line.addition === from ? to : line.addition;
		const at = lines.findIndex(
			(other) =>
				materialKey(other.material) === materialKey(line.material) && other.addition === addition
		);
		const there = lines[at];
		if (there) lines[at] = { ...there, percentOfFlour: there.percentOfFlour + line.percentOfFlour };
		else lines.push({ ...line, addition });
	}
	return { ...formula, lines };
}

/**
 * Takes a recipe of the book into the final dough. Its flour, and the water of a build, come out of the
 * dough's largest flour and water, so that the flour stays at 100; what a soaker brings is added on top.
 *
 * Range: 0 to 1000 percent of total flour. Source: domain arithmetic (editing). Failures: as `PlaceFailure`.
 * Example: 32 % of a levain of half flour takes 16 % each from bread flour and water.
 */
export function addPreparation(
	resolved: ResolvedFormula,
	pantry: Pantry,
	preparation: Preparation,
	percentOfFlour: number
): Result<Formula, PlaceFailure> {
	if (!(percentOfFlour > 0 && percentOfFlour <= 1000))
		return fail({ kind: 'out-of-range', percent: percentOfFlour });
	const { formula } = resolved;
	const there = formula.lines.some(
		({ material }) => material.kind === 'preparation' && material.preparationId === preparation.id
	);
	if (there) return fail({ kind: 'already-in-dough', name: preparation.name });
	const line: FormulaLine = {
		material: { kind: 'preparation', preparationId: preparation.id },
		percentOfFlour,
		addition: 'start'
	};
	return exchanged(resolved, pantry, preparation, percentOfFlour, (lines) => [line, ...lines]);
}

/** Takes a recipe out of the final dough; its flour, and the water of a build, go back to the dough. */
export function removePreparation(
	resolved: ResolvedFormula,
	pantry: Pantry,
	preparation: Preparation
): Result<Formula, PlaceFailure> {
	const isIt = ({ material }: FormulaLine) =>
		material.kind === 'preparation' && material.preparationId === preparation.id;
	const percent = resolved.formula.lines
		.filter(isIt)
		.reduce((total, line) => total + line.percentOfFlour, 0);
	return exchanged(resolved, pantry, preparation, -percent, (lines) =>
		lines.filter((line) => !isIt(line))
	);
}

function exchanged(
	{ formula, final }: ResolvedFormula,
	pantry: Pantry,
	preparation: Preparation,
	percent: number,
	change: (lines: readonly FormulaLine[]) => readonly FormulaLine[]
): Result<Formula, PlaceFailure> {
	const alone = resolveAlone(preparation, pantry);
	if (!alone.ok) return alone;
	const flour = (flourOf(alone.value) * percent) / 100;
	const water = hasOwnFlour(preparation.kind)
		? (sumLines(alone.value, ({ ingredient, percentOfFlour }) =>
				ingredient.kind === 'water' || ingredient.kind === 'culture'
					? percentOfFlour * ingredient.composition.water
					: 0
			) *
				percent) /
			100
		: 0;
	let lines = formula.lines;
	for (const [kind, by] of [
		['flour', flour],
		['water', water]
	] as const) {
		if (Math.abs(by) < DUST_PERCENT) continue;
		const largest = largestOf(final.lines, kind);
		if (!largest) {
			// What a recipe gives back stands on its own where the dough has no line of it yet.
			const given = by < 0 ? largestAnywhere(alone.value, kind) : null;
			if (given) {
				lines = [...lines, lineOf(given, -by)];
				continue;
			}
			if (kind === 'flour') return fail({ kind: 'no-flour-to-balance' });
			return fail({ kind: 'final-line-negative', line: kind, percent: -by });
		}
		const left = largest.percentOfFlour - by;
		if (left < -DUST_PERCENT)
			return fail({ kind: 'final-line-negative', line: largest.ingredient.name, percent: left });
		lines = lines.map((line) =>
			line.material.kind === 'ingredient' &&
			line.material.ingredientId === largest.ingredient.id &&
			line.addition === largest.addition
				? { ...line, percentOfFlour: left }
				: line
		);
	}
	return ok({
		...formula,
		lines: change(lines).filter((line) => line.percentOfFlour > DUST_PERCENT)
	});
}

/** The largest line of a kind in a stage or anywhere within it. */
function largestAnywhere(stage: ResolvedStage, kind: 'flour' | 'water') {
	return largestOf(
		stagesInOrder(stage).flatMap((stage) => stage.lines),
		kind
	);
}

function lineOf({ ingredient }: ResolvedLine, percentOfFlour: number): FormulaLine {
	return {
		material: { kind: 'ingredient', ingredientId: ingredient.id },
		percentOfFlour,
		addition: 'start'
	};
}

/**
 * Changes the water of the final dough by some percent of total flour, at its largest water line; a dough that
 * has its water in its builds alone gets a line of its own.
 * Failures: `final-line-negative` when there is less water than is taken, or none at all.
 * Example: 1.4 % more for a flour that drinks more.
 */
export function correctWater(
	{ formula, final }: ResolvedFormula,
	byPercent: number
): Result<Formula, PlaceFailure> {
	const largest = largestOf(final.lines, 'water');
	const percentOfFlour = (largest?.percentOfFlour ?? 0) + byPercent;
	const elsewhere = largest ? null : largestAnywhere(final, 'water');
	if (elsewhere && percentOfFlour > DUST_PERCENT)
		return ok({ ...formula, lines: [...formula.lines, lineOf(elsewhere, percentOfFlour)] });
	if (!largest || percentOfFlour <= DUST_PERCENT)
		return fail({
			kind: 'final-line-negative',
			line: largest?.ingredient.name ?? 'water',
			percent: percentOfFlour
		});
	const lines = formula.lines.map((line) =>
		line.material.kind === 'ingredient' &&
		line.material.ingredientId === largest.ingredient.id &&
		line.addition === largest.addition
			? { ...line, percentOfFlour }
			: line
	);
	return ok({ ...formula, lines });
}
