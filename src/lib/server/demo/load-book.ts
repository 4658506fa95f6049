import { USUAL_SPACING_CM } from '../../core/bakery/index.ts';
import {
	innerFirst,
	type Ingredient,
	type Material,
	type Preparation
} from '../../core/formula/index.ts';
import {
	id,
	type DeliveryId,
	type FormulaId,
	type IngredientId,
	type PreparationId,
	type ProductId
} from '../../core/identity.ts';
import { addDays, type BakeDate } from '../../core/time/index.ts';
import type { Tx } from '../db/client.ts';
import { insertFormulaRevision, nameFormula } from '../db/formulas.ts';
import { insertDelivery, insertIngredientRevision, nameIngredient } from '../db/ingredients.ts';
import type { Pins } from '../db/materials.ts';
import { insertPreparationRevision, namePreparation } from '../db/preparations.ts';
import { insertProductRevision, nameProduct } from '../db/products.ts';
import { DELIVERIES } from './deliveries.ts';
import { demoId } from './demo-id.ts';
import { demoPlaceId } from './demo-place.ts';
import { FORMULAS } from './formulas.ts';
import { INGREDIENTS, type DemoIngredient } from './pantry.ts';
import { PREPARATIONS, type DemoPreparation } from './preparations.ts';
import { PRODUCTS } from './products.ts';

const isPreparation = new Set(PREPARATIONS.map((preparation) => preparation.name));

function material(name: string): Material {
	return isPreparation.has(name)
		? { kind: 'preparation', preparationId: id<PreparationId>(demoId('preparation', name)) }
		: { kind: 'ingredient', ingredientId: id<IngredientId>(demoId('ingredient', name)) };
}

/** Writes the book of the Saltmarrow Bakehouse, each thing after what it takes from. */
export async function loadBook(
	tx: Tx,
	by: { readonly madeBy: string; readonly occurredAtMs: number },
	today: BakeDate
): Promise<void> {
	const ingredients = new Map<IngredientId, string>();
	const preparations = new Map<PreparationId, string>();
	const pins: Pins = { ingredients, preparations };
	for (const other of INGREDIENTS) {
		const ingredient = ingredientOf(other);
		await nameIngredient(tx, ingredient);
		const revision = await insertIngredientRevision(tx, ingredient, {
			number: 1,
			weighingScaleId: other.weighedOn ? demoId('scale', other.weighedOn) : null,
			...by
		});
		ingredients.set(ingredient.id, revision);
	}
	const stepsOf = new Map(PREPARATIONS.map(({ name, steps }) => [name, steps]));
	for (const preparation of innerFirst(PREPARATIONS.map(preparationOf))) {
		await namePreparation(tx, preparation.id, preparation.name);
		const revision = await insertPreparationRevision(
			tx,
			preparation,
			{ number: 1, cause: 'edited', steps: stepsOf.get(preparation.name) ?? [], ...by },
			pins
		);
		preparations.set(preparation.id, revision);
	}
	for (const formula of FORMULAS) {
		const key = id<FormulaId>(demoId('formula', formula.name));
		await nameFormula(tx, key, formula.name);
		for (const [index, lines] of [
			...(formula.earlier ? [formula.earlier] : []),
			formula.lines
		].entries())
			await insertFormulaRevision(
				tx,
				{
					formula: {
						id: key,
						name: formula.name,
						lines: lines.map(([name, percentOfFlour, addition]) => ({
							material: material(name),
							percentOfFlour,
							addition: addition ?? 'start'
						})),
						doughLoss: { share: formula.doughLoss },
						deliveries: []
					},
					targetCelsius: formula.targetCelsius,
					frictionKilojoulesPerKilogram: formula.frictionKilojoulesPerKilogram,
					mostDoughGrams: formula.mostDoughGrams,
					steps: formula.steps
				},
				{ number: index + 1, cause: 'edited', ...by },
				pins
			);
	}
	for (const product of PRODUCTS) {
		const key = id<ProductId>(demoId('product', product.name));
		await nameProduct(tx, key, product.name);
		await insertProductRevision(
			tx,
			{
				product: {
					id: key,
					name: product.name,
					doughs: product.doughs.map(([formula, grams]) => ({
						formulaId: id<FormulaId>(demoId('formula', formula)),
						scaledWeight: { grams }
					})),
					extras: (product.extras ?? []).map(([use, name, grams, forPieces]) => ({
						use,
						material: material(name),
						amount: { grams },
						forPieces: forPieces ?? 1
					})),
					sheet: product.sheet ?? null,
					spares: { share: product.spares ?? 0 }
				},
				bakedGrams: product.bakedGrams ?? null,
				bakeLossShare: product.bakeLoss,
				sparesShare: product.spares ?? 0,
				shape: product.shape,
				score: product.score?.[0] ?? '',
				scoreMm: product.score?.[1] ?? null,
				vesselId: product.vessel ? demoId('vessel', product.vessel) : null,
				dividerId: product.divider ? demoId('divider', product.divider) : null,
				footprint: { lengthCm: product.footprint[0], widthCm: product.footprint[1] },
				heightCm: product.heightCm ?? null,
				sheet: product.sheet ?? null,
				piecesPerDeck: product.piecesPerDeck,
				spacingCm: USUAL_SPACING_CM,
				steps: product.steps
			},
			{ number: 1, cause: 'edited', ...by },
			pins
		);
	}
	for (const { flour, lot, daysAgo, properties } of DELIVERIES)
		await insertDelivery(
			tx,
			{
				id: id<DeliveryId>(demoId('delivery', lot)),
				ingredientId: id<IngredientId>(demoId('ingredient', flour)),
				receivedOn: addDays(today, -daysAgo),
				lot,
				properties
			},
			null
		);
}

function preparationOf(one: DemoPreparation): Preparation {
	return {
		id: id<PreparationId>(demoId('preparation', one.name)),
		name: one.name,
		kind: one.kind,
		lines: one.lines.map(([name, parts]) => ({ material: material(name), parts })),
		buildLoss: { share: one.buildLoss },
		takeBackGrams: one.takeBackGrams,
		...(one.bath ? { bath: one.bath } : {})
	};
}

function ingredientOf(one: DemoIngredient): Ingredient {
	return {
		id: id<IngredientId>(demoId('ingredient', one.name)),
		name: one.name,
		kind: one.kind,
		composition: {
			flour: one.flour ?? 0,
			water: one.water ?? 0,
			fat: one.fat ?? 0,
			sugar: one.sugar ?? 0,
			wholegrainOfFlour: one.wholegrain ?? 0
		},
		yeastFreshEquivalent: one.freshYeast ?? 0,
		allergens: one.allergens ?? [],
		heatCapacity: { kilojoulesPerKilogramKelvin: one.heatCapacity },
		density: one.density === undefined ? null : { kilogramsPerLitre: one.density },
		purity: { share: one.purity ?? 1 },
		rolling: one.rolling ?? null,
		pricePerKilogram: one.pricePerKilogram ?? null,
		weighedOn: one.weighedOn ?? null,
		placeId: one.standsIn ? demoPlaceId(one.standsIn) : null,
		retired: false
	};
}
