import { test } from 'node:test';
import assert from 'node:assert/strict';
import { Busy, Gate } from './gate.ts';

/** Work that ends when it is told to. */
function held() {
	let end = () => {};
	const until = new Promise<void>((resolve) => (end = resolve));
	return { until, end };
}

test('no more than so many work at once, and the others follow in the order they came', async () => {
	const gate = new Gate({ atOnce: 2, waiting: 10, longestWaitMs: 60_000 });
	const works = [held(), held(), held(), held()];
	const begun: number[] = [];
	const runs = works.map(({ until }, at) =>
		gate.run(async () => {
			begun.push(at);
			await until;
			return at;
		})
	);
	await Promise.resolve();
	assert.deepEqual(begun, [0, 1]);
	works[1]?.end();
	assert.equal(await runs[1], 1);
	assert.deepEqual(begun, [0, 1, 2]);
	works[0]?.end();
	works[2]?.end();
	works[3]?.end();
	assert.deepEqual(await Promise.all(runs), [0, 1, 2, 3]);
	assert.deepEqual(begun, [0, 1, 2, 3]);
});

test('who would wait behind too many, or too long, is told that it is busy', async () => {
	const gate = new Gate({ atOnce: 1, waiting: 1, longestWaitMs: 5 });
	const first = held();
	const run = gate.run(() => first.until);
	const second = gate.run(() => Promise.resolve());
	await assert.rejects(
		gate.run(() => Promise.resolve()),
		Busy
	);
	await assert.rejects(second, Busy);
	first.end();
	await run;
	assert.equal(await gate.run(() => Promise.resolve(7)), 7, 'the place is free again');
});

test('work that fails leaves its place to the next', async () => {
	const gate = new Gate({ atOnce: 1, waiting: 1, longestWaitMs: 1000 });
	await assert.rejects(
		gate.run(() => Promise.reject(new Error('broke'))),
		/broke/
	);
	assert.equal(await gate.run(() => Promise.resolve('next')), 'next');
});
