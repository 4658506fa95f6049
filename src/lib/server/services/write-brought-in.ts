import type { BringIn } from '../../contracts/bring-in.ts';
import {
	innerFirst,
	USUAL_FRICTION_KILOJOULES_PER_KILOGRAM,
	type Formula,
	type Ingredient,
	type Pantry,
	type Preparation,
	type Step
} from '../../core/formula/index.ts';
import type { Tx } from '../db/client.ts';
import { pinsOf, type FormulaBook } from '../db/formula-book.ts';
import { insertFormulaRevision, nameFormula } from '../db/formulas.ts';
import { insertIngredientRevision, nameIngredient } from '../db/ingredients.ts';
import { insertPreparationRevision, namePreparation } from '../db/preparations.ts';
import { insertProductRevision, nameProduct } from '../db/products.ts';

/** The pantry with what comes in. */
export function pantryWith(command: BringIn, book: FormulaBook): Pantry {
	return {
		...book.pantry,
		ingredients: new Map([
			...book.pantry.ingredients,
			...command.ingredients.map((one) => [one.ingredientId, ingredientOf(one)] as const)
		]),
		preparations: new Map([
			...book.pantry.preparations,
			...command.preparations.map((one) => [one.preparationId, preparationOf(one)] as const)
		])
	};
}

function ingredientOf(one: BringIn['ingredients'][number]): Ingredient {
	return {
		id: one.ingredientId,
		name: one.name,
		kind: one.ingredientKind,
		composition: one.composition,
		yeastFreshEquivalent: one.yeastFreshEquivalent,
		allergens: [...new Set(one.allergens)],
		heatCapacity: { kilojoulesPerKilogramKelvin: one.heatCapacity },
		density: one.density === null ? null : { kilogramsPerLitre: one.density },
		purity: { share: one.purityShare },
		rolling: one.rolling,
		pricePerKilogram: one.pricePerKilogram,
		weighedOn: null,
		placeId: null,
		retired: false
	};
}

export function preparationOf(one: BringIn['preparations'][number]): Preparation {
	return {
		id: one.preparationId,
		name: one.name,
		kind: one.preparationKind,
		lines: one.lines,
		buildLoss: { share: one.buildLossShare },
		takeBackGrams: one.takeBackGrams,
		...(one.preparationKind === 'bath' && one.bath ? { bath: one.bath } : {})
	};
}

export function formulaOf(one: BringIn['formulas'][number]): Formula {
	return {
		id: one.formulaId,
		name: one.name,
		lines: one.lines,
		doughLoss: { share: one.doughLossShare },
		deliveries: []
	};
}

/** Writes what is brought in: what something takes from before it, each as its first revision. */
export async function writeBroughtIn(
	tx: Tx,
	book: FormulaBook,
	command: BringIn,
	pantry: Pantry,
	by: { readonly madeBy: string; readonly occurredAtMs: number }
): Promise<void> {
	const first = { number: 1, cause: 'edited' as const, ...by };
	const here = (steps: readonly Step[]) => inOurRoom(steps, book);
	const pins = pinsOf(book);
	const ingredients = new Map(pins.ingredients);
	const preparations = new Map(pins.preparations);
	for (const one of command.ingredients) {
		const ingredient = ingredientOf(one);
		await nameIngredient(tx, ingredient);
		const of = { number: 1, weighingScaleId: null, ...by };
		ingredients.set(ingredient.id, await insertIngredientRevision(tx, ingredient, of));
	}
	const stepsOf = new Map(command.preparations.map((one) => [one.preparationId, one.steps]));
	for (const preparation of innerFirst([...pantry.preparations.values()])) {
		const steps = stepsOf.get(preparation.id);
		if (!steps) continue;
		await namePreparation(tx, preparation.id, preparation.name);
		const of = { ...first, steps: here(steps) };
		const revision = await insertPreparationRevision(tx, preparation, of, {
			ingredients,
			preparations
		});
		preparations.set(preparation.id, revision);
	}
	for (const one of command.formulas) {
		await nameFormula(tx, one.formulaId, one.name);
		const contents = {
			formula: formulaOf(one),
			targetCelsius: one.targetCelsius,
			frictionKilojoulesPerKilogram: USUAL_FRICTION_KILOJOULES_PER_KILOGRAM,
			mostDoughGrams: one.mostDoughGrams,
			steps: here(one.steps)
		};
		await insertFormulaRevision(tx, contents, first, { ingredients, preparations });
	}
	for (const one of command.products) {
		await nameProduct(tx, one.productId, one.name);
		const contents = {
			...one,
			vesselId: null,
			dividerId: null,
			steps: here(one.steps),
			product: {
				id: one.productId,
				name: one.name,
				doughs: one.doughs.map(({ formulaId, scaledGrams }) => ({
					formulaId,
					scaledWeight: { grams: scaledGrams }
				})),
				extras: one.extras.map(({ use, material, grams, forPieces }) => ({
					use,
					material,
					amount: { grams },
					forPieces
				})),
				sheet: one.sheet,
				spares: { share: one.sparesShare }
			}
		};
		await insertProductRevision(tx, contents, first, { ingredients, preparations });
	}
}

/** What waits in a room waits in the one that all stand in here; a prover and the cold go by their temperature until somebody names them. */
function inOurRoom(steps: readonly Step[], { places }: FormulaBook): readonly Step[] {
	const room = [...places.values()].find(({ role }) => role === 'bakehouse');
	if (!room) return steps;
	const named = { id: room.id, name: room.name };
	return steps.map((step) =>
		step.kind === 'wait'
			? {
					...step,
					legs: step.legs.map((leg) =>
						leg.place === 'room' ? { ...leg, named, ambientCelsius: room.celsius } : leg
					)
				}
			: step
	);
}
