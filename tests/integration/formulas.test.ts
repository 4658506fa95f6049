import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import {
	rebalance,
	resolveFormula,
	compareFormulas,
	comparePreparations,
	figuresOf,
	makeOwn,
	splitOffBuild,
	type Formula,
	type Pantry,
	type Preparation
} from '../../src/lib/core/formula/index.ts';
import type { FormulaContent } from '../../src/lib/contracts/formula-book.ts';
import { id, type PreparationId } from '../../src/lib/core/identity.ts';
import { loadFormulaBook } from '../../src/lib/server/db/formula-book.ts';
import { readFormula, readOpening } from '../../src/lib/server/services/read-formula.ts';
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
		causticMost: found.causticMost,
		ingredients: new Map(found.ingredients.map((ingredient) => [ingredient.id, ingredient])),
		preparations: new Map(
			found.preparations.map(({ preparation }) => [preparation.id, preparation])
		)
	};
	return { ...found, pantry };
}
/** The lines in which the compared revisions of the final dough differ, and those of one build. */
function differences(found: Awaited<ReturnType<typeof view>>) {
	assert.ok(found.comparison);
	const { before, after } = found.comparison;
	const recipe = (side: typeof before, name: string) =>
		side.preparations.find((preparation) => preparation.name === name);
	return {
		lines: compareFormulas(before.formula, after.formula),
		ofBuild: (name: string) => {
			const [old, now] = [recipe(before, name), recipe(after, name)];
			assert.ok(old && now);
			return comparePreparations(old, now);
		}
	};
}
/** What is saved when only lines change. */
async function contentOf(
	formula: Formula,
	expectedRevision: number,
	preparations: { one: Preparation; revision: number; copyOf?: PreparationId }[] = []
): Promise<FormulaContent> {
	const found = await readFormula(t.db, TOMORROW, formula.id);
	return {
		formulaId: formula.id,
		expectedRevision,
		name: formula.name,
		doughLossShare: formula.doughLoss.share,
		targetCelsius: found?.targetCelsius ?? 25,
		mostDoughGrams: found?.mostDoughGrams ?? null,
		steps: [...(found?.steps ?? [])],
		deliveries: [...formula.deliveries],
		lines: formula.lines.map((line) => ({ ...line })),
		preparations: preparations.map(({ one, revision, copyOf }) => ({
			preparationId: one.id,
			expectedRevision: revision,
			newName: revision === 0 ? one.name : null,
			copyOf: copyOf ?? null,
			lines: one.lines.map((line) => ({ ...line }))
		}))
	};
}
async function save(...what: Parameters<typeof contentOf>) {
	return send(t.db, { kind: 'save-formula', ...(await contentOf(...what)) });
}
const savedAs = (revision: number) => ({
	outcome: 'done',
	answer: { kind: 'saved', revision }
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
	assert.deepEqual(done, savedAs(2));
	const after = await view();
	assert.equal(after.revision, 2);
	assert.equal(after.madeBy, 'Maud Tarrow');
	const resolved = resolveFormula(after.formula, after.pantry);
	assert.ok(resolved.ok);
	assert.ok(Math.abs(figuresOf(resolved.value).prefermentedFlour - 20) < 1e-9);
	assert.equal(differences(after).lines.length, 4, 'levain, two flours, water');
	assert.deepEqual(
		after.revisions.map((revision) => [revision.number, revision.by]),
		[
			[2, 'Maud Tarrow'],
			[1, 'Maud Tarrow']
		]
	);
	const revisionOf = (input: typeof planned.input) =>
		input.doughs.find((dough) => dough.formulaId === HARBOUR_DOUGH)?.mixes[0]?.revisionId;
	assert.notEqual(revisionOf((await readPlan(t.db, TOMORROW)).input), revisionOf(planned.input));
	const stored = await t.db
		.selectFrom('formula_revision')
		.select('number')
		.where('formula_id', '=', HARBOUR_DOUGH)
		.execute();
	assert.deepEqual(
		stored.map((revision) => revision.number).sort(),
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
	assert.ok(moved.ok);
	const [levain] = moved.value.preparations;
	assert.ok(levain);
	const done = await save(moved.value.formula, 2, [{ one: levain, revision: 1 }]);
	assert.deepEqual(done, savedAs(3));
	assert.ok(differences(await view()).ofBuild('Wheat levain').length > 0);
	const older = await readFormula(t.db, TOMORROW, HARBOUR_DOUGH, { from: 1, to: 2 });
	assert.ok(older?.comparison);
	assert.deepEqual(
		[older.comparison.before.number, older.comparison.after.number],
		[1, 2],
		'any two are compared'
	);
	const was = older.comparison.after.preparations.find(
		(preparation) => preparation.name === 'Wheat levain'
	);
	assert.deepEqual(
		was?.lines.map((line) => line.parts),
		[10, 22.5, 2.5, 25],
		'an older revision takes from the build as it was'
	);
	assert.equal(
		(await readFormula(t.db, TOMORROW, HARBOUR_DOUGH, { from: 7, to: 9 }))?.comparison,
		null
	);
});

test('of two bakers who save one formula, the second save stands beside the first as a draft', async () => {
	const { formula, revision, preparations } = await view();
	const salted = {
		...formula,
		lines: formula.lines.map((line) =>
			line.addition === 'late' ? { ...line, percentOfFlour: 1.9 } : line
		)
	};
	const second = await save(salted, revision - 1);
	assert.ok(
		second.outcome === 'done' && second.answer.kind === 'kept-as-draft',
		JSON.stringify(second)
	);
	assert.equal(second.answer.by, 'Maud Tarrow');
	const after = await view();
	assert.equal(after.revision, revision, 'nothing was merged');
	const [draft] = after.drafts;
	assert.ok(draft);
	assert.equal(draft.baseRevision, revision - 1);
	assert.deepEqual(
		compareFormulas(after.formula, draft.revision.formula).map((line) => [line.before, line.after]),
		[[2.1, 1.9]]
	);
	const levain = preparations.find(({ preparation }) => preparation.name === 'Wheat levain');
	assert.ok(levain);
	const older = await save(formula, revision, [
		{ one: levain.preparation, revision: levain.revision - 1 }
	]);
	assert.ok(
		older.outcome === 'done' && older.answer.kind === 'kept-as-draft',
		JSON.stringify(older)
	);
	for (const draft of (await view()).drafts)
		assert.equal(
			(await send(t.db, { kind: 'set-aside-draft', draftId: draft.id })).outcome,
			'done'
		);
	assert.deepEqual((await view()).drafts, []);
	const lost = await send(t.db, { kind: 'set-aside-draft', draftId: randomUUID() });
	assert.ok(lost.outcome === 'refused' && lost.refusal.kind === 'unknown', JSON.stringify(lost));
});

test('a shared build made the own of a formula keeps its steps and losses, and the others keep theirs', async () => {
	const before = await view();
	const resolved = resolveFormula(before.formula, before.pantry);
	assert.ok(resolved.ok);
	const copy = { id: id<PreparationId>(randomUUID()), name: 'Harbour levain' };
	const own = makeOwn(resolved.value, id<PreparationId>(LEVAIN), copy);
	assert.ok(own.ok);
	const done = await save(own.value.formula, before.revision, [
		{
			one: own.value.preparations.find((preparation) => preparation.id === copy.id)!,
			revision: 0,
			copyOf: id<PreparationId>(LEVAIN)
		}
	]);
	assert.deepEqual(done, savedAs(before.revision + 1));
	const book = await loadFormulaBook(t.db);
	const made = book.preparations.get(copy.id);
	const shared = book.preparations.get(id<PreparationId>(LEVAIN));
	assert.ok(made && shared);
	assert.deepEqual(made.steps, shared.steps);
	assert.equal(made.preparation.takeBackGrams, shared.preparation.takeBackGrams);
	assert.deepEqual(made.preparation.lines.length, shared.preparation.lines.length);
	assert.equal(shared.number, 2, 'the shared one has no new revision');
});

test('a formula that cannot be made is refused with the line and the reason, and nothing is written', async () => {
	const { formula, revision, pantry } = await view();
	const short = { ...formula, lines: formula.lines.slice(1) };
	const refused = await save(short, revision);
	assert.ok(
		refused.outcome === 'refused' && refused.refusal.kind === 'formula-impossible',
		JSON.stringify(refused)
	);
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
	const { comparison } = await readFormula(t.db, TOMORROW, HARBOUR_DOUGH, { from: 1, to: 1 }).then(
		(found) => found!
	);
	const before = { ...formula, lines: comparison!.before.formula.lines };
	const circle: Preparation = {
		...levain,
		lines: [
			...levain.lines,
			{ material: { kind: 'preparation', preparationId: levain.id }, parts: 1 }
		]
	};
	const round = await save(before, revision, [{ one: circle, revision: 2 }]);
	assert.ok(
		round.outcome === 'refused' && round.refusal.kind === 'formula-impossible',
		JSON.stringify(round)
	);
	const nobody = await save({ ...formula, id: randomUUID() as never }, 1);
	assert.ok(
		nobody.outcome === 'refused' && nobody.refusal.kind === 'unknown',
		JSON.stringify(nobody)
	);
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
	assert.deepEqual(saved, savedAs(2));
	const after = await readFormula(t.db, TOMORROW, formulaId);
	const stages = after?.preparations.filter(({ preparation }) =>
		preparation.name.startsWith('Beacon')
	);
	assert.equal(stages?.length, 2);
	const again = await save({ ...two.value.formula }, 2, [
		{ one: { ...levain, id: id<PreparationId>(randomUUID()) }, revision: 0 }
	]);
	assert.ok(
		again.outcome === 'refused' && again.refusal.kind === 'name-taken',
		JSON.stringify(again)
	);
});

test('the room opens with the first formula, and an unknown one is none', async () => {
	const book = await loadFormulaBook(t.db);
	assert.ok(book.formulas.some((revision) => revision.formula.id === HARBOUR_DOUGH));
	assert.equal(
		(await readOpening(t.db)).first,
		(await loadFormulaBook(t.db)).formulas.find(
			(revision) => revision.formula.name === 'Beacon loaf'
		)?.formula.id
	);
	assert.equal(await readFormula(t.db, TOMORROW, randomUUID()), null);
	const { products, mixerMostGrams } = await view();
	assert.deepEqual(
		products.map((product) => [product.name, product.ordered]),
		[
			['Harbour loaf', 45],
			['Harbour small', 17],
			['Harbour long', 0]
		]
	);
	assert.equal(mixerMostGrams, 32_000);
});

test('a product of one dough tells what its label promises, a plait of two promises nothing of either', async () => {
	const book = await loadFormulaBook(t.db);
	const productsOf = async (name: string) => {
		const formula = book.formulas.find((one) => one.formula.name === name);
		assert.ok(formula);
		const found = await readFormula(t.db, TOMORROW, formula.formula.id);
		assert.ok(found);
		return new Map(found.products.map((product) => [product.name, product]));
	};
	assert.equal((await productsOf('Harbour dough')).get('Harbour loaf')?.bakedGrams, 780);
	const tins = await productsOf("Cooper's dough");
	assert.equal(tins.get("Cooper's tin")?.bakedGrams, 648);
	assert.equal(tins.get('Two-light plait')?.bakedGrams, null);
	assert.ok(tins.get('Two-light plait')?.alongside.includes('Dark Beacon dough'));
});
