import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { id, type DeliveryId, type IngredientId } from '../../src/lib/core/identity.ts';
import { loadDeliveries } from '../../src/lib/server/db/ingredients.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readFormula } from '../../src/lib/server/services/read-formula.ts';
import { readIngredient } from '../../src/lib/server/services/read-ingredient.ts';
import { ingredientContent } from './ingredient-content.ts';
import { HARBOUR_DOUGH, send, testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
});
after(() => t.drop());

test('an ingredient keeps the formulas it is in possible, and two editors do not overwrite each other', async () => {
	const butter = await ingredientContent(t.db, 'Butter');
	const done = await send(t.db, { kind: 'save-ingredient', ...butter, pricePerKilogram: 9.1 });
	assert.deepEqual(done, { outcome: 'done', answer: { version: 2 } });
	const stale = await send(t.db, { kind: 'save-ingredient', ...butter, pricePerKilogram: 7 });
	assert.ok(
		stale.outcome === 'refused' && stale.refusal.kind === 'newer-revision',
		JSON.stringify(stale)
	);
	const flour = await ingredientContent(t.db, 'Bread flour');
	const half = await send(t.db, {
		kind: 'save-ingredient',
		...flour,
		composition: { ...flour.composition, flour: 0.5 }
	});
	assert.ok(
		half.outcome === 'refused' && half.refusal.kind === 'formula-impossible',
		JSON.stringify(half)
	);
	const scale = await send(t.db, { kind: 'save-ingredient', ...flour, weighedOn: 'kitchen scale' });
	assert.ok(scale.outcome === 'refused' && scale.refusal.kind === 'unknown', JSON.stringify(scale));
	const spelt = {
		...flour,
		ingredientId: randomUUID(),
		expectedVersion: 0,
		name: 'Spelt flour',
		weighedOn: 'bench scale'
	};
	assert.equal((await send(t.db, { kind: 'save-ingredient', ...spelt })).outcome, 'done');
	const read = await readIngredient(t.db, TOMORROW, spelt.ingredientId);
	assert.equal(read?.ingredient?.weighedOn, 'bench scale');
	const twice = await send(t.db, {
		kind: 'save-ingredient',
		...spelt,
		ingredientId: randomUUID()
	});
	assert.ok(
		twice.outcome === 'refused' && twice.refusal.kind === 'name-taken',
		JSON.stringify(twice)
	);
});

test('a delivery is written down once, and a formula can name it', async () => {
	const ingredientId = demoId('ingredient', 'Light rye flour');
	const deliveryId = randomUUID();
	const entry = {
		ingredientId,
		receivedOn: '2026-11-22',
		lot: 'LR 77',
		properties: {
			extractionPercent: null,
			proteinPercent: null,
			ashPercent: 0.9,
			moisturePercent: null,
			fallingNumberSeconds: null,
			absorptionPoints: 1,
			milling: 'stone' as const,
			wholegrainPercent: null
		}
	};
	const done = await send(t.db, { kind: 'add-delivery', deliveryId, ...entry });
	assert.deepEqual(done, { outcome: 'done', answer: { deliveryId } });
	const again = await send(t.db, { kind: 'add-delivery', deliveryId: randomUUID(), ...entry });
	assert.ok(
		again.outcome === 'refused' && again.refusal.kind === 'name-taken',
		JSON.stringify(again)
	);
	const lost = await send(t.db, {
		kind: 'add-delivery',
		deliveryId: randomUUID(),
		...entry,
		ingredientId: randomUUID()
	});
	assert.ok(lost.outcome === 'refused' && lost.refusal.kind === 'unknown', JSON.stringify(lost));
	const found = await readFormula(t.db, TOMORROW, HARBOUR_DOUGH);
	assert.ok(found);
	const content = {
		formulaId: found.formula.id,
		expectedRevision: found.revision,
		name: found.formula.name,
		doughLossShare: found.formula.doughLoss.share,
		targetCelsius: 26,
		mostDoughGrams: 20_000,
		steps: [...found.steps],
		lines: [...found.formula.lines],
		preparations: []
	};
	const named = [
		{ ingredientId: id<IngredientId>(ingredientId), deliveryId: id<DeliveryId>(deliveryId) }
	];
	const saved = await send(t.db, { kind: 'save-formula', ...content, deliveries: named });
	assert.ok(saved.outcome === 'done' && saved.answer.kind === 'saved', JSON.stringify(saved));
	const after = await readFormula(t.db, TOMORROW, HARBOUR_DOUGH);
	assert.deepEqual(after?.formula.deliveries, named);
	assert.deepEqual([after?.targetCelsius, after?.mostDoughGrams], [26, 20_000]);
	const wrong = await send(t.db, {
		kind: 'save-formula',
		...content,
		expectedRevision: found.revision + 1,
		deliveries: [{ ...named[0]!, deliveryId: id<DeliveryId>(demoId('delivery', 'BF 3118')) }]
	});
	assert.ok(wrong.outcome === 'refused' && wrong.refusal.kind === 'unknown', JSON.stringify(wrong));
	const [bread] = (await loadDeliveries(t.db)).filter((delivery) => delivery.lot === 'BF 3162');
	assert.equal(bread?.properties.absorptionPoints, 2);
	assert.equal(bread?.receivedOn, '2026-11-20', 'three days before the demo’s today');
});
