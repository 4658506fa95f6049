import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { keepingOf } from './keeping.ts';

const data = (value: unknown) => ({ type: 'data', data: value });
const skip = { type: 'skip' };
const answer = (...nodes: readonly unknown[]) => JSON.stringify({ type: 'data', nodes });

void test('an answer of a part is kept with the rest of before, and not without it', () => {
	const whole = answer(data(1), data(2), null);
	assert.deepEqual(keepingOf(whole, null), { do: 'keep', text: `${whole}\n` });
	assert.deepEqual(keepingOf(answer(skip, data(3), null), whole), {
		do: 'keep',
		text: `${answer(data(1), data(3), null)}\n`
	});
	assert.deepEqual(keepingOf(answer(skip, data(3)), null), { do: 'nothing' });
	assert.deepEqual(keepingOf(answer(skip, data(3)), answer(data(1))).do, 'keep');
	assert.deepEqual(keepingOf(answer(data(3), skip), answer(data(1))), { do: 'nothing' });
});

void test('what could not be read is not kept, and a way to the door ends all keeping', () => {
	const refused = answer(data(1), { type: 'error', error: { message: 'no' }, status: 403 });
	assert.deepEqual(keepingOf(refused, answer(data(1), data(2))), { do: 'nothing' });
	const way = (location: string) => JSON.stringify({ type: 'redirect', location });
	assert.deepEqual(keepingOf(way('/sign-in?to=%2Fbench'), null), { do: 'forget-all' });
	assert.deepEqual(keepingOf(way('/bake/2026-11-24/bench'), null).do, 'keep');
	assert.deepEqual(keepingOf(way('/begin'), null), { do: 'nothing' });
	// What comes in pieces is known whole only later.
	assert.deepEqual(keepingOf(`${answer(data(1))}\n{"type":"chunk"}\n`, null), { do: 'nothing' });
});

void test('whatever stands in an answer, keeping it does not fail, and what is kept is whole', () => {
	const node = fc.oneof(
		fc.constant(null),
		fc.constant(skip),
		fc.jsonValue().map(data),
		fc.constant({ type: 'error' })
	);
	const text = fc.oneof(
		fc.string(),
		fc.json(),
		fc
			.record({
				type: fc.constantFrom('data', 'redirect'),
				nodes: fc.jsonValue(),
				location: fc.jsonValue()
			})
			.map((one) => JSON.stringify(one)),
		fc.array(node, { maxLength: 5 }).map((nodes) => answer(...nodes))
	);
	fc.assert(
		fc.property(text, fc.option(text), (fresh, kept) => {
			const keeping = keepingOf(fresh, kept);
			if (keeping.do !== 'keep') return;
			const { type, nodes } = JSON.parse(keeping.text) as { type: string; nodes: unknown[] };
			if (type !== 'data') return;
			for (const one of nodes) assert.ok(one === null || (one as { type: string }).type === 'data');
		})
	);
});
