import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { line, nameSchema, readsAlike } from './text.ts';

test('a name is kept in one form, whatever way it was typed', () => {
	const same = (typed: string, kept: string) => assert.equal(nameSchema.parse(typed), kept);
	same('  Harbour   loaf ', 'Harbour loaf');
	same('Cafe\u0301 roll', 'Caf\u00e9 roll');
	same('Rye\u200b sour\u2060\ufeff', 'Rye sour');
	same('\u202eRye\u202c', 'Rye');
	same('Rye\u00a0sour', 'Rye sour');
	same('Kneipp\u00adbrot', 'Kneippbrot');
});

test('what no text can hold is refused, and so is nothing', () => {
	for (const typed of [
		'',
		'   ',
		'\u200b',
		'a\u0000b',
		'a\u0007',
		'\ud800',
		'a\udc00b',
		'x'.repeat(201)
	])
		assert.equal(nameSchema.safeParse(typed).success, false, JSON.stringify(typed));
	assert.equal(line(3).parse(''), '');
	assert.equal(line(3).safeParse('abcd').success, false);
});

test('what was kept is kept as it is the next time, and always well formed', () => {
	fc.assert(
		fc.property(fc.string({ unit: 'binary', maxLength: 60 }), (typed) => {
			const once = line(100).safeParse(typed);
			if (!once.success) return;
			assert.equal(line(100).parse(once.data), once.data);
			assert.ok(once.data.isWellFormed() && !/[\p{Cc}\p{Cf}]/u.test(once.data));
		}),
		{ numRuns: 2000 }
	);
});

test('names that differ only in what a reader passes over read alike', () => {
	assert.ok(readsAlike('Harbour loaf', 'harbour-loaf'));
	assert.ok(readsAlike('Café roll', 'Cafe roll'));
	assert.equal(readsAlike('Harbour loaf', 'Harbour loaf'), false, 'the same is taken, not alike');
	assert.equal(readsAlike('Harbour loaf', 'Harbour loaf 2'), false);
	assert.equal(readsAlike('パン', 'ハン'), true, 'a mark that a reader may pass over');
	assert.equal(readsAlike('粥', '麺'), false);
});
