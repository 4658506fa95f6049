import { test } from 'node:test';
import assert from 'node:assert/strict';
import { generateDay } from '../../../bench/schedule/generate-day.ts';
import { problemOf } from '../../../bench/schedule/neutral-case.ts';
import type { JudgedPlan, ScheduleReply, ScheduleRequest } from '../contracts/schedule-protocol.ts';
import { ScheduleTeam, type ScheduleWorker } from './schedule-team.ts';

const DAY = problemOf(generateDay('small', 3));
const wish = { problem: DAY, inForce: null, seed: 7, budgetMs: 100 };

const found = (total: number, missing: readonly string[] = []): JudgedPlan => ({
	plan: { placed: [], loads: [], missing },
	cost: missing.length === 0 ? { total, tiers: [total] } : null,
	moves: 10
});

/** Workers whose words the test says; what they are asked is kept. */
function team() {
	const made: (ScheduleWorker & { asked: ScheduleRequest[]; ended: boolean })[] = [];
	const workers = new ScheduleTeam(() => {
		const worker = {
			asked: [] as ScheduleRequest[],
			ended: false,
			onmessage: null,
			onerror: null,
			postMessage: (message: ScheduleRequest) => worker.asked.push(message),
			terminate: () => (worker.ended = true)
		} as unknown as (typeof made)[number];
		made.push(worker);
		return worker;
	}, 2);
	const says = (at: number, reply: ScheduleReply) => made[at]?.onmessage?.({ data: reply });
	return { workers, made, says };
}

test('both search with a chance of their own, and the better plan is told and given', async () => {
	const { workers, made, says } = team();
	const told: (number | undefined)[] = [];
	const answer = workers.solve(wish, ({ cost }) => told.push(cost?.total));
	assert.deepEqual(
		made.map(({ asked }) => asked.map((request) => request.kind === 'solve' && request.seed)),
		[[14], [15]]
	);
	says(0, { kind: 'better', id: 1, found: found(0, ['pack 1']) });
	says(1, { kind: 'better', id: 1, found: found(90) });
	says(0, { kind: 'better', id: 1, found: found(120) });
	says(1, { kind: 'solved', id: 1, found: found(80) });
	says(0, { kind: 'solved', id: 1, found: found(100) });
	const outcome = await answer;
	assert.ok(outcome.kind === 'solved');
	assert.equal(outcome.found.cost?.total, 80);
	assert.equal(outcome.found.moves, 20, 'the moves of both');
	assert.deepEqual(told, [undefined, 90, 80]);
});

test('the latest request wins, and what is still said about the one before is not heard', async () => {
	const { workers, made, says } = team();
	const first = workers.solve(wish);
	const second = workers.solve(wish);
	assert.deepEqual(await first, { kind: 'superseded' });
	assert.deepEqual(
		made[0]?.asked.map(({ kind }) => kind),
		['solve', 'cancel', 'solve']
	);
	says(0, { kind: 'solved', id: 1, found: found(1) });
	says(1, { kind: 'cancelled', id: 1 });
	says(0, { kind: 'solved', id: 2, found: found(50) });
	says(1, { kind: 'solved', id: 2, found: found(60) });
	const outcome = await second;
	assert.ok(outcome.kind === 'solved' && outcome.found.cost?.total === 50);
	const third = workers.solve(wish);
	workers.cancel();
	assert.deepEqual(await third, { kind: 'superseded' });
});

test('where one breaks the other’s plan stands; where all do it is said, and the next request has new ones', async () => {
	const { workers, made, says } = team();
	const one = workers.solve(wish);
	made[0]?.onerror?.({ message: 'out of memory' });
	says(1, { kind: 'solved', id: 1, found: found(70) });
	const outcome = await one;
	assert.ok(outcome.kind === 'solved' && outcome.found.cost?.total === 70);
	const two = workers.solve(wish);
	assert.equal(made.length, 3, 'the broken one was replaced');
	assert.ok(made[0]?.ended);
	says(1, { kind: 'broken', id: 2, message: 'a bug' });
	says(2, { kind: 'broken', id: 2, message: 'a bug' });
	assert.deepEqual(await two, { kind: 'broken', message: 'a bug' });
	const three = workers.solve(wish);
	const fault = { kind: 'not-whole', where: 'horizon', what: '0.5' } as const;
	for (const at of [1, 2]) says(at, { kind: 'faulty', id: 3, fault });
	assert.deepEqual(await three, { kind: 'faulty', fault });
	workers.close();
	assert.ok(made.every(({ ended }) => ended));
});

test('all are warmed with what they are given', () => {
	const { workers, made } = team();
	workers.warm(DAY, 50);
	for (const { asked } of made)
		assert.deepEqual(asked, [{ kind: 'warm', problem: DAY, budgetMs: 50 }]);
});
