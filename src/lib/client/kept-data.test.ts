import assert from 'node:assert/strict';
import { test } from 'node:test';
import { isData, keptUnder } from './kept-data.ts';

const at = (path: string) => keptUnder(new URL(path, 'https://bakery.test'));
void test('a page and its data have one place, whatever SvelteKit wants of it', () => {
	const place = 'https://bakery.test/bake/2026-11-24/bench/__data.json';
	assert.equal(at('/bake/2026-11-24/bench'), place);
	assert.equal(at('/bake/2026-11-24/bench/'), place);
	assert.equal(at('/bake/2026-11-24/bench/__data.json?x-sveltekit-invalidated=011'), place);
	assert.equal(at('/'), 'https://bakery.test/__data.json');
	assert.equal(at('/__data.json?x-sveltekit-trailing-slash=1'), at('/'));
	// What a page is asked is part of its place, except where it is only the way back.
	assert.notEqual(at('/log?search=rye'), at('/log'));
	assert.equal(at('/hands?to=%2Fbench'), at('/hands'));
	assert.ok(isData(new URL(place)));
	assert.ok(!isData(new URL('https://bakery.test/bake/2026-11-24/bench')));
});
