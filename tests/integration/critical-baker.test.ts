import { after, test } from 'node:test';
import assert from 'node:assert/strict';
import {
	buildFiguresOf,
	figuresOf,
	isPerishable,
	resolveAlone,
	resolveFormula,
	type Step
} from '../../src/lib/core/formula/index.ts';
import { endCelsiusOf } from '../../src/lib/core/baking/index.ts';
import { littleYeastForTimes } from '../../src/lib/core/ripening/index.ts';
import { addDays } from '../../src/lib/core/time/index.ts';
import { loadFormulaBook } from '../../src/lib/server/db/formula-book.ts';
import { readDoughs } from '../../src/lib/server/services/read-doughs.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { send, testDatabase, TOMORROW } from './test-database.ts';

// The demo's book, read with a critical baker's eye.
const t = await testDatabase();
after(t.drop);
const book = await loadFormulaBook(t.db);

function formula(name: string) {
	const found = book.formulas.find((each) => each.formula.name === name);
	assert.ok(found, name);
	const resolved = resolveFormula(found.formula, book.pantry);
	assert.ok(resolved.ok, name);
	return { ...found, figures: figuresOf(resolved.value) };
}
function build(name: string) {
	const found = [...book.preparations.values()].find((each) => each.preparation.name === name);
	assert.ok(found, name);
	const resolved = resolveAlone(found.preparation, book.pantry);
	assert.ok(resolved.ok, name);
	return { ...found, figures: buildFiguresOf(resolved.value) };
}
function product(name: string) {
	const found = book.products.find((each) => each.product.name === name);
	assert.ok(found, name);
	return found;
}
const within = (value: number, least: number, most: number, what: string) =>
	assert.ok(value >= least - 1e-9 && value <= most + 1e-9, `${what}: ${value}`);
const wait = (steps: readonly Step[], activity: string) => {
	const found = steps.find((step) => step.kind === 'wait' && step.activity === activity);
	assert.ok(found?.kind === 'wait', activity);
	return found;
};
const stirredTo = (steps: readonly Step[]) => {
	const [mix] = steps;
	return mix?.kind === 'hands-on' ? (mix.endsAtCelsius ?? NaN) : NaN;
};

test('pre-ferments carry the yeast, the water and the warmth of their kind', () => {
	const poolish = build('Poolish').preparation.lines;
	const parts = (at: number) => poolish[at]?.parts ?? NaN;
	within((parts(2) / parts(0)) * 100, 0.4, 0.5, 'yeast of a poolish of nine hours at 20');
	within(build('Storm sour, base').figures.hydration, 55, 65, 'water of the stiff base');
	within(stirredTo(build('Storm sour, base').steps), 22, 26, 'warmth of the stiff base');
	for (const name of ['Rye sour, full', 'Storm sour, full'])
		within(stirredTo(build(name).steps), 29, 31, name);
});

test('doughs carry the water and the yeast of their kind', () => {
	within(formula('Storm rye').figures.hydration, 80, 83, '90 % rye');
	within(formula('Tidemark dough').figures.hydration, 78, 80, '75 % wholemeal with its scald');
	within(
		formula('Salt Flat dough').figures.yeastFreshEquivalent,
		0.8,
		0.95,
		'flat dough of 2 h 20'
	);
	within(formula('Bollard dough').figures.yeastFreshEquivalent, 2, 2.5, 'knots');
	within(formula('School bun dough').figures.yeastFreshEquivalent, 2.5, 3, 'buns of a cold night');
});

test('no dough of the book is told to have far too little yeast for its times', () => {
	for (const { formula, steps } of book.formulas) {
		const resolved = resolveFormula(formula, book.pantry);
		assert.ok(resolved.ok);
		assert.equal(littleYeastForTimes(resolved.value, steps), null, formula.name);
	}
});

test('every dough tells its slow and fast minutes', () => {
	for (const { formula, steps } of book.formulas) {
		const mixes = steps.filter((step) => step.kind === 'hands-on' && step.activity === 'mix');
		assert.ok(mixes.length > 0, formula.name);
		for (const step of mixes)
			assert.equal(step.kind === 'hands-on' && step.detail.kind, 'mixing', formula.name);
	}
});

