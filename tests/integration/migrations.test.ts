import { test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { Migrator, sql } from 'kysely';
import { migrateToLatest } from '../../src/lib/server/db/migrate.ts';
import { migrations } from '../../src/lib/server/db/migrations/index.ts';
import { loadProducts } from '../../src/lib/server/db/products.ts';
import { testDatabase } from './test-database.ts';

test('a product written by the first version keeps its dough and weight', async () => {
	const t = await testDatabase('empty');
	try {
		const migrator = new Migrator({ db: t.db, provider: migrations });
		const { error } = await migrator.migrateTo('0001-first-slice');
		assert.equal(error, undefined);
		const [person, formula, product, revision] = Array.from({ length: 4 }, () => randomUUID());
		const oldSteps = [
			{
				kind: 'hands-on',
				activity: 'divide',
				machine: null,
				fixedMinutes: 2,
				secondsPerPiece: 8,
				endsAtCelsius: null
			},
			{
				kind: 'wait',
				activity: 'rest',
				legs: [{ place: 'room', ambientCelsius: 22, timeConstantMinutes: 90, minutes: 20 }],
				clock: null,
				foldsAtMinutes: []
			}
		];
		await sql`insert into person (id, name, role) values (${person}, 'Ilo Venn', 'baker')`.execute(
			t.db
		);
		await sql`insert into formula (id, name) values (${formula}, 'Quay dough')`.execute(t.db);
		await sql`insert into product (id, name, ordinal) values (${product}, 'Quay loaf', 1)`.execute(
			t.db
		);
		await sql`insert into product_revision (id, product_id, number, formula_id, scaled_g, pieces_per_deck, steps, made_by)
			values (${revision}, ${product}, 1, ${formula}, 850, 16, ${JSON.stringify(oldSteps)}, ${person})`.execute(
			t.db
		);
		assert.deepEqual(await migrateToLatest(t.db), [
			'0002-formula-book',
			'0003-dough-temperatures',
			'0004-readings-and-readiness'
		]);
		const [kept] = await loadProducts(t.db);
		assert.ok(kept);
		assert.deepEqual(kept.product.doughs, [{ formulaId: formula, scaledWeight: { grams: 850 } }]);
		assert.deepEqual(kept.product.extras, []);
		assert.equal(kept.steps[0]?.kind === 'hands-on' && kept.steps[0].detail.kind, 'none');
		assert.deepEqual(kept.steps[1]?.kind === 'wait' && kept.steps[1].foldsAtShares, []);
	} finally {
		await t.drop();
	}
});
