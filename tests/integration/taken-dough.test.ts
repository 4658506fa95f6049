import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { FIRST_DOUGH_STEPS, type Step } from '../../src/lib/core/formula/index.ts';
import { id, type PreparationId } from '../../src/lib/core/identity.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readDoughs } from '../../src/lib/server/services/read-doughs.ts';
import { readOrders } from '../../src/lib/server/services/read-orders.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { readPreparation } from '../../src/lib/server/services/read-preparation.ts';
import { readWater } from '../../src/lib/server/services/read-water.ts';
import { formulaContent } from './book-content.ts';
import { heldPlan } from './placement.ts';
import { NOW_MS, send, testDatabase, TOMORROW, type TestDatabase } from './test-database.ts';

/*
 * The buns' dough becomes a dough of its own, and the buns' formula takes it and colours it: one dough as a line of another.
 */
let t: TestDatabase;
const BASE = id<PreparationId>(randomUUID());
const BUNS = demoId('formula', 'School bun dough');
const MIX = FIRST_DOUGH_STEPS.slice(0, 1);

async function saveBase(steps: readonly Step[], expectedRevision: number): Promise<void> {
	const before = await readPreparation(t.db, TOMORROW, BASE);
	const lines = before?.preparation?.lines ?? BASE_LINES;
	const done = await send(t.db, {
		kind: 'save-preparation',
		preparationId: BASE,
		expectedRevision,
		name: 'Bun base',
		preparationKind: 'dough',
		buildLossShare: 0.01,
		takeBackGrams: 0,
		lines: [...lines],
		steps: [...steps]
	});
	assert.equal(done.outcome, 'done', JSON.stringify(done));
}
let BASE_LINES: readonly { material: never; parts: number }[] = [];

before(async () => {
	t = await testDatabase();
	const buns = await formulaContent(t.db, BUNS);
	BASE_LINES = buns.lines.map(({ material, percentOfFlour }) => ({
		material: material as never,
		parts: percentOfFlour
	}));
	await saveBase(MIX, 0);
	const all = buns.lines.reduce((total, { percentOfFlour }) => total + percentOfFlour, 0);
	const start = { addition: 'start' as const };
	const done = await send(t.db, {
		kind: 'save-formula',
		...buns,
		lines: [
			{ material: { kind: 'preparation', preparationId: BASE }, percentOfFlour: all, ...start },
			{
				material: { kind: 'ingredient', ingredientId: demoId('ingredient', 'Cocoa powder') },
				percentOfFlour: 5,
				...start
			}
		] as never
	});
	assert.equal(done.outcome, 'done', JSON.stringify(done));
});
after(() => t.drop());

test('a dough that another takes is made once for it, weighed by its own flour, and the other has its figures', async () => {
	const { production } = await readDoughs(t.db, TOMORROW);
	const base = production.builds.find(({ preparation }) => preparation.id === BASE);
	const dough = production.doughs.find(({ resolved }) => resolved.formula.id === BUNS);
	const [mix] = dough?.mixes ?? [];
	assert.ok(base && mix);
	assert.equal(dough?.mixes.length, 1);
	const taken = mix.lines.find(
		({ material }) => material.kind === 'preparation' && material.preparationId === BASE
	);
	assert.ok(taken);
	assert.ok(Math.abs(base.gross.value - taken.weighing.weighed.grams / 0.99) < 1);
	assert.deepEqual(
		base.uses.map(({ by }) => by.kind),
		['mix']
	);
});

test('its water is worked out as for the mixer it is mixed on; stirred by hand it is not warmed so', async () => {
	const wanted = async () => {
		const { builds } = await readWater(t.db, TOMORROW, NOW_MS);
		const base = builds.find(({ preparationId }) => preparationId === BASE);
		assert.ok(base?.water);
		return base.water.wanted.value;
	};
	const onMixer = await wanted();
	const byHand = MIX.map((step) => (step.kind === 'hands-on' ? { ...step, machine: null } : step));
	await saveBase(byHand, 1);
	const stirred = await wanted();
	await saveBase(MIX, 2);
	assert.ok(stirred - onMixer > 5, `${onMixer} on the mixer, ${stirred} by hand`);
	assert.equal(await wanted(), onMixer);
});

test('it is planned on a mixer that takes it, and taken out of it at once', async () => {
	const { input } = await readPlan(t.db, TOMORROW);
	const base = input.builds.find(({ preparationId }) => preparationId === BASE);
	assert.ok(base && base.mixerIds.length > 0);
	const plan = heldPlan(input);
	assert.deepEqual([plan.cautions, plan.unplaced, plan.unplanned], [[], [], []]);
	const mixed = plan.tasks.find(
		({ batch }) => batch.kind === 'preparation' && batch.preparationId === BASE
	);
	const taker = plan.tasks.find(({ batch }) => batch.kind === 'mix' && batch.formulaId === BUNS);
	assert.ok(mixed && taker);
	assert.ok(base.mixerIds.includes(mixed.machineId ?? ''));
	const waits = (taker.startMs - mixed.endMs) / 60_000;
	assert.ok(waits >= 0 && waits <= 15, `${waits} min`);
});

test('more of it than any mixer takes is mixed in goes, for as long as they take', async () => {
	const orders = await readOrders(t.db, TOMORROW);
	const line = orders.cells.find(({ productId }) => productId === demoId('product', 'School bun'));
	assert.ok(line);
	const stepsOf = async () => {
		const { input } = await readPlan(t.db, TOMORROW);
		const base = input.builds.find(({ preparationId }) => preparationId === BASE);
		const [mix] = base?.steps ?? [];
		return mix?.kind === 'hands-on' ? mix.fixedMinutes : 0;
	};
	const once = await stepsOf();
	const done = await send(t.db, {
		kind: 'change-order',
		date: TOMORROW,
		dropId: line.dropId,
		productId: line.productId,
		pieces: line.pieces * 5,
		expectedVersion: line.version
	});
	assert.equal(done.outcome, 'done');
	assert.equal(await stepsOf(), 2 * once, '45 kg on a mixer of 32 kg');
});
