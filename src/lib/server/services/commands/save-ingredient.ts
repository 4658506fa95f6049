import type { Ingredient } from '../../../core/formula/index.ts';
import { id, type IngredientId } from '../../../core/identity.ts';
import { fail, ok } from '../../../core/result.ts';
import { loadFormulaBook } from '../../db/formula-book.ts';
import { impossibleAfter, lockBook } from './book-guard.ts';
import type { CommandHandler } from './handler.ts';

/**
 * Saves an ingredient. Refused when someone changed it meanwhile, or when a formula that has it could not
 * be made any more (its flour would no longer come to 100).
 */
export const saveIngredient: CommandHandler<'save-ingredient'> = async (tx, command) => {
	await lockBook(tx);
	const book = await loadFormulaBook(tx);
	const key = id<IngredientId>(command.ingredientId);
	const there = book.ingredients.find(({ ingredient }) => ingredient.id === key);
	const taken = book.ingredients.some(
		({ ingredient }) => ingredient.name === command.name && ingredient.id !== key
	);
	if (taken) return fail({ kind: 'name-taken', name: command.name });
	if (!there && command.expectedVersion > 0) return fail({ kind: 'unknown', what: 'ingredient' });
	if (there && there.version !== command.expectedVersion)
		return fail({
			kind: 'newer-revision',
			name: there.ingredient.name,
			revision: there.version,
			by: 'someone else'
		});
	const scale =
		command.weighedOn === null
			? null
			: await tx
					.selectFrom('weighing_scale')
					.select('id')
					.where('name', '=', command.weighedOn)
					.executeTakeFirst();
	if (scale === undefined) return fail({ kind: 'unknown', what: 'scale' });
	const ingredient: Ingredient = {
		id: key,
		name: command.name,
		kind: command.ingredientKind,
		composition: command.composition,
		yeastFreshEquivalent: command.yeastFreshEquivalent,
		allergens: [...new Set(command.allergens)],
		heatCapacity: { kilojoulesPerKilogramKelvin: command.heatCapacity },
		density: command.density === null ? null : { kilogramsPerLitre: command.density },
		pricePerKilogram: command.pricePerKilogram,
		weighedOn: command.weighedOn,
		retired: there?.ingredient.retired ?? false
	};
	const ingredients = new Map(book.pantry.ingredients).set(key, ingredient);
	const impossible = impossibleAfter(book, {
		formulas: [],
		pantry: { ...book.pantry, ingredients }
	});
	if (impossible) return fail(impossible);
	const version = command.expectedVersion + 1;
	const row = {
		name: ingredient.name,
		kind: ingredient.kind,
		flour_share: ingredient.composition.flour,
		water_share: ingredient.composition.water,
		fat_share: ingredient.composition.fat,
		sugar_share: ingredient.composition.sugar,
		wholegrain_of_flour: ingredient.composition.wholegrainOfFlour,
		yeast_fresh_equivalent: ingredient.yeastFreshEquivalent,
		allergens: [...ingredient.allergens],
		heat_capacity_kj_per_kg_k: command.heatCapacity,
		density_kg_per_l: command.density,
		price_per_kg: command.pricePerKilogram,
		weighing_scale_id: scale?.id ?? null,
		row_version: version
	};
	if (there) await tx.updateTable('ingredient').set(row).where('id', '=', key).execute();
	else
		await tx
			.insertInto('ingredient')
			.values({ id: key, ...row })
			.execute();
	return ok({ version });
};
