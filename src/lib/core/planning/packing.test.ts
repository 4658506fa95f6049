import { test } from 'node:test';
import assert from 'node:assert/strict';
import { id, type DropId, type ProductId } from '../identity.ts';
import { packingLists, piecesOver, stationOf, type BakeDayInput } from './index.ts';
import { DAY, hands, planned } from './harbour-day.fixture.ts';

const { plan } = planned(DAY);
const told = (input: BakeDayInput, of = plan) =>
	packingLists(of, input).map(({ drop, lines }) => [
		drop.name,
		...lines.map(({ name, pieces, readyMs }) => [name, pieces, readyMs])
	]);
const packedAt = (ordinal: number) =>
	Math.max(
		...plan.tasks
			.filter(({ batch }) => batch.kind === 'portion' && batch.ordinal === ordinal)
			.map(({ endMs }) => endMs)
	);

test('a drop that gets loaves of two mixes is ready with the later one, as the plan has it', () => {
	const ready = Math.max(packedAt(1), packedAt(2));
	assert.ok(packedAt(1) !== packedAt(2), 'the two mixes are packed one after the other');
	assert.deepEqual(told(DAY), [
		['Ferry', ['Harbour round', 36, ready]],
		['Shop', ['Harbour round', 24, packedAt(2)]]
	]);
	for (const { drop, lines } of packingLists(plan, DAY))
		assert.equal(Math.max(...lines.map(({ readyMs }) => readyMs ?? Infinity)), drop.readyMs);
});

test('what has no place in the plan, or is not made at all, is told to be not ready', () => {
	const [ferry, shop] = DAY.drops;
	assert.ok(ferry && shop);
	const unmade = {
		dropId: ferry.id,
		productId: id<ProductId>('no dough'),
		name: 'Almond knot',
		pieces: 8
	};
	assert.deepEqual(
		told({ ...DAY, orders: [unmade, ...DAY.orders] })[0]?.slice(2),
		[['Almond knot', 8, null]],
		'and it is picked last'
	);
	const second = plan.tasks.find(({ batch }) => batch.kind === 'portion' && batch.ordinal === 2);
	assert.ok(second);
	const without = { ...plan, unplaced: [second.batch] };
	assert.deepEqual(
		told(DAY, without).map(([, line]) => line?.[2] ?? null),
		[null, null],
		'the second mix is for both'
	);
});

test('a plan of a time in which orders were not kept with it has lists without lines', () => {
	assert.deepEqual(told({ ...DAY, orders: [] }), [['Ferry'], ['Shop']]);
});

test('what is made beyond the orders is over, what is ordered and not made is short', () => {
	const shop = id<DropId>('shop');
	const almond = { dropId: shop, productId: id<ProductId>('knot'), name: 'Almond knot', pieces: 8 };
	assert.deepEqual(
		piecesOver({ ...DAY, orders: [...DAY.orders, almond] }).map(({ name, made, ordered }) => [
			name,
			made,
			ordered
		]),
		[
			['Almond knot', 0, 8],
			['Harbour round', 62, 60]
		]
	);
});

test('every stretch of a night is worked at one station', () => {
	const portion = {
		kind: 'portion',
		formulaId: DAY.doughs[0]!.formulaId,
		ordinal: 1,
		productId: DAY.products[0]!.id
	} as const;
	const at = (activity: Parameters<typeof hands>[0]) =>
		stationOf({ step: hands(activity, 5), batch: portion }, 'do');
	assert.deepEqual(
		(['mix', 'divide', 'shape', 'score', 'dip', 'depan', 'wash', 'pack'] as const).map(at),
		['mixer', 'bench', 'bench', 'oven', 'oven', 'oven', 'bench', 'packing']
	);
	const load = { ...portion, kind: 'load', load: 1, loads: 2, pieces: 12 } as const;
	assert.equal(stationOf({ step: hands('wash', 5), batch: load }, 'do'), 'oven');
	for (const task of plan.tasks)
		for (const { what } of task.attended)
			if (what === 'fold' || what === 'move') assert.equal(stationOf(task, what), 'bench');
});
