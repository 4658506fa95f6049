import { randomUUID } from 'node:crypto';
import type { FormulaLine, Ingredient } from '../../src/lib/core/formula/index.ts';
import { id, type FormulaId, type IngredientId } from '../../src/lib/core/identity.ts';
import type { Db } from '../../src/lib/server/db/client.ts';
import { loadFormulaBook, pinsOf } from '../../src/lib/server/db/formula-book.ts';
import { insertFormulaRevision, nameFormula } from '../../src/lib/server/db/formulas.ts';
import { insertIngredientRevision, nameIngredient } from '../../src/lib/server/db/ingredients.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { NOW_MS } from '../integration/test-database.ts';

const LONG =
	'with a name as long as the label of the oldest tin on the highest shelf of the storeroom';

/** Grows the demo's book by generated formulas: each of some lines, the first of sixty. */
export async function growBook(db: Db, formulas: number): Promise<void> {
	const madeBy = demoId('person', 'Maud Tarrow');
	const ingredients = Array.from({ length: 58 }, (_, at): Ingredient => ({
		id: id<IngredientId>(randomUUID()),
		name: at === 0 ? `Ingredient 0 ${LONG}` : `Ingredient ${at}`,
		kind: 'other',
		composition: { flour: 0, water: 0.1, fat: 0, sugar: 0, wholegrainOfFlour: 0 },
		yeastFreshEquivalent: 0,
		allergens: [],
		heatCapacity: { kilojoulesPerKilogramKelvin: 1.5 },
		purity: { share: 1 },
		rolling: null,
		weighedOn: null,
		placeId: null,
		retired: false,
		density: null,
		pricePerKilogram: null
	}));
	await db.transaction().execute(async (tx) => {
		for (const ingredient of ingredients) {
			await nameIngredient(tx, ingredient);
			await insertIngredientRevision(tx, ingredient, {
				number: 1,
				weighingScaleId: null,
				madeBy,
				occurredAtMs: NOW_MS
			});
		}
		const pins = pinsOf(await loadFormulaBook(tx));
		const line = (ingredientId: IngredientId, percentOfFlour: number): FormulaLine => ({
			material: { kind: 'ingredient', ingredientId },
			percentOfFlour,
			addition: 'start'
		});
		const start = [
			line(id<IngredientId>(demoId('ingredient', 'Bread flour')), 100),
			line(id<IngredientId>(demoId('ingredient', 'Water')), 60)
		];
		for (let at = 0; at < formulas; at += 1) {
			const formulaId = id<FormulaId>(randomUUID());
			const name = at === 0 ? `Zenith dough of sixty lines ${LONG}` : `Generated dough ${at}`;
			const others = ingredients.slice(0, at === 0 ? 58 : 3 + (at % 9));
			await nameFormula(tx, formulaId, name);
			await insertFormulaRevision(
				tx,
				{
					formula: {
						id: formulaId,
						name,
						lines: [...start, ...others.map((other) => line(other.id, 1.5))],
						doughLoss: { share: 0.02 },
						deliveries: []
					},
					targetCelsius: 25,
					frictionKilojoulesPerKilogram: 9.6,
					mostDoughGrams: null,
					steps: []
				},
				{ number: 1, cause: 'edited', madeBy, occurredAtMs: NOW_MS },
				pins
			);
		}
	});
}
