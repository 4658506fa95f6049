import type { BatchName } from '../../contracts/batch-name.ts';
import type { DayProduction, Mix } from '../../core/production/index.ts';
import {
	batchAt,
	isBegun,
	recipeOfMix,
	recipeOfPreparation,
	type BakeryDay
} from './day-production.ts';

/** How a page names a mix to the door: by its id once it was begun, by its place before. */
export function nameOfMix(day: BakeryDay, mix: Mix): BatchName {
	const formulaId = mix.resolved.formula.id;
	const batch = batchAt(day, { kind: 'mix', formulaId, ordinal: mix.ordinal });
	if (batch && isBegun(batch)) return { kind: 'made', batchId: batch.id };
	return {
		kind: 'planned-mix',
		date: day.date,
		formulaId,
		ordinal: mix.ordinal,
		revisionId: recipeOfMix(day, mix)?.revisionId ?? '',
		grams: mix.dough.value
	};
}

/** The same for a preparation. */
export function nameOfPreparation(
	day: BakeryDay,
	build: DayProduction['builds'][number]
): BatchName {
	const preparationId = build.preparation.id;
	const batch = batchAt(day, { kind: 'preparation', preparationId, ordinal: build.ordinal });
	if (batch && isBegun(batch)) return { kind: 'made', batchId: batch.id };
	return {
		kind: 'planned-preparation',
		date: day.date,
		preparationId,
		ordinal: build.ordinal,
		revisionId: recipeOfPreparation(day, build)?.revisionId ?? '',
		grams: build.gross.value
	};
}
