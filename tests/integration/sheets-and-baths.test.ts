import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { sql } from 'kysely';
import type { SheetOfProduct } from '../../src/lib/core/sheeting/index.ts';
import { sheetWork } from '../../src/lib/core/sheeting/index.ts';
import type { CommandContent, CommandKind } from '../../src/lib/contracts/commands.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { loadBakeryDay } from '../../src/lib/server/services/day-production.ts';
import { readPreparation } from '../../src/lib/server/services/read-preparation.ts';
import { readProduct } from '../../src/lib/server/services/read-product.ts';
import { rolledOutOf } from '../../src/lib/server/services/rolled-out.ts';
import { preparationContent, productContent } from './book-content.ts';
import { ingredientContent } from './ingredient-content.ts';
import { send, testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
before(async () => {
	t = await testDatabase();
});
after(() => t.drop());

const STICK = demoId('product', 'Ferry stick');
const STICK_DOUGH = demoId('formula', 'Stick dough');
const SHEET: SheetOfProduct = {
	cut: { kind: 'strips', widthCm: 4, lengthCm: 40 },
	edgeCm: 1.5,
	mostWidthCm: 50,
	mostLengthCm: 180,
	gramsPerCubicCm: 1.05,
	filledFirst: false,
	trimGoes: 'next-dough'
};

async function refusedAtTheBorder<K extends CommandKind>(
	draft: { readonly kind: K } & CommandContent<K>
): Promise<void> {
	const { outcome, ...rest } = await send(t.db, draft);
	assert.equal(outcome, 'refused');
	assert.ok('refusal' in rest && rest.refusal.kind === 'malformed', JSON.stringify(rest));
}

async function sticksOfDay() {
	const day = await loadBakeryDay(t.db, TOMORROW);
	const dough = day.production.doughs.find(({ resolved }) => resolved.formula.id === STICK_DOUGH);
	const stick = dough?.products.find(({ product }) => product.id === STICK);
	assert.ok(dough && stick, 'the stick is ordered');
	return { stick, grams: dough.mixes.reduce((total, mix) => total + mix.dough.value, 0) };
}

test('a product that is cut from a sheet is read as it was saved, and its trim is made with it', async () => {
	const before = await sticksOfDay();
	assert.equal(before.stick.product.takes.grams, before.stick.product.scaledWeight.grams);
	const content = await productContent(t.db, STICK);
	const done = await send(t.db, { kind: 'save-product', ...content, sheet: SHEET });
	assert.equal(done.outcome, 'done');
	assert.deepEqual((await readProduct(t.db, TOMORROW, STICK))?.sheet, SHEET);
	const after = await sticksOfDay();
	const rolled = rolledOutOf(await loadBakeryDay(t.db, TOMORROW)).find(
		({ name }) => name === 'Ferry stick'
	);
	assert.ok(rolled, 'it stands among what is rolled out');
	assert.equal(rolled.pieces, after.stick.pieces);
	const work = sheetWork(rolled);
	assert.ok(work.ok, 'it is laid out');
	const { layout } = work.value;
	assert.ok(layout.trim.grams > 0, 'something is cut off');
	// What is mixed for the sticks is what their sheets weigh.
	assert.ok(
		Math.abs(
			after.stick.product.takes.grams * after.stick.pieces - layout.sheet.grams * layout.sheets
		) < 1e-6,
		'the dough is that of the sheets'
	);
	assert.ok(after.grams > before.grams, `${after.grams} instead of ${before.grams}`);
	// Back to the divider.
	const plain = await productContent(t.db, STICK);
	assert.equal((await send(t.db, { kind: 'save-product', ...plain, sheet: null })).outcome, 'done');
	assert.ok(Math.abs((await sticksOfDay()).grams - before.grams) < 1e-6, 'as it was');
});

test('a sheet that cannot be meant is refused at the border and by the database', async () => {
	const content = await productContent(t.db, STICK);
	for (const wrong of [
		{ ...SHEET, mostWidthCm: 0 },
		{ ...SHEET, gramsPerCubicCm: 9 },
		{ ...SHEET, cut: { kind: 'stars', pointsCm: 4 } }
	])
		await refusedAtTheBorder({
			kind: 'save-product',
			...content,
			sheet: wrong
		});
	for (const wrong of [
		'[]',
		'{"cut": {"kind": "stars"}}',
		'{"cut": {"kind": "rounds"}, "edgeCm": -1}'
	])
		await assert.rejects(
			sql`insert into product_revision
				select (jsonb_populate_record(r, jsonb_build_object('id', gen_random_uuid(), 'number', 9000, 'sheet', ${wrong}::jsonb))).*
				from product_revision r where product_id = ${STICK} limit 1`.execute(t.db),
			/check/,
			wrong
		);
});

test('a bath keeps how it is used, tells what is dipped into it, and counts how pure its solid is', async () => {
	const key = demoId('preparation', 'Knot bath');
	const found = await readPreparation(t.db, TOMORROW, key);
	assert.deepEqual(found?.preparation?.bath, { dipSeconds: 20, renewAfterMinutes: 240 });
	const [dip] = found?.dips ?? [];
	assert.deepEqual([dip?.product, dip?.grams, dip?.forPieces], ['Bollard knot', 4000, 60]);
	const content = await preparationContent(t.db, key);
	const bath = { dipSeconds: 30, renewAfterMinutes: null };
	assert.equal((await send(t.db, { kind: 'save-preparation', ...content, bath })).outcome, 'done');
	assert.deepEqual((await readPreparation(t.db, TOMORROW, key))?.preparation?.bath, bath);
	// Of a solid that is half pure, twice as much is no stronger than the site allows.
	const lye = await ingredientContent(t.db, 'Caustic soda, food grade');
	const strong = await preparationContent(t.db, key);
	const doubled = {
		...strong,
		lines: strong.lines.map((line) => ({ ...line, parts: line.parts === 3.5 ? 7 : line.parts }))
	};
	const refused = await send(t.db, { kind: 'save-preparation', ...doubled });
	assert.ok(
		refused.outcome === 'refused' && refused.refusal.kind === 'formula-impossible',
		JSON.stringify(refused)
	);
	assert.equal(
		(await send(t.db, { kind: 'save-ingredient', ...lye, purityShare: 0.5 })).outcome,
		'done'
	);
	const now = await preparationContent(t.db, key);
	const taken = await send(t.db, {
		kind: 'save-preparation',
		...now,
		lines: doubled.lines
	});
	assert.equal(taken.outcome, 'done');
	// What makes the solid purer would make the bath too strong.
	const purer = await ingredientContent(t.db, 'Caustic soda, food grade');
	const stronger = await send(t.db, { kind: 'save-ingredient', ...purer, purityShare: 1 });
	assert.ok(
		stronger.outcome === 'refused' && stronger.refusal.kind === 'formula-impossible',
		JSON.stringify(stronger)
	);
});

test('a fat says how warm it rolls out; temperatures that do not follow each other are refused', async () => {
	const butter = await ingredientContent(t.db, 'Butter');
	assert.deepEqual(butter.rolling, { fromCelsius: 13, toCelsius: 18, meltsAtCelsius: 28 });
	const rolling = { fromCelsius: 12, toCelsius: 17, meltsAtCelsius: 27 };
	assert.equal((await send(t.db, { kind: 'save-ingredient', ...butter, rolling })).outcome, 'done');
	assert.deepEqual((await ingredientContent(t.db, 'Butter')).rolling, rolling);
	const again = await ingredientContent(t.db, 'Butter');
	await refusedAtTheBorder({
		kind: 'save-ingredient',
		...again,
		rolling: { ...rolling, toCelsius: 30 }
	});
});
