import { test } from 'node:test';
import assert from 'node:assert/strict';
import type { PlanReply, PlanRequest } from '../contracts/plan-protocol.ts';
import { DAY } from '../core/planning/harbour-day.fixture.ts';
import { judgePlacement } from '../core/planning/index.ts';
import { PlanClient, type WorkerLike } from './plan-client.ts';
import { answerPlanRequests } from './plan-server.ts';

/** Both sides of the protocol joined in one process; every look at the clock is a slice. */
function joined() {
	let toServer: (request: PlanRequest) => void = () => undefined;
	let time = 0;
	let terminated = 0;
	const replies: PlanReply[] = [];
	const make = (): WorkerLike => {
		const worker: WorkerLike = {
			onmessage: null,
			onerror: null,
			postMessage: (message) => queueMicrotask(() => toServer(structuredClone(message))),
			terminate: () => (terminated += 1)
		};
		answerPlanRequests({
			listen: (handler) => (toServer = handler),
			reply: (message) => {
				replies.push(message);
				worker.onmessage?.({ data: structuredClone(message) });
			},
			pause: () => new Promise((resolve) => setImmediate(resolve)),
			now: () => (time += 5)
		});
		return worker;
	};
	return { client: new PlanClient(make), replies, terminated: () => terminated, make };
}

test('a plan comes back through the protocol with its progress', async () => {
	const { client } = joined();
	const progress: number[] = [];
	const outcome = await client.plan(DAY, (done) => progress.push(done));
	assert.ok(outcome.kind === 'planned');
	assert.deepEqual(judgePlacement(DAY, outcome.placement).violations, []);
	assert.ok(progress.length > 3);
	assert.deepEqual(
		[...progress].sort((a, b) => a - b),
		progress
	);
});

test('the latest request wins, the earlier one is stopped while it computes', async () => {
	const { client, replies } = joined();
	const first = client.plan(DAY);
	await new Promise((resolve) => setImmediate(resolve));
	await new Promise((resolve) => setImmediate(resolve));
	const second = client.plan(DAY);
	assert.equal((await first).kind, 'superseded');
	assert.equal((await second).kind, 'planned');
	assert.ok(replies.some((reply) => reply.kind === 'cancelled' && reply.id === 1));
	assert.ok(!replies.some((reply) => reply.kind === 'planned' && reply.id === 1));
});

test('a day that breaks the planner is answered, and so is a worker that does not start', async () => {
	const { client, terminated } = joined();
	const outcome = await client.plan({ ...DAY, doughs: null } as unknown as typeof DAY);
	assert.equal(outcome.kind, 'broken');
	client.close();
	assert.equal(terminated(), 1);
	const dead = new PlanClient(() => {
		const worker: WorkerLike = {
			onmessage: null,
			onerror: null,
			terminate: () => undefined,
			postMessage: () => queueMicrotask(() => worker.onerror?.({}))
		};
		return worker;
	});
	assert.deepEqual(await dead.plan(DAY), {
		kind: 'broken',
		message: 'the plan worker did not start'
	});
});
