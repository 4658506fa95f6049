import { groupBy } from '../group-by.ts';
import type { IngredientId } from '../identity.ts';
import type { Mass } from '../units/index.ts';
import type { DayProduction } from './day.ts';
import type { WeighUpLine } from './weigh-up.ts';

/** What one ingredient goes into, and how much of it in all. */
export interface IngredientUse {
	readonly in: string;
	/** Mixes of a dough, batches of a preparation, or pieces of a product. */
	readonly kind: 'mix' | 'preparation' | 'piece';
	/** In how many of them. */
	readonly times: number;
	readonly amount: Mass;
}

/** An ingredient that is still to be weighed on a date. */
export interface DayIngredient {
	readonly ingredientId: IngredientId;
	readonly name: string;
	/** The sum of its uses as they are weighed. */
	readonly amount: Mass;
	readonly uses: readonly IngredientUse[];
}

/**
 * What has to be there for a date: every ingredient with all that is still to be weighed of it, the most first.
 *
 * Model: the sum of what the scale will show for each mix, each batch of a preparation, and the pieces; what was begun was
 * weighed already. Range: a day's production. Source: domain (ingredients to weigh in all). Failures: none.
 * Example: two mixes of 12.4 kg flour and a levain of 3.1 kg want 27.9 kg.
 */
export function ingredientsOfDay({
	doughs,
	builds,
	extras
}: Pick<DayProduction, 'doughs' | 'builds' | 'extras'>): readonly DayIngredient[] {
	const weighed = [
		...doughs.flatMap(({ resolved, mixes }) =>
			mixes
				.filter(({ made }) => made === null)
				.flatMap(({ lines, ordinal }) => usesOf(lines, resolved.formula.name, 'mix', ordinal))
		),
		...builds
			.filter(({ made }) => made === null)
			.flatMap(({ preparation, lines, ordinal }) =>
				usesOf(lines, preparation.name, 'preparation', ordinal)
			),
		...extras.flatMap(({ material, name, product, amount }) =>
			material.kind === 'ingredient'
				? [
						{
							ingredientId: material.ingredientId,
							name,
							in: product,
							kind: 'piece' as const,
							ordinal: 1,
							grams: amount.grams
						}
					]
				: []
		)
	].filter(({ grams }) => grams > 0);
	const sum = (all: readonly { readonly grams: number }[]) =>
		all.reduce((total, { grams }) => total + grams, 0);
	const same = <Row>(row: Row) => row;
	return [...groupBy(weighed, ({ ingredientId }) => ingredientId, same).values()]
		.map((all): DayIngredient => {
			const uses = [...groupBy(all, (one) => `${one.kind} ${one.in}`, same).values()].map(
				(some): IngredientUse => ({
					in: some[0]?.in ?? '',
					kind: some[0]?.kind ?? 'mix',
					times: new Set(some.map(({ ordinal }) => ordinal)).size,
					amount: { grams: sum(some) }
				})
			);
			return {
				ingredientId: all[0]?.ingredientId as IngredientId,
				name: all[0]?.name ?? '',
				amount: { grams: sum(all) },
				uses: uses.sort((a, b) => b.amount.grams - a.amount.grams)
			};
		})
		.sort((a, b) => b.amount.grams - a.amount.grams || (a.name < b.name ? -1 : 1));
}

function usesOf(
	lines: readonly WeighUpLine[],
	into: string,
	kind: IngredientUse['kind'],
	ordinal: number
) {
	return lines.flatMap(({ material, name, weighing }) =>
		material.kind === 'ingredient'
			? [
					{
						ingredientId: material.ingredientId,
						name,
						in: into,
						kind,
						ordinal,
						grams: weighing.weighed.grams
					}
				]
			: []
	);
}
