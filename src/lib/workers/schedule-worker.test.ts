import { test } from 'node:test';
import assert from 'node:assert/strict';
import { generateDay } from '../../../bench/schedule/generate-day.ts';
import { problemOf } from '../../../bench/schedule/neutral-case.ts';
import type { ScheduleReply, ScheduleRequest } from '../contracts/schedule-protocol.ts';
import { checkPlan } from '../core/schedule/index.ts';
import { compile } from '../core/schedule/search/compile.ts';
import { answerScheduleRequests } from './schedule-server.ts';
import { solveInSlices } from './solve-in-slices.ts';

const DAY = problemOf(generateDay('small', 3));

/** The worker's side with a clock that goes a millisecond each time it is looked at. */
function worker() {
	let send: (request: ScheduleRequest) => void = () => undefined;
	const replies: ScheduleReply[] = [];
	const waiting: (() => void)[] = [];
	let time = 0;
	let longest = 0;
	let breath = 0;
	answerScheduleRequests({
		listen: (handler) => (send = handler),
		reply: (message) => {
			replies.push(structuredClone(message));
			for (const wake of waiting.splice(0)) wake();
		},
		pause: () => {
			longest = Math.max(longest, time - breath);
			return new Promise((resolve) =>
				setImmediate(() => {
					breath = time;
					resolve();
				})
			);
		},
		now: () => (time += 1)
	});
	const replyOf = async (test: (reply: ScheduleReply) => boolean): Promise<ScheduleReply> => {
		for (;;) {
			const found = replies.find(test);
			if (found) return found;
			await new Promise<void>((resolve) => waiting.push(resolve));
		}
	};
	return {
		send: (request: ScheduleRequest) => send(request),
		replies,
		replyOf,
		longest: () => longest
	};
}

const solve = (id: number, budgetMs = 400): ScheduleRequest => ({
	kind: 'solve',
	id,
	problem: DAY,
	inForce: null,
	seed: 1,
	budgetMs
});

test('a first plan is told, then better ones, then the last, each judged and none worse', async () => {
	const { send, replies, replyOf, longest } = worker();
	send(solve(1));
	const last = await replyOf(({ kind }) => kind === 'solved');
	assert.ok(last.kind === 'solved' && last.found.cost);
	assert.deepEqual(checkPlan(DAY, last.found.plan), { violations: [], cost: last.found.cost });
	let before = Infinity;
	for (const reply of replies) {
		assert.ok(reply.kind === 'better' || reply.kind === 'solved');
		const cost = reply.found.cost?.total ?? 1e9;
		assert.ok(cost <= before);
		before = cost;
	}
	assert.ok(replies.length >= 2);
	// Messages are let in well within the time in which a cancel is to be heard.
	assert.ok(longest() <= 20, `${longest()}`);
});

test('the latest request wins, and a cancel ends its own and no other', async () => {
	const { send, replies, replyOf } = worker();
	send({ kind: 'warm', problem: DAY, budgetMs: 1e9 });
	send(solve(1, 1e9));
	await replyOf((reply) => reply.kind === 'better' && reply.id === 1);
	send(solve(2, 1e9));
	await replyOf((reply) => reply.kind === 'cancelled' && reply.id === 1);
	send({ kind: 'cancel', id: 1 });
	await replyOf((reply) => reply.kind === 'better' && reply.id === 2);
	send({ kind: 'cancel', id: 2 });
	await replyOf((reply) => reply.kind === 'cancelled' && reply.id === 2);
	assert.ok(!replies.some(({ kind }) => kind === 'solved' || kind === 'broken'));
	send(solve(3, 50));
	await replyOf((reply) => reply.kind === 'solved' && reply.id === 3);
});

test('a plan in force is gone on from, a faulty problem and a broken one are answered', async () => {
	const { send, replyOf } = worker();
	send(solve(1));
	const first = await replyOf(({ kind }) => kind === 'solved');
	assert.ok(first.kind === 'solved' && first.found.cost);
	send({ ...solve(2, 30), inForce: first.found.plan } as ScheduleRequest);
	const next = await replyOf((reply) => reply.kind === 'better' && reply.id === 2);
	assert.ok(next.kind === 'better' && next.found.cost);
	assert.ok(next.found.cost.total <= first.found.cost.total);
	send({ ...solve(3), problem: { ...DAY, horizon: 0.5 } } as ScheduleRequest);
	const faulty = await replyOf((reply) => reply.id === 3);
	assert.deepEqual(faulty, {
		kind: 'faulty',
		id: 3,
		fault: { kind: 'not-whole', where: 'horizon', what: '0.5' }
	});
	send({ ...solve(4), problem: null } as unknown as ScheduleRequest);
	const broken = await replyOf((reply) => reply.id === 4);
	assert.equal(broken.kind, 'broken');
});

/** Solves with a clock that a slice of work goes by at each look, wanted for so many pauses; how many there were. */
async function leftAfter(pauses: number) {
	let [time, paused] = [0, 0];
	const answer = await solveInSlices(
		{ problem: DAY, inForce: null, seed: 1, budgetMs: 1500 },
		{
			now: () => (time += 7),
			pause: () => {
				paused += 1;
				return Promise.resolve();
			},
			wanted: () => paused < pauses
		},
		() => undefined
	);
	return { kind: answer.kind, paused };
}

test('what nobody wants any more is left at any pause: before the first plan, at a move, at the last polish', async () => {
	const { kind, paused: all } = await leftAfter(Infinity);
	assert.equal(kind, 'solved');
	// Every component is looked at alone and then put in, with a pause after each.
	const { components } = compile(DAY);
	assert.ok(all > 2 * components.members.length, `${all} pauses`);
	for (let pauses = 1; pauses <= all; pauses += 1)
		assert.deepEqual(await leftAfter(pauses), { kind: 'unwanted', paused: pauses });
});
