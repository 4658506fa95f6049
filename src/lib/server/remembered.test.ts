import { test } from 'node:test';
import assert from 'node:assert/strict';
import { remembered } from './remembered.ts';

test('what was asked before is not worked out again, by all that its key names; what is long not asked for goes', () => {
	let worked = 0;
	const doubled = remembered(
		(one: { readonly value: number; readonly name: string }) => {
			worked += 1;
			return { twice: one.value * 2 };
		},
		({ value }) => String(value)
	);
	const first = doubled({ value: 2, name: 'rye' });
	assert.deepEqual(first, { twice: 4 });
	assert.equal(doubled({ value: 2, name: 'wheat' }), first);
	assert.deepEqual(doubled({ value: 3, name: 'rye' }), { twice: 6 });
	assert.equal(worked, 2);
	for (let value = 10; value < 2000; value += 1) doubled({ value, name: '' });
	worked = 0;
	doubled({ value: 2, name: 'rye' });
	doubled({ value: 1999, name: '' });
	assert.equal(worked, 1, 'the newest is still known');
});
