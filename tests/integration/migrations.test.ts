import { test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { Migrator, sql } from 'kysely';
import { loadDoughTemperatures } from '../../src/lib/server/db/dough-temperatures.ts';
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

test('what was ignored or left behind in the third version stays so in the next', async () => {
	const t = await testDatabase('empty');
	try {
		const migrator = new Migrator({ db: t.db, provider: migrations });
		const { error } = await migrator.migrateTo('0003-dough-temperatures');
		assert.equal(error, undefined);
		const [person, command, formula, other, kept, wild] = Array.from({ length: 6 }, () =>
			randomUUID()
		) as [string, string, string, string, string, string];
		await sql`insert into person (id, name, role) values (${person}, 'Ilo Venn', 'baker')`.execute(
			t.db
		);
		await sql`insert into command (id, kind, actor_id, occurred_at, request, answer)
			values (${command}, 'measure-dough', ${person}, now(), '{}', '{}')`.execute(t.db);
		await sql`insert into formula (id, name) values (${formula}, 'Quay dough'), (${other}, 'Jetty dough')`.execute(
			t.db
		);
		for (const [id, of, celsius] of [
			[kept, formula, 25],
			[wild, formula, 36],
			[randomUUID(), other, 25]
		] as const)
			await sql`insert into dough_temperature (id, command_id, bake_date, formula_id, ordinal, dough_celsius,
				target_celsius, water_celsius, instrument, friction_kj_per_kg, dough_kj_per_kg_k, inputs, occurred_at)
				values (${id}, ${command}, '2026-11-20', ${of}, 1, ${celsius}, 25, 18, 'core-probe', 9.6, 2.7, '{}',
				'2026-11-19T22:00:00Z')`.execute(t.db);
		await sql`insert into dough_temperature_ignored (dough_temperature_id, command_id)
			values (${wild}, ${command})`.execute(t.db);
		await sql`insert into friction_reset (formula_id, at, command_id)
			values (${other}, '2026-11-21T00:00:00Z', ${command})`.execute(t.db);
		assert.deepEqual(await migrateToLatest(t.db), ['0004-readings-and-readiness']);
		const found = await loadDoughTemperatures(t.db, [formula, other]);
		assert.deepEqual(
			new Map(found.get(formula)?.map((one) => [one.id, one.ignored])),
			new Map([
				[kept, false],
				[wild, true]
			])
		);
		assert.deepEqual(found.get(other), [], 'its learning began anew');
		// How they were mixed was not told then: as the book says, in a full bowl.
		const [one] = found.get(formula) ?? [];
		assert.deepEqual([one?.mixerId, one?.program, one?.fillShare], [null, null, 1]);
	} finally {
		await t.drop();
	}
});
