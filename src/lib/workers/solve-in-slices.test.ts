import { test } from 'node:test';
import assert from 'node:assert/strict';
import { generateDay } from '../../../bench/schedule/generate-day.ts';
import { problemOf } from '../../../bench/schedule/neutral-case.ts';
import { kernelOf } from '../core/schedule/kernel/idle.ts';
import { compile } from '../core/schedule/search/compile.ts';
import { roomOf } from '../core/schedule/search/room.ts';
import { solveInSlices } from './solve-in-slices.ts';

const DAY = problemOf(generateDay('small', 3));

/** How much room there is in what is idle: nothing of this size is there before. */
async function idleAfter(work: () => Promise<unknown>): Promise<number> {
	for (let at = 0; at < 4; at += 1) kernelOf(0);
	await work();
	return kernelOf(0).room;
}

test('the memory of every beginning comes back, whether the answer is wanted or not, and where telling it throws', async () => {
	const room = roomOf(compile(DAY));
	assert.ok((await idleAfter(() => Promise.resolve())) < room, 'nothing was idle');
	let time = 0;
	const now = () => (time += 1);
	const pause = () => Promise.resolve();
	const asked = { problem: DAY, inForce: null, seed: 1, budgetMs: 120, beginnings: 2 };
	const solved = await idleAfter(() =>
		solveInSlices(asked, { now, pause, wanted: () => true }, () => undefined)
	);
	assert.ok(solved >= room, 'solved');
	const unwanted = await idleAfter(() =>
		solveInSlices(asked, { now, pause, wanted: () => false }, () => undefined)
	);
	assert.ok(unwanted >= room, 'unwanted');
	const broken = await idleAfter(() =>
		assert.rejects(
			solveInSlices(asked, { now, pause, wanted: () => true }, () => {
				throw new Error('nobody listens');
			}),
			/nobody listens/
		)
	);
	assert.ok(broken >= room, 'broken');
});