test('loaves are scored, sticks lose what sticks lose, and rye rests before it is packed', () => {
	for (const name of [
		'Harbour loaf',
		'Harbour small',
		'Ropewalk loaf',
		'Breakwater loaf',
		'Ferry stick'
	])
		assert.ok(
			product(name).steps.some((step) => step.kind === 'hands-on' && step.activity === 'score'),
			name
		);
	within(product('Ferry stick').bakeLossShare, 0.2, 0.23, 'a stick in the oven');
	const shaping = product('Ferry stick').steps.find(
		(step) => step.kind === 'hands-on' && step.activity === 'shape'
	);
	assert.equal(shaping?.kind === 'hands-on' && shaping.secondsPerPiece, 20);
	const rests = (name: string) => wait(product(name).steps, 'cool').legs[0]?.minutes ?? 0;
	within(rests('Lantern rye tin') / 60, 6, 24, 'the rye tin');
	within(rests('Storm rye block') / 60, 18, 24, '90 % rye');
	assert.equal(product('Storm rye block').scaledGrams, 1500);
	assert.equal(product("Cooper's tin").scaledGrams, 720);
});

const TINS = ['Long tin', 'Small tin', 'Lidded tin'].map((name) => demoId('vessel', name));

test('rye bakes in a falling oven, under a lid where it has one, and whatever is baked in a tin comes out of it to cool', () => {
	for (const name of ['Lantern rye tin', 'Lantern rye small', 'Storm rye block']) {
		const bake = product(name).steps.find((step) => step.kind === 'bake');
		assert.ok(bake?.kind === 'bake');
		within(bake.loadCelsius, 240, 260, `${name} goes in hot`);
		within(endCelsiusOf(bake), 175, 205, `${name} ends`);
	}
	for (const {
		product: { name },
		vesselId,
		steps
	} of book.products) {
		const bake = steps.find((step) => step.kind === 'bake');
		if (vesselId === demoId('vessel', 'Lidded tin'))
			assert.ok(bake?.kind === 'bake' && bake.programme.atLoading.lid, name);
		if (!TINS.includes(vesselId ?? '')) continue;
		const out = steps.findIndex((step) => step.kind === 'hands-on' && step.activity === 'depan');
		const cools = steps.findIndex((step) => step.kind === 'wait' && step.activity === 'cool');
		assert.ok(out >= 0 && out < cools, name);
	}
});

test('every formula of the book is made in a week, and its cultures close from day to day', async () => {
	const made = new Set<string>();
	// The dark rye is made to order: it begins two days before.
	const toOrder = await send(t.db, {
		kind: 'change-order',
		date: addDays(TOMORROW, 3),
		dropId: demoId('drop', 'Shop and cafés'),
		productId: demoId('product', 'Storm rye block'),
		pieces: 18,
		expectedVersion: 0
	});
	assert.equal(toOrder.outcome, 'done');
	for (let day = 0; day < 7; day += 1) {
		const { production } = await readDoughs(t.db, addDays(TOMORROW, day));
		for (const { resolved } of production.doughs) made.add(resolved.formula.name);
		// What is kept back of a build is the culture that its next feed takes.
		for (const one of production.builds) {
			const culture = one.lines.find(({ name }) => name.endsWith('culture'));
			if (!culture) continue;
			assert.ok(
				one.preparation.takeBackGrams >= culture.weighing.weighed.grams,
				`${one.preparation.name} keeps back ${one.preparation.takeBackGrams} and takes ${culture.weighing.weighed.grams}`
			);
		}
	}
	assert.deepEqual([...made].sort(), book.formulas.map((each) => each.formula.name).sort());
});

test('what ferments with milk or egg in it carries its limit, and nothing else does', () => {
	const perishable = [...book.preparations.values()]
		.filter(({ preparation }) => {
			const resolved = resolveAlone(preparation, book.pantry);
			return resolved.ok && preparation.kind === 'build' && isPerishable(resolved.value);
		})
		.map(({ preparation }) => preparation.name);
	assert.deepEqual(perishable, ['Milk sponge']);
});
