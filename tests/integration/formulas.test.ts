import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import {
	rebalance,
	resolveFormula,
	figuresOf,
	splitOffBuild,
	type Formula,
	type Pantry,
	type Preparation
} from '../../src/lib/core/formula/index.ts';
import { id, type PreparationId } from '../../src/lib/core/identity.ts';
import { loadFormulaBook } from '../../src/lib/server/db/formula-book.ts';
import { readFirstFormula, readFormula } from '../../src/lib/server/services/read-formula.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import {
	HARBOUR_DOUGH,
	LEVAIN,
	send,
	testDatabase,
	TOMORROW,
	type TestDatabase
} from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
});
after(() => t.drop());

async function view() {
	const found = await readFormula(t.db, TOMORROW, HARBOUR_DOUGH);
	assert.ok(found);
	const pantry: Pantry = {
		ingredients: new Map(found.ingredients.map((one) => [one.id, one])),
		preparations: new Map(
			found.preparations.map(({ preparation }) => [preparation.id, preparation])
		)
	};
	return { ...found, pantry };
}
const save = (
	formula: Formula,
	expectedRevision: number,
	preparations: { one: Preparation; revision: number }[] = []
) =>
	send(t.db, {
		kind: 'save-formula',
		formulaId: formula.id,
		expectedRevision,
		lines: formula.lines.map((line) => ({ ...line })),
		preparations: preparations.map(({ one, revision }) => ({
			preparationId: one.id,
			expectedRevision: revision,
			newName: revision === 0 ? one.name : null,
			lines: one.lines.map((line) => ({ ...line }))
		}))
	});

test('a formula is saved as a revision of its own, and the plan is pinned to it', async () => {
	const before = await view();
	const planned = await readPlan(t.db, TOMORROW);
	const moved = rebalance(before.formula, before.pantry, id<PreparationId>(LEVAIN), {
		kind: 'prefermented-flour',
		percent: 20
	});
	assert.ok(moved.ok);
	const done = await save(moved.value.formula, 1);
	assert.deepEqual(done, { outcome: 'done', answer: { revision: 2 } });
	const after = await view();
	assert.equal(after.revision, 2);
	assert.equal(after.madeBy, 'Maud Tarrow');
	const resolved = resolveFormula(after.formula, after.pantry);
	assert.ok(resolved.ok);
	assert.ok(Math.abs(figuresOf(resolved.value).prefermentedFlour - 20) < 1e-9);
	assert.deepEqual(
		after.changes.flatMap((change) => change.lines.map((line) => line.name)).sort(),
		['Bread flour', 'Water', 'Wheat levain', 'Wholemeal wheat']
	);
	const revisionOf = (input: typeof planned.input) =>
		input.doughs.find((one) => one.formulaId === HARBOUR_DOUGH)?.revisionId;
	assert.notEqual(revisionOf((await readPlan(t.db, TOMORROW)).input), revisionOf(planned.input));
	const stored = await t.db
		.selectFrom('formula_revision')
		.select('number')
		.where('formula_id', '=', HARBOUR_DOUGH)
		.execute();
	assert.deepEqual(
		stored.map((one) => one.number).sort(),
		[1, 2],
		'the first revision is still there'
	);
});

test('a build that changed with its formula gets a revision too, and both are compared', async () => {
	const before = await view();
	const moved = rebalance(before.formula, before.pantry, id<PreparationId>(LEVAIN), {
		kind: 'hydration',
		percent: 80
	});
	assert.ok(moved.ok && moved.value.preparation);
	const done = await save(moved.value.formula, 2, [{ one: moved.value.preparation, revision: 1 }]);
	assert.deepEqual(done, { outcome: 'done', answer: { revision: 3 } });
	const after = await view();
	const levain = after.changes.find((change) => change.part === 'Wheat levain');
	assert.ok(
		levain?.lines.some((line) => line.name === 'Water' && (line.after ?? 0) < (line.before ?? 0))
	);
});

test('of two bakers who save one formula, the second is told whose revision is newer', async () => {
	const { formula } = await view();
	const second = await save(formula, 2);
	assert.deepEqual(second, {
		outcome: 'refused',
		refusal: { kind: 'newer-revision', name: 'Harbour dough', revision: 3, by: 'Maud Tarrow' }
	});
	const stale = await save(formula, 3, [
		{ one: (await view()).pantry.preparations.get(id<PreparationId>(LEVAIN))!, revision: 1 }
	]);
	assert.ok(stale.outcome === 'refused' && stale.refusal.kind === 'newer-revision');
});

