import type { IngredientId, PreparationId } from '../identity.ts';
import { fail, ok, type Result } from '../result.ts';
import { spendWork } from '../work.ts';
import type { Addition } from './addition.ts';
import type { Formula, Material, Preparation, PreparationKind } from './formula.ts';
import type { Share } from '../units/index.ts';
import type { Ingredient } from './ingredient.ts';

/** A line of a stage in percent of the formula's total flour. */
export interface ResolvedLine {
	readonly ingredient: Ingredient;
	readonly percentOfFlour: number;
	readonly addition: Addition;
}

/** A stage of the tree seed -> build 1 -> build 2 -> ... -> final dough, soakers beside it. */
export interface ResolvedStage {
	readonly kind: PreparationKind | 'final';
	/** null for the final dough. */
	readonly preparation: Preparation | null;
	readonly name: string;
	/** When it goes into the dough; `start` for the final dough and for what goes into another build. */
	readonly addition: Addition;
	readonly lines: readonly ResolvedLine[];
	readonly stages: readonly ResolvedStage[];
	/** The whole stage with all that went into it, in percent of the formula's total flour. */
	readonly percentOfFlour: number;
}

export interface ResolvedFormula {
	readonly formula: Formula;
	readonly final: ResolvedStage;
}

export type FormulaFailure =
	| { readonly kind: 'no-lines'; readonly where: string }
	| { readonly kind: 'unknown-ingredient'; readonly where: string; readonly id: IngredientId }
	| { readonly kind: 'unknown-preparation'; readonly where: string; readonly id: PreparationId }
	| { readonly kind: 'circular'; readonly path: readonly string[] }
	| { readonly kind: 'too-many-stages'; readonly where: string; readonly most: number }
	| { readonly kind: 'too-deep'; readonly where: string; readonly most: number }
	| {
			readonly kind: 'not-positive';
			readonly where: string;
			readonly line: string;
			readonly amount: number;
	  }
	| { readonly kind: 'flour-not-100'; readonly where: string; readonly flourPercent: number }
	| { readonly kind: 'caustic-outside-bath'; readonly where: string; readonly line: string }
	| {
			readonly kind: 'caustic-too-strong';
			readonly where: string;
			readonly share: number;
			readonly most: number;
	  };

export interface Pantry {
	/** The strongest caustic bath the site allows, as a share of the solution. */
	readonly causticMost: Share;
	readonly ingredients: ReadonlyMap<IngredientId, Ingredient>;
	readonly preparations: ReadonlyMap<PreparationId, Preparation>;
}

/** How far the flour of a formula may lie from 100 before it is refused (our default). */
export const FLOUR_TOLERANCE_PERCENT = 0.05;

/** No dough has more builds one inside the other, nor more of them in all; a preparation counts wherever it stands. */
const MOST_DEEP = 32;
const MOST_STAGES = 256;

/**
 * Resolves a formula into a tree of stages with every line in percent of total flour, so that
 * scaling is one multiplication and every other reading is derived.
 *
 * Model: a preparation is shared out by its parts; its lines take their share of the amount the
 * formula refers to. Flour inside builds, and inside the culture that seeds them, counts.
 * Range: amounts above 0; at most 32 preparations deep and 256 in all, one that stands in several places counted
 * in each, so that builds which name each other twice do not grow without end.
 * Failures: as `FormulaFailure`, each with the place it was found.
 * Example: a levain of parts 3.6, 7.2, 9 and 16.2 referred to at 36 % gives those same percentages.
 */
export function resolveFormula(
	formula: Formula,
	pantry: Pantry
): Result<ResolvedFormula, FormulaFailure> {
	const final = treeOf(formula, pantry);
	if (!final.ok) return final;
	const flourPercent = flourOf(final.value);
	if (!(Math.abs(flourPercent - 100) <= FLOUR_TOLERANCE_PERCENT))
		return fail({ kind: 'flour-not-100', where: formula.name, flourPercent });
	return ok({ formula, final: final.value });
}

/** The tree of stages as `resolveFormula` gives it, whatever its flour comes to. */
export function treeOf(formula: Formula, pantry: Pantry): Result<ResolvedStage, FormulaFailure> {
	const lines: ResolvedLine[] = [];
	const stages: ResolvedStage[] = [];
	const counted = { stages: 0 };
	if (formula.lines.length === 0) return fail({ kind: 'no-lines', where: formula.name });
	for (const line of formula.lines) {
		const failure = place(
			line.material,
			line.percentOfFlour,
			line.addition,
			{ where: formula.name, path: [], alone: false, bath: false, counted },
			pantry,
			lines,
			stages
		);
		if (failure) return fail(failure);
	}
	return ok({
		kind: 'final',
		preparation: null,
		name: formula.name,
		addition: 'start',
		lines,
		stages,
		percentOfFlour: totalOf(lines, stages)
	});
}

interface Place {
	readonly where: string;
	readonly path: readonly PreparationId[];
	/** The recipe is made for itself and goes into no dough. */
	readonly alone: boolean;
	readonly bath: boolean;
	/** How many stages the whole tree has so far. */
	readonly counted: { stages: number };
}

