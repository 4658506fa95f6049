import { test } from 'node:test';
import assert from 'node:assert/strict';
import { keepRunning } from '../../scripts/parts/keep-running.mjs';

const PAUSES = { firstMs: 1, longestMs: 8, steadyMs: 60_000 };

/** Something that can be started, and ended from outside. */
function thing(fails: (start: number) => boolean = () => false) {
	const starts: { readonly end: (how: string) => void; stopped: boolean }[] = [];
	let attempts = 0;
	let heard = () => {};
	const start = () => {
		attempts += 1;
		if (fails(attempts)) return Promise.reject(new Error('not now'));
		let end: (how: string) => void = () => {};
		const ended = new Promise<string>((resolve) => (end = resolve));
		const entry = { end, stopped: false };
		starts.push(entry);
		heard();
		return Promise.resolve({
			ended,
			stop: () => {
				entry.stopped = true;
				return Promise.resolve();
			}
		});
	};
	return {
		start,
		starts,
		attempts: () => attempts,
		/** Waits until it runs for the n-th time. */
		runs: async (n: number) => {
			while (starts.length < n) await new Promise<void>((resolve) => (heard = resolve));
		}
	};
}

test('what ends is started again, as often as it ends, until it is stopped', async () => {
	const one = thing();
	const kept = await keepRunning('It', one.start, { pauses: PAUSES });
	for (let n = 1; n <= 5; n += 1) {
		await one.runs(n);
		one.starts[n - 1]?.end('code 1');
	}
	await one.runs(6);
	await kept.stop();
	assert.equal(one.starts[5]?.stopped, true, 'the one that runs is stopped');
	one.starts[5]?.end('SIGTERM');
	assert.equal(one.starts.length, 6, 'and no other is started');
});

test('a first start that fails is told to who asked; a later one is tried again', async () => {
	await assert.rejects(keepRunning('It', thing(() => true).start, { pauses: PAUSES }), /not now/);
	const stubborn = thing((attempt) => attempt > 1 && attempt < 6);
	const kept = await keepRunning('It', stubborn.start, { pauses: PAUSES });
	stubborn.starts[0]?.end('SIGKILL');
	await stubborn.runs(2);
	assert.equal(stubborn.attempts(), 6);
	await kept.stop();
});

test('it can be stopped while it waits to be started again', async () => {
	const one = thing();
	const kept = await keepRunning('It', one.start, {
		pauses: { ...PAUSES, firstMs: 3_600_000 }
	});
	one.starts[0]?.end('code 1');
	await Promise.resolve();
	await kept.stop();
	assert.equal(one.starts.length, 1);
});

test('once all is to end, what ends is left', async () => {
	const one = thing();
	const ending = new AbortController();
	const kept = await keepRunning('It', one.start, { pauses: PAUSES, until: ending.signal });
	ending.abort();
	one.starts[0]?.end('SIGINT');
	await kept.stop();
	assert.equal(one.starts.length, 1);
});
