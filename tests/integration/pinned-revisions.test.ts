import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { sql } from 'kysely';
import {
	allergensOf,
	resolveFormula,
	type ResolvedFormula
} from '../../src/lib/core/formula/index.ts';
import type { CommandContent } from '../../src/lib/contracts/commands.ts';
import { loadPinnedFormulas } from '../../src/lib/server/db/formulas.ts';
import { readFormula } from '../../src/lib/server/services/read-formula.ts';
import { preparationContent } from './book-content.ts';
import { ingredientContent } from './ingredient-content.ts';
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

async function newestRevision(): Promise<string> {
	const row = await t.db
		.selectFrom('formula_revision')
		.select('id')
		.where('formula_id', '=', HARBOUR_DOUGH)
		.orderBy('number', 'desc')
		.executeTakeFirstOrThrow();
	return row.id;
}
/** What a label would say of a dough that was made by a revision. */
async function resolvedBy(revisionId: string): Promise<ResolvedFormula> {
	const pinned = (await loadPinnedFormulas(t.db, [revisionId])).get(revisionId);
	assert.ok(pinned);
	const resolved = resolveFormula(pinned.formula, {
		causticMost: { share: 0.05 },
		ingredients: new Map(pinned.ingredients.map((ingredient) => [ingredient.id, ingredient])),
		preparations: new Map(pinned.preparations.map((preparation) => [preparation.id, preparation]))
	});
	assert.ok(resolved.ok);
	return resolved.value;
}
async function saveFlour(change: Partial<CommandContent<'save-ingredient'>>) {
	const flour = await ingredientContent(t.db, 'Bread flour');
	const saved = await send(t.db, { kind: 'save-ingredient', ...flour, ...change });
	assert.equal(saved.outcome, 'done', JSON.stringify(saved));
}

test("yesterday's label is the same after its flour changed, and today's tells the change", async () => {
	const before = await newestRevision();
	const label = allergensOf((await resolvedBy(before)).final);
	await saveFlour({ name: 'Strong bread flour', allergens: ['gluten', 'lupin'] });
	assert.deepEqual(allergensOf((await resolvedBy(before)).final), label);
	assert.ok(!label.includes('lupin'));
	const names = (await resolvedBy(before)).final.lines.map((line) => line.ingredient.name);
	assert.ok(names.includes('Bread flour') && !names.includes('Strong bread flour'));
	const after = await newestRevision();
	assert.notEqual(after, before);
	assert.ok(allergensOf((await resolvedBy(after)).final).includes('lupin'));
});

test('a revision that only follows is told as such, with the number of the edit it follows', async () => {
	const found = await readFormula(t.db, TOMORROW, HARBOUR_DOUGH);
	const [newest] = found?.revisions ?? [];
	const causes = found?.revisions.map((revision) => revision.cause) ?? [];
	assert.ok(newest && causes.includes('followed') && causes.includes('edited'));
});

test('a build that changes takes along what takes from it, through every level', async () => {
	const levain = await preparationContent(t.db, LEVAIN);
	const before = await newestRevision();
	const partsOf = async (revisionId: string) => {
		const pinned = (await loadPinnedFormulas(t.db, [revisionId])).get(revisionId);
		return pinned?.preparations
			.find((preparation) => preparation.id === LEVAIN)
			?.lines.map((line) => line.parts);
	};
	const parts = await partsOf(before);
	const saved = await send(t.db, {
		kind: 'save-preparation',
		...levain,
		lines: levain.lines.map((line, at) => ({ ...line, parts: line.parts * (at === 0 ? 2 : 1) }))
	});
	assert.equal(saved.outcome, 'done', JSON.stringify(saved));
	assert.deepEqual(await partsOf(before), parts, 'the old revision keeps the old build');
	assert.notDeepEqual(await partsOf(await newestRevision()), parts);
});

test('the newest revision of everything takes from the newest revisions', async () => {
	await saveFlour({ pricePerKilogram: 1.23 });
	const newest = (kind: string) =>
		`(select distinct on (${kind}_id) id from ${kind}_revision order by ${kind}_id, number desc)`;
	for (const [of, line] of [
		['formula', 'formula_revision_line'],
		['preparation', 'preparation_revision_line'],
		['product', 'product_revision_extra']
	] as const)
		for (const taken of ['ingredient', 'preparation']) {
			const { rows } = await sql<{ lines: string; stale: string }>`
				select count(*) as lines,
					count(*) filter (where ${sql.ref(`l.${taken}_revision_id`)} not in ${sql.raw(newest(taken))}) as stale
				from ${sql.table(line)} l
				where l.revision_id in ${sql.raw(newest(of))} and ${sql.ref(`l.${taken}_revision_id`)} is not null`.execute(
				t.db
			);
			const [counted] = rows;
			assert.ok(Number(counted?.lines) > 0, `${of} from ${taken}`);
			assert.equal(Number(counted?.stale), 0, `${of} from ${taken}`);
		}
});
