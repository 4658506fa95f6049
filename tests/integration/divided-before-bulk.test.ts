import { after as afterAll, before as beforeAll, test } from 'node:test';
import assert from 'node:assert/strict';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readFormula } from '../../src/lib/server/services/read-formula.ts';
import { readProduct } from '../../src/lib/server/services/read-product.ts';
import { readRipening } from '../../src/lib/server/services/read-ripening.ts';
import { formulaContent, productContent } from './book-content.ts';
import { NOW_MS, send, testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
beforeAll(async () => {
	t = await testDatabase();
});
afterAll(() => t.drop());

test('a dough that is divided before its bulk is followed as its pieces, and keeps no proof it has not', async () => {
	const formulaId = demoId('formula', 'School bun dough');
	const buns = async () => {
		const { doughs } = await readRipening(t.db, TOMORROW, NOW_MS);
		const found = doughs.find((dough) => dough.recipeId === formulaId);
		assert.ok(found);
		return found;
	};
	const before = await buns();
	assert.equal(before.name, 'School bun dough');
	const formula = await formulaContent(t.db, formulaId);
	const chain = (await readFormula(t.db, TOMORROW, formulaId))?.steps ?? [];
	const bulk = chain.find((step) => step.kind === 'wait' && step.clock !== null);
	assert.ok(bulk?.kind === 'wait');
	const mixed = chain.filter((step) => step.kind !== 'wait');
	assert.equal(
		(await send(t.db, { kind: 'save-formula', ...formula, steps: mixed })).outcome,
		'done'
	);
	// With no bulk anywhere there is nothing to follow it by.
	assert.equal((await buns()).step, null);
	const product = await productContent(t.db, demoId('product', 'School bun'));
	const [divide, ...rest] = (await readProduct(t.db, TOMORROW, product.productId))?.steps ?? [];
	assert.ok(divide?.kind === 'hands-on');
	const steps = [divide, { ...bulk, foldsAtMinutes: [] }, ...rest];
	assert.equal((await send(t.db, { kind: 'save-product', ...product, steps })).outcome, 'done');
	const after = await buns();
	assert.equal(after.name, 'School bun dough, as School bun');
	assert.ok(after.step && before.step);
	assert.equal(after.step.clock.ripeMinutes, before.step.clock.ripeMinutes);
	assert.deepEqual(after.step.legs[0]?.named?.name, 'Bakehouse', 'divided on the bench first');
	assert.ok((after.step.legs[0]?.minutes ?? 0) > 0);
	assert.deepEqual(
		after.step.legs.slice(1).map(({ ambientCelsius }) => ambientCelsius),
		before.step.legs.map(({ ambientCelsius }) => ambientCelsius)
	);
	assert.equal(after.proof?.product, before.proof?.product);
	assert.ok(
		(after.proof?.minutesBefore ?? Infinity) < (before.proof?.minutesBefore ?? 0),
		'dividing is behind it'
	);
	assert.equal(
		(
			await send(t.db, {
				kind: 'measure-dough',
				batch: after.batch,
				celsius: 25,
				waterCelsius: 15,
				instrument: 'core-probe',
				mixerId: null,
				program: null
			})
		).outcome,
		'done'
	);
	assert.equal((await buns()).mixed?.celsius, 25);
});
