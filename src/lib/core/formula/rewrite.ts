import type { PreparationId } from '../identity.ts';
import type { Formula, FormulaLine, Preparation } from './formula.ts';
import type { ResolvedStage } from './resolve.ts';

/** A formula after a change, with the builds that changed on the way. */
export interface EditedFormula {
	readonly formula: Formula;
	/** Builds and soakers whose recipe the edit changed. */
	readonly preparations: readonly Preparation[];
}

/** Adds the stage up again and, when it is a preparation, notes its recipe in percent of total flour. */
export function recorded(
	stage: ResolvedStage,
	changed: Map<PreparationId, Preparation>
): ResolvedStage {
	const percentOfFlour =
		stage.lines.reduce((total, line) => total + line.percentOfFlour, 0) +
		stage.stages.reduce((total, inner) => total + inner.percentOfFlour, 0);
	const { preparation } = stage;
	if (preparation)
		changed.set(preparation.id, {
			...preparation,
			lines: [
				...stage.stages.flatMap((inner) =>
					inner.preparation
						? [
								{
									material: {
										kind: 'preparation' as const,
										preparationId: inner.preparation.id
									},
									parts: inner.percentOfFlour
								}
							]
						: []
				),
				...stage.lines.map((line) => ({
					material: { kind: 'ingredient' as const, ingredientId: line.ingredient.id },
					parts: line.percentOfFlour
				}))
			]
		});
	return { ...stage, percentOfFlour };
}

/** Writes a changed tree of stages back as the lines of its formula. */
export function written(
	formula: Formula,
	final: ResolvedStage,
	changed: ReadonlyMap<PreparationId, Preparation>,
	factor: number
): EditedFormula {
	const lines: FormulaLine[] = [
		...final.stages.flatMap((stage): FormulaLine[] =>
			stage.preparation
				? [
						{
							material: { kind: 'preparation', preparationId: stage.preparation.id },
							percentOfFlour: stage.percentOfFlour * factor,
							addition: stage.addition
						}
					]
				: []
		),
		...final.lines.map(({ ingredient, addition, percentOfFlour }): FormulaLine => ({
			material: { kind: 'ingredient', ingredientId: ingredient.id },
			percentOfFlour: percentOfFlour * factor,
			addition
		}))
	];
	return { formula: { ...formula, lines }, preparations: [...changed.values()] };
}

/** In how many places of a tree a preparation stands. A change of one recipe must not mean two places. */
export function timesOf(stage: ResolvedStage, preparationId: PreparationId): number {
	return stage.stages.reduce(
		(total, inner) =>
			total + (inner.preparation?.id === preparationId ? 1 : timesOf(inner, preparationId)),
		0
	);
}
