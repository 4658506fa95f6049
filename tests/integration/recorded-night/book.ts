import assert from 'node:assert/strict';
import {
	id,
	type DeliveryId,
	type FormulaId,
	type IngredientId,
	type PreparationId
} from '../../../src/lib/core/identity.ts';
import { loadFormulaBook } from '../../../src/lib/server/db/formula-book.ts';
import { demoId } from '../../../src/lib/server/demo/demo-id.ts';
import { formulaContent, preparationContent, productContent } from '../book-content.ts';
import { ingredientContent } from '../ingredient-content.ts';
import { HARBOUR_DOUGH, LEVAIN, LOAF } from '../test-database.ts';
import { nightId, STICK, type Night } from './night.ts';

/** A book that is edited while the night runs: revised, added to, saved beside somebody, retired from. */
export async function editTheBook({ db, tell }: Night): Promise<void> {
	const harbour = await formulaContent(db, HARBOUR_DOUGH);
	await tell(548, {
		kind: 'save-formula',
		...harbour,
		doughLossShare: 0.05,
		targetCelsius: harbour.targetCelsius + 1
	});
	await tell(549, {
		kind: 'save-preparation',
		...(await preparationContent(db, LEVAIN)),
		buildLossShare: 0.03,
		takeBackGrams: 1200
	});
	const stick = await productContent(db, STICK);
	await tell(550, {
		kind: 'save-product',
		...stick,
		name: 'Long ferry stick',
		doughs: stick.doughs.map((dough) => ({ ...dough, scaledGrams: dough.scaledGrams + 20 })),
		bakeLossShare: 0.21
	});
	await tell(551, {
		kind: 'save-ingredient',
		...(await ingredientContent(db, 'Butter')),
		pricePerKilogram: 9.25
	});
	await tell(552, {
		kind: 'create-formula',
		formulaId: id<FormulaId>(nightId('formula')),
		name: 'Gale dough'
	});
	await tell(553, {
		kind: 'create-formula',
		formulaId: id<FormulaId>(nightId('other formula')),
		name: 'harbour  dough'
	});
	const book = await loadFormulaBook(db);
	const rye = book.formulas.find(({ formula }) => formula.name === 'Storm rye');
	assert.ok(rye, 'the book has the storm rye');
	await tell(554, { kind: 'retire', what: 'formula', entityId: rye.formula.id, retired: true });
	await tell(554, { kind: 'retire', what: 'product', entityId: LOAF, retired: true });
	await tell(554, { kind: 'retire', what: 'product', entityId: LOAF, retired: false });
	// Saved by somebody who had not seen the newest: kept beside it.
	const beside = await tell(554, { kind: 'save-formula', ...harbour, doughLossShare: 0.01 });
	const kept = await tell(554, { kind: 'save-formula', ...harbour, doughLossShare: 0.02 });
	assert.ok(kept.outcome === 'done' && kept.answer.kind === 'kept-as-draft', JSON.stringify(kept));
	assert.equal(beside.outcome, 'done');
	await tell(554, { kind: 'set-aside-draft', draftId: kept.answer.draftId });
	await addToTheBook({ db, tell });
	await bringIn({ db, tell });
}

/** A dough of our book, as a file from afar would bring it. */
async function bringIn({ db, tell }: Night): Promise<void> {
	const harbour = await formulaContent(db, HARBOUR_DOUGH);
	const { name: _, expectedRevision: __, deliveries: ___, preparations: ____, ...dough } = harbour;
	const rye = await ingredientContent(db, 'Light rye flour');
	await tell(554, {
		kind: 'bring-in',
		ingredients: [],
		preparations: [],
		formulas: [
			{ ...dough, formulaId: id<FormulaId>(nightId('from afar')), name: 'Dough from afar' }
		],
		products: [],
		matches: [
			{
				name: 'Roggenmehl',
				material: { kind: 'ingredient', ingredientId: rye.ingredientId }
			}
		]
	});
}

async function addToTheBook({ db, tell }: Night): Promise<void> {
	await tell(554, {
		kind: 'save-ingredient',
		...(await ingredientContent(db, 'Milk')),
		ingredientId: id<IngredientId>(nightId('buttermilk')),
		expectedVersion: 0,
		name: 'Buttermilk',
		density: 1.03,
		pricePerKilogram: 1.4
	});
	await tell(554, {
		kind: 'add-delivery',
		deliveryId: id<DeliveryId>(nightId('delivery')),
		ingredientId: id<IngredientId>(demoId('ingredient', 'Light rye flour')),
		receivedOn: '2026-11-22',
		lot: 'LR 77',
		properties: {
			extractionPercent: null,
			proteinPercent: 9.8,
			ashPercent: 0.9,
			moisturePercent: null,
			fallingNumberSeconds: 180,
			absorptionPoints: 1,
			milling: 'stone',
			wholegrainPercent: null
		}
	});
	await tell(554, {
		kind: 'save-preparation',
		...(await preparationContent(db, LEVAIN)),
		preparationId: id<PreparationId>(nightId('build')),
		expectedRevision: 0,
		name: 'Gale levain',
		takeBackGrams: 300
	});
	await tell(554, {
		kind: 'save-product',
		...(await productContent(db, LOAF)),
		productId: nightId('product'),
		expectedRevision: 0,
		name: 'Gale loaf',
		footprint: null,
		piecesPerDeck: 18
	});
	const harbour = await formulaContent(db, HARBOUR_DOUGH);
	await tell(554, {
		kind: 'save-formula',
		...harbour,
		deliveries: [
			{
				ingredientId: id<IngredientId>(demoId('ingredient', 'Light rye flour')),
				deliveryId: id<DeliveryId>(nightId('delivery'))
			}
		],
		preparations: [
			{
				preparationId: id<PreparationId>(nightId('own levain')),
				expectedRevision: 0,
				newName: 'Harbour levain',
				copyOf: id<PreparationId>(LEVAIN),
				lines: (await preparationContent(db, LEVAIN)).lines
			}
		],
		lines: harbour.lines.map((line) =>
			line.material.kind === 'preparation' && line.material.preparationId === LEVAIN
				? {
						...line,
						material: {
							kind: 'preparation' as const,
							preparationId: id<PreparationId>(nightId('own levain'))
						}
					}
				: line
		)
	});
}
