import { test } from 'node:test';
import assert from 'node:assert/strict';
import type { PlanReply, PlanRequest, PlanWanted } from '../contracts/plan-protocol.ts';
import { DAY, FERRY_MS } from '../core/planning/harbour-day.fixture.ts';
import { holds, judgePlacement, planDifference } from '../core/planning/index.ts';
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

const wanted: PlanWanted = {
	input: DAY,
	conditions: { nowMs: null, wishes: [], done: [] },
	inForce: null,
	keepsInForce: false,
	seed: 1,
	budgetMs: 400,
	isPatient: false
};

async function plannedOnce(client: PlanClient) {
	const outcome = await client.plan(wanted);
	assert.ok(outcome.kind === 'planned');
	return outcome;
}

test('a plan comes back through the protocol, better ones on the way, judged before they are told', async () => {
	const { client } = joined();
	const costs: number[] = [];
	const outcome = await client.plan(wanted, ({ cost }) => costs.push(cost?.total ?? Infinity));
	assert.ok(outcome.kind === 'planned');
	assert.deepEqual(judgePlacement(DAY, outcome.found.placement).violations, []);
	assert.notEqual(costs.length, 0);
	assert.deepEqual(
		[...costs].sort((a, b) => b - a),
		costs
	);
	assert.equal(outcome.found.plan.tasks.length > 10, true);
});

test('the latest request wins, the earlier one is stopped while it computes', async () => {
	const { client, replies } = joined();
	const first = client.plan(wanted);
	await new Promise((resolve) => setImmediate(resolve));
	await new Promise((resolve) => setImmediate(resolve));
	const second = client.plan(wanted);
	assert.equal((await first).kind, 'superseded');
	assert.equal((await second).kind, 'planned');
	assert.ok(
		replies.some((reply) => reply.kind === 'cancelled' && reply.id === 1),
		'the first was cancelled'
	);
	assert.ok(
		!replies.some((reply) => reply.kind === 'planned' && reply.id === 1),
		'and gave no plan'
	);
});

test('of several workers the better plan is told, and one that breaks takes nothing with it', async () => {
	const { make } = joined();
	let made = 0;
	const client = new PlanClient(() => {
		made += 1;
		if (made > 1) return make();
		const dead: WorkerLike = {
			onmessage: null,
			onerror: null,
			terminate: () => undefined,
			postMessage: () => queueMicrotask(() => dead.onerror?.({}))
		};
		return dead;
	}, 2);
	const outcome = await client.plan(wanted);
	assert.equal(outcome.kind, 'planned');
	// The one that broke is replaced before the next question.
	const looked =
		outcome.kind === 'planned' && (await client.lookInto(DAY, outcome.found.placement));
	assert.equal(made, 3);
	assert.ok(looked && looked.chances, 'the plan was looked into');
	assert.notEqual(looked.held.length, 0);
});

test('a wish that nothing can keep leaves something without a place, and the plan says so', async () => {
	const { client } = joined();
	const outcome = await client.plan({
		...wanted,
		conditions: {
			...wanted.conditions,
			wishes: ['deck 1', 'deck 2'].map((deckId) => ({ kind: 'deck-down' as const, deckId }))
		}
	});
	assert.ok(outcome.kind === 'planned');
	assert.notDeepEqual(outcome.found.plan.unplaced, []);
	assert.equal(outcome.found.cost, null);
});

test('what would free a night is told with plans that hold, and gives way to whatever is asked after it', async () => {
	const { client } = joined();
	const late = { ...wanted.conditions, nowMs: FERRY_MS - 12 * 3_600_000 };
	const { found: standing } = await plannedOnce(client);
	const left = client.waysOut(DAY, late, standing.placement);
	const outcome = await client.plan(wanted);
	assert.equal(await left, null);
	assert.equal(outcome.kind, 'planned');
	const told = await client.waysOut(DAY, late, standing.placement);
	assert.ok(told?.kind === 'clash');
	assert.deepEqual(told.clashes, [[{ kind: 'drop', dropId: 'ferry' }]]);
	assert.equal(told.ways.length, 1);
	for (const { found } of told.ways) {
		assert.ok(holds(found.plan));
		assert.deepEqual(judgePlacement(DAY, found.placement).plan, found.plan);
	}
	// A day that breaks the search is nothing that can be told.
	const broken = { ...DAY, doughs: null } as unknown as typeof DAY;
	assert.equal(await client.waysOut(broken, late, standing.placement), null);
});

test('a plan in force is kept where nothing asks for another', async () => {
	const { client } = joined();
	const first = await client.plan(wanted);
	assert.ok(first.kind === 'planned');
	const again = await client.plan({
		...wanted,
		inForce: first.found.placement,
		keepsInForce: true,
		budgetMs: 100
	});
	assert.ok(again.kind === 'planned');
	const moved = planDifference(first.found.plan, again.found.plan).moved.length;
	assert.ok(moved <= 6, `${moved} moved`);
});

test('a day that breaks the planner is answered, and so is a worker that does not start', async () => {
	const { client, terminated } = joined();
	const outcome = await client.plan({
		...wanted,
		input: { ...DAY, doughs: null } as unknown as typeof DAY
	});
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
	assert.deepEqual(await dead.plan(wanted), {
		kind: 'broken',
		message: 'the plan worker did not start'
	});
});