/** Puts one material into the lines or stages under construction; gives the failure if there is one. */
function place(
	material: Material,
	amount: number,
	addition: Addition,
	at: Place,
	pantry: Pantry,
	lines: ResolvedLine[],
	stages: ResolvedStage[]
): FormulaFailure | null {
	if (material.kind === 'ingredient') {
		const ingredient = pantry.ingredients.get(material.ingredientId);
		if (!ingredient)
			return { kind: 'unknown-ingredient', where: at.where, id: material.ingredientId };
		if (!(amount > 0))
			return { kind: 'not-positive', where: at.where, line: ingredient.name, amount };
		if (ingredient.kind === 'caustic' && !at.bath)
			return { kind: 'caustic-outside-bath', where: at.where, line: ingredient.name };
		lines.push({ ingredient, percentOfFlour: amount, addition });
		return null;
	}
	const preparation = pantry.preparations.get(material.preparationId);
	if (!preparation)
		return { kind: 'unknown-preparation', where: at.where, id: material.preparationId };
	if (!(amount > 0))
		return { kind: 'not-positive', where: at.where, line: preparation.name, amount };
	if (at.path.includes(preparation.id))
		return {
			kind: 'circular',
			path: [...at.path, preparation.id].map((id) => nameOf(id, pantry))
		};
	const stage = resolvePreparation(preparation, amount, at, pantry);
	if (!stage.ok) return stage.error;
	stages.push({ ...stage.value, addition });
	return null;
}

function resolvePreparation(
	preparation: Preparation,
	amount: number,
	at: Place,
	pantry: Pantry
): Result<ResolvedStage, FormulaFailure> {
	at.counted.stages += 1;
	spendWork(1 + preparation.lines.length);
	if (at.path.length >= MOST_DEEP)
		return fail({ kind: 'too-deep', where: preparation.name, most: MOST_DEEP });
	if (at.counted.stages > MOST_STAGES)
		return fail({ kind: 'too-many-stages', where: preparation.name, most: MOST_STAGES });
	const allParts = preparation.lines.reduce((total, line) => total + line.parts, 0);
	if (!(allParts > 0)) return fail({ kind: 'no-lines', where: preparation.name });
	const lines: ResolvedLine[] = [];
	const stages: ResolvedStage[] = [];
	for (const line of preparation.lines) {
		const failure = place(
			line.material,
			(line.parts / allParts) * amount,
			'start',
			{
				where: preparation.name,
				path: [...at.path, preparation.id],
				alone: false,
				bath: preparation.kind === 'bath' && at.alone,
				counted: at.counted
			},
			pantry,
			lines,
			stages
		);
		if (failure) return fail(failure);
	}
	const caustic = lines.reduce(
		(total, line) =>
			total +
			(line.ingredient.kind === 'caustic' ? line.percentOfFlour * line.ingredient.purity.share : 0),
		0
	);
	if (caustic > amount * pantry.causticMost.share * (1 + 1e-9))
		return fail({
			kind: 'caustic-too-strong',
			where: preparation.name,
			share: caustic / amount,
			most: pantry.causticMost.share
		});
	return ok({
		kind: preparation.kind,
		preparation,
		name: preparation.name,
		addition: 'start',
		lines,
		stages,
		percentOfFlour: amount
	});
}

/**
 * Resolves a recipe on its own, as a whole of 100: a build, a filling, a wash or a bath.
 *
 * Range and failures: as `resolveFormula`, without the flour. A caustic stands in a bath alone, and a bath
 * stronger than the site's limit is refused.
 * Example: 6 kg of water with 210 g of a solid is a bath of 96.6 and 3.4 percent.
 */
export function resolveAlone(
	preparation: Preparation,
	pantry: Pantry
): Result<ResolvedStage, FormulaFailure> {
	const within = { ...pantry, preparations: new Map(pantry.preparations) };
	within.preparations.set(preparation.id, preparation);
	return resolvePreparation(
		preparation,
		100,
		{ where: preparation.name, path: [], alone: true, bath: false, counted: { stages: 0 } },
		within
	);
}

function nameOf(preparationId: PreparationId, pantry: Pantry): string {
	return pantry.preparations.get(preparationId)?.name ?? preparationId;
}

function totalOf(lines: readonly ResolvedLine[], stages: readonly ResolvedStage[]): number {
	return (
		lines.reduce((total, line) => total + line.percentOfFlour, 0) +
		stages.reduce((total, stage) => total + stage.percentOfFlour, 0)
	);
}

/** Flour of a stage with everything inside it, in percent of the formula's total flour. */
export function flourOf(stage: ResolvedStage): number {
	return sumLines(stage, (line) => line.percentOfFlour * line.ingredient.composition.flour);
}

/** Sums a figure over every ingredient line of a stage, those of its inner stages included. */
export function sumLines(stage: ResolvedStage, figure: (line: ResolvedLine) => number): number {
	let total = 0;
	for (const line of stage.lines) total += figure(line);
	for (const inner of stage.stages) total += sumLines(inner, figure);
	return total;
}

/** Every ingredient line of a stage, those of its inner stages included. */
export function linesWithin(stage: ResolvedStage): readonly ResolvedLine[] {
	return [...stage.lines, ...stage.stages.flatMap(linesWithin)];
}

/** The share of a dough that is mixed: all but what is rolled in afterwards. */
export function mixedShare(final: ResolvedStage): number {
	const rolledIn = [...final.lines, ...final.stages]
		.filter((line) => line.addition === 'roll-in')
		.reduce((total, line) => total + line.percentOfFlour, 0);
	return (final.percentOfFlour - rolledIn) / final.percentOfFlour;
}

/** Every stage of the tree below and including `stage`, inner stages first, as they are made. */
export function stagesInOrder(stage: ResolvedStage): readonly ResolvedStage[] {
	return [...stage.stages.flatMap(stagesInOrder), stage];
}
