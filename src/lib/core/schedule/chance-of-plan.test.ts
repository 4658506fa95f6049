import { test } from 'node:test';
import assert from 'node:assert/strict';
import { chanceOfPlan, type Spread, type Uncertain } from './chance-of-plan.ts';
import { EVERY_KIND, GOOD_PLAN } from './every-kind.fixture.ts';

const run = (lengths: Record<string, Spread>, waits: Record<string, Spread> = {}, seed = 1) => {
	const uncertain: Uncertain = {
		lengths: new Map(Object.entries(lengths)),
		waits: new Map(Object.entries(waits))
	};
	const told = chanceOfPlan(EVERY_KIND, GOOD_PLAN, uncertain, { runs: 400, seed });
	assert.ok(told.ok, JSON.stringify(told));
	const [due] = told.value;
	assert.ok(due);
	assert.equal(told.value.length, 1);
	return due;
};

const exactly = (by: number): Spread => ({ least: by, likely: by, most: by });

test('with nothing uncertain every run is the plan', () => {
	assert.deepEqual(run({}), {
		deadline: 'due',
		lateShare: 1,
		meanLate: 1,
		lateInTen: 1,
		toHalve: 1,
		weakest: null
	});
});

test('what is longer than the slack behind it makes late by the rest, and is named', () => {
	// The tiles end at 21 and are packed at 24 after a unit of cooling: two units of slack.
	assert.equal(run({ 'red tile': exactly(2) }).meanLate, 1);
	const late = run({ 'red tile': exactly(5) });
	assert.equal(late.meanLate, 4);
	assert.deepEqual(late.weakest, { of: 'task', id: 'red tile', share: 1 });
	// A wait that takes longer is told as the lag it is.
	const waited = run({}, { 'blue tile to pack': exactly(6) });
	assert.equal(waited.meanLate, 5);
	assert.deepEqual(waited.weakest, { of: 'lag', id: 'blue tile to pack', share: 1 });
});

test('a delay goes through the machine to what comes after it, and both are named by their share', () => {
	// Red ends 6 later, so blue starts 6 later; blue itself takes 2 more, the tiles start when it has stood its least.
	const due = run({ red: exactly(6), blue: exactly(2) });
	// Blue then ends at 19 instead of 11, its tile starts at 21 instead of 14, seven later than planned.
	assert.equal(due.meanLate, 1 + 7 - 2);
	assert.equal(due.weakest?.id, 'red');
	assert.equal(due.weakest.share, 0.75);
});

test('what turns out short does not start anything sooner', () => {
	assert.equal(run({ red: exactly(-2), 'red tile': exactly(-3) }).meanLate, 1);
});

test('three figures make a law with their mean, and a seed makes the runs again', () => {
	const spread = { 'red tile': { least: 2, likely: 4, most: 12 } };
	const due = run(spread);
	// A mean of 6, two of it slack, and a unit late before: 5, give or take what 400 runs leave.
	assert.ok(Math.abs(due.meanLate - 5) < 0.4, String(due.meanLate));
	assert.ok(due.lateInTen > due.meanLate);
	// With so much more room no more than half of the runs are late, with a unit less more than half of them.
	const lateAfter = (room: number) => {
		const later = {
			...EVERY_KIND,
			prices: EVERY_KIND.prices.map((price) => ({ ...price, at: price.at + room }))
		};
		const told = chanceOfPlan(
			later,
			GOOD_PLAN,
			{ lengths: new Map(Object.entries(spread)), waits: new Map() },
			{ runs: 400, seed: 1 }
		);
		assert.ok(told.ok);
		return told.value[0]?.lateShare ?? 0;
	};
	assert.ok(lateAfter(due.toHalve) <= due.lateShare / 2);
	assert.ok(lateAfter(due.toHalve - 1) > due.lateShare / 2);
	assert.deepEqual(run(spread), due);
	assert.notDeepEqual(run(spread, {}, 2), due);
});

test('several prices are one deadline, late where any of them is', () => {
	const problem = {
		...EVERY_KIND,
		prices: [
			...EVERY_KIND.prices,
			{ id: 'tile due', task: 'red tile', of: 'end', at: 22, early: 0, late: 1, away: 0, tier: 0 }
		]
	} as const;
	const uncertain = { lengths: new Map([['red tile', exactly(4)]]), waits: new Map() };
	const told = (deadlineOf?: (price: string) => string | null) => {
		const answer = chanceOfPlan(
			problem,
			GOOD_PLAN,
			{ ...uncertain, ...(deadlineOf && { deadlineOf }) },
			{ runs: 10, seed: 1 }
		);
		assert.ok(answer.ok);
		return answer.value.map(({ deadline, lateShare, meanLate }) => [deadline, lateShare, meanLate]);
	};
	assert.deepEqual(told(), [
		['due', 1, 3],
		['tile due', 1, 3]
	]);
	assert.deepEqual(
		told(() => 'all'),
		[['all', 1, 3]]
	);
	assert.deepEqual(
		told((price) => (price === 'due' ? null : 'tile')),
		[['tile', 1, 3]]
	);
});

test('what is pinned happened: nothing that turns out long makes it later', () => {
	const problem = {
		...EVERY_KIND,
		tasks: EVERY_KIND.tasks.map((task) =>
			task.id === 'pack' ? { ...task, pin: { start: 24, mode: null, unit: null } } : task
		)
	};
	const told = chanceOfPlan(
		problem,
		GOOD_PLAN,
		{ lengths: new Map([['red tile', exactly(5)]]), waits: new Map() },
		{ runs: 10, seed: 1 }
	);
	assert.equal(told.ok && told.value[0]?.meanLate, 1);
});
