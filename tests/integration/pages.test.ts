import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { readOrders } from '../../src/lib/server/services/read-orders.ts';
import { readWater } from '../../src/lib/server/services/read-water.ts';
import { NOW_MS, testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
});
after(() => t.drop());

test('a piece weighs what its doughs weigh together', async () => {
	const { products } = await readOrders(t.db, TOMORROW);
	const gramsOf = (name: string) => products.find((one) => one.name === name)?.scaledGrams;
	const rows = await t.db
		.selectFrom('product_revision_dough as dough')
		.innerJoin('product_revision as revision', 'revision.id', 'dough.revision_id')
		.select(['revision.name', 'dough.scaled_g'])
		.execute();
	const two = rows.filter((one) => one.name === 'Two-light plait');
	assert.equal(two.length, 2);
	assert.equal(
		gramsOf('Two-light plait'),
		two.reduce((total, one) => total + Number(one.scaled_g), 0)
	);
	assert.equal(gramsOf('Harbour loaf'), 900);
});

test('a sour is told what its first ripening favours, and a yeasted build is not', async () => {
	const { builds } = await readWater(t.db, TOMORROW, NOW_MS);
	const told = builds.map(({ name, favour }) => [
		name,
		favour?.favours ?? null,
		favour && Math.round(favour.times * 100) / 100
	]);
	assert.deepEqual(told, [
		['Rye sour, first stage', 'lift', 1.35],
		['Rye sour, full', 'lift', 1.12],
		['Poolish', null, null],
		['Wheat levain', 'lift', 1.35]
	]);
});
