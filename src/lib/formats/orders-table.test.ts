import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { readOrdersTable, type OrdersRead } from './orders-table.ts';
import { readBlock } from './pasted-block.ts';
import { writeTable } from './table-of-work.ts';

const PRODUCTS = ['Harbour loaf', 'Deck roll', '=1+1'].map((name) => ({ id: `p ${name}`, name }));
const DROPS = ['Ferry', 'Shop and cafés'].map((name) => ({ id: `d ${name}`, name }));

function read(text: string): OrdersRead {
	const found = readOrdersTable(text, PRODUCTS, DROPS, 9999);
	if (!found.ok) throw new Error(JSON.stringify(found.error));
	return found.value;
}
const told = ({ orders }: OrdersRead) =>
	orders.map(({ productId, dropId, pieces }) => [productId.slice(2), dropId.slice(2), pieces]);

test('a table by drops is read, with commas, semicolons or tabs, and a mark of its encoding', () => {
	for (const mark of [',', ';', '\t']) {
		const rows = [
			['Product', 'Ferry', 'Shop and cafés'],
			['Harbour loaf', '27', '18'],
			['deck ROLL', '', '0']
		];
		const found = read(`\uFEFF${rows.map((row) => row.join(mark)).join('\r\n')}\r\n`);
		assert.deepEqual(told(found), [
			['Harbour loaf', 'Ferry', 27],
			['Harbour loaf', 'Shop and cafés', 18],
			['Deck roll', 'Shop and cafés', 0]
		]);
		assert.deepEqual(found.problems, []);
	}
});

test('a table of single numbers is read', () => {
	const found = read('Drop,Pieces,Product\nFerry,27,Harbour loaf\n');
	assert.deepEqual(told(found), [['Harbour loaf', 'Ferry', 27]]);
});

test('each problem is told by its line, and the other lines are read', () => {
	const found = read(
		'Product,Ferry,Noon boat,Shop and cafés\nHarbor loaf,1,2,3\nDeck roll,x,,7\nDeck roll,,,9\n\nHarbour loaf,1.5,,-3\n'
	);
	assert.deepEqual(told(found), [['Deck roll', 'Shop and cafés', 7]]);
	assert.deepEqual(
		found.problems.map(({ line, problem }) => [line, problem.kind]),
		[
			[1, 'no-such-drop'],
			[2, 'no-such-product'],
			[3, 'no-number'],
			[4, 'asked-twice'],
			[6, 'no-number'],
			[6, 'no-number']
		]
	);
});

test('what is no table of orders is refused, whatever it is', () => {
	const kind = (text: string) => {
		const found = readOrdersTable(text, PRODUCTS, DROPS, 9999);
		return found.ok ? 'read' : found.error.kind;
	};
	assert.equal(kind(''), 'no-columns');
	assert.equal(kind('a,b\n1,2'), 'no-columns');
	assert.equal(kind('__proto__,constructor\n1,2'), 'no-columns');
	assert.equal(kind('Product,"Ferry\n1,2'), 'not-a-table');
	assert.equal(kind('x'.repeat(1_000_001)), 'too-large');
	assert.equal(kind(`Product,Ferry\n${'Deck roll,1\n'.repeat(5001)}`), 'too-large');
	fc.assert(
		fc.property(fc.string({ unit: 'binary', maxLength: 300 }), (text) => {
			const found = readOrdersTable(text, PRODUCTS, DROPS, 9999);
			if (!found.ok) return;
			for (const { pieces } of found.value.orders)
				assert.ok(Number.isInteger(pieces) && pieces >= 0, `${pieces} pieces`);
		})
	);
});

test('what is written is read back equal, names that look like formulas too', () => {
	fc.assert(
		fc.property(fc.array(fc.nat(9999), { minLength: 6, maxLength: 6 }), (numbers) => {
			const rows = PRODUCTS.map(({ name }, row) => ({
				Product: name,
				...Object.fromEntries(DROPS.map((drop, at) => [drop.name, String(numbers[row * 2 + at])]))
			}));
			const text = writeTable(['Product', ...DROPS.map(({ name }) => name)], rows);
			assert.deepEqual(
				read(text).orders.map(({ pieces }) => pieces),
				numbers
			);
			assert.deepEqual(read(text).problems, []);
		})
	);
});

test('a pasted block is rows of cells', () => {
	assert.deepEqual(readBlock('12\t8\r\n6\t\r\n'), [
		['12', '8'],
		['6', '']
	]);
	assert.deepEqual(readBlock('12'), [['12']]);
});