test('a formula that cannot be made is refused with the line and the reason, and nothing is written', async () => {
	const { formula, revision, pantry } = await view();
	const short = { ...formula, lines: formula.lines.slice(1) };
	const refused = await save(short, revision);
	assert.ok(refused.outcome === 'refused' && refused.refusal.kind === 'formula-impossible');
	assert.equal(refused.refusal.reason.kind, 'flour-not-100');
	const unknown = {
		...formula,
		lines: [
			...formula.lines,
			{
				material: { kind: 'ingredient' as const, ingredientId: randomUUID() as never },
				percentOfFlour: 1,
				addition: 'start' as const
			}
		]
	};
	const lost = await save(unknown, revision);
	assert.ok(
		lost.outcome === 'refused' &&
			lost.refusal.kind === 'formula-impossible' &&
			lost.refusal.reason.kind === 'unknown-ingredient'
	);
	const levain = pantry.preparations.get(id<PreparationId>(LEVAIN))!;
	const circle: Preparation = {
		...levain,
		lines: [
			...levain.lines,
			{ material: { kind: 'preparation', preparationId: levain.id }, parts: 1 }
		]
	};
	const round = await save(formula, revision, [{ one: circle, revision: 2 }]);
	assert.ok(round.outcome === 'refused' && round.refusal.kind === 'formula-impossible');
	const nobody = await save({ ...formula, id: randomUUID() as never }, 1);
	assert.ok(nobody.outcome === 'refused' && nobody.refusal.kind === 'unknown');
	assert.equal((await view()).revision, revision);
});

test('a formula begins from a name, with builds of its own, and no name is given twice', async () => {
	const formulaId = randomUUID();
	const begun = await send(t.db, { kind: 'create-formula', formulaId, name: 'Beacon loaf' });
	assert.deepEqual(begun, { outcome: 'done', answer: { formulaId } });
	const twice = await send(t.db, {
		kind: 'create-formula',
		formulaId: randomUUID(),
		name: 'Beacon loaf'
	});
	assert.deepEqual(twice, {
		outcome: 'refused',
		refusal: { kind: 'name-taken', name: 'Beacon loaf' }
	});
	const found = await readFormula(t.db, TOMORROW, formulaId);
	assert.ok(found);
	const { pantry } = await view();
	const resolved = resolveFormula(found.formula, pantry);
	assert.ok(resolved.ok);
	const one = splitOffBuild(resolved.value, {
		into: null,
		id: id<PreparationId>(randomUUID()),
		name: 'Beacon levain',
		flourPercent: 15
	});
	assert.ok(one.ok);
	const [levain] = one.value.preparations;
	assert.ok(levain);
	const within = resolveFormula(one.value.formula, {
		...pantry,
		preparations: new Map(pantry.preparations).set(levain.id, levain)
	});
	assert.ok(within.ok);
	const two = splitOffBuild(within.value, {
		into: levain.id,
		id: id<PreparationId>(randomUUID()),
		name: 'Beacon feed',
		flourPercent: 3
	});
	assert.ok(two.ok);
	const saved = await save(
		two.value.formula,
		1,
		two.value.preparations.map((each) => ({ one: each, revision: 0 }))
	);
	assert.deepEqual(saved, { outcome: 'done', answer: { revision: 2 } });
	const after = await readFormula(t.db, TOMORROW, formulaId);
	const stages = after?.preparations.filter(({ preparation }) =>
		preparation.name.startsWith('Beacon')
	);
	assert.equal(stages?.length, 2);
	const again = await save({ ...two.value.formula }, 2, [
		{ one: { ...levain, id: id<PreparationId>(randomUUID()) }, revision: 0 }
	]);
	assert.ok(again.outcome === 'refused' && again.refusal.kind === 'name-taken');
});

test('the room opens with the first formula, and an unknown one is none', async () => {
	const book = await loadFormulaBook(t.db);
	assert.ok(book.formulas.some((one) => one.formula.id === HARBOUR_DOUGH));
	assert.equal(
		await readFirstFormula(t.db),
		(await loadFormulaBook(t.db)).formulas.find((one) => one.formula.name === 'Beacon loaf')
			?.formula.id
	);
	assert.equal(await readFormula(t.db, TOMORROW, randomUUID()), null);
	const { products, mixerMostGrams } = await view();
	assert.deepEqual(
		products.map((one) => [one.name, one.ordered]),
		[
			['Harbour loaf', 45],
			['Harbour small', 17]
		]
	);
	assert.equal(mixerMostGrams, 32_000);
});
