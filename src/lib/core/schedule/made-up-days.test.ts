import { test } from 'node:test';
import assert from 'node:assert/strict';
import { generateDay, type DaySize } from '../../../../bench/schedule/generate-day.ts';
import { problemOf } from '../../../../bench/schedule/neutral-case.ts';
import { checkPlan } from './check/check-plan.ts';
import { MANNER, type Manner } from './search/manner.ts';
import { Solver } from './solver.ts';

/** Plans a made-up day with few moves; what the solver claims must be what the checker finds. */
function planned(size: DaySize, day: number, moves: number, seed = day, manner: Manner = MANNER) {
	const problem = problemOf(generateDay(size, day));
	const made = Solver.of(problem, seed, manner);
	assert.ok(made.ok, JSON.stringify(made));
	const solver = made.value;
	solver.begin();
	const first = solver.progress;
	for (let done = 0; done < moves; done += 10) solver.run(10, done / moves);
	solver.finish();
	const plan = solver.plan();
	const { violations, cost } = checkPlan(problem, plan);
	assert.deepEqual(
		violations.filter(({ kind }) => kind !== 'task-missing'),
		[],
		`${size} ${day}`
	);
	assert.equal(violations.length, plan.missing.length);
	assert.equal(solver.progress.missing, plan.missing.length);
	if (plan.missing.length === 0) assert.equal(solver.progress.cost, cost.total, `${size} ${day}`);
	return { first, last: solver.progress };
}

test('made-up days are planned, and every plan holds at the cost that is claimed', () => {
	let complete = 0;
	for (let seed = 1; seed <= 12; seed += 1) {
		const { first, last } = planned('small', seed, 200);
		if (last.missing === 0) complete += 1;
		assert.ok(last.missing <= first.missing);
		if (first.cost !== null) assert.ok((last.cost ?? Infinity) <= first.cost);
	}
	assert.ok(complete >= 9, `${complete} of 12 small days are complete`);
	for (let seed = 1; seed <= 4; seed += 1) planned('medium', seed, 120);
	planned('large', 1, 60);
});

test('a day that is barely possible is begun complete, what was late first; and completed without that too', () => {
	const problem = problemOf(generateDay('small', 64_774));
	for (const seed of [2, 4]) {
		const begun = (manner: Manner) => {
			const made = Solver.of(problem, seed, manner);
			assert.ok(made.ok);
			made.value.begin();
			return made.value;
		};
		assert.equal(begun(MANNER).progress.missing, 0, `seed ${seed}`);
		// Otherwise these seeds leave a mix out at first, and find no place for it by small moves.
		const other = begun({ ...MANNER, again: 0 });
		assert.ok(other.progress.missing > 0, `seed ${seed} begins complete: choose another`);
		for (let round = 0; round < 20; round += 1) other.run(100, round / 20);
		assert.equal(other.progress.missing, 0, `seed ${seed}`);
	}
});

test('a solver that goes on where it stands gives plans no worse than before', () => {
	const problem = problemOf(generateDay('medium', 1));
	const made = Solver.of(problem, 3);
	assert.ok(made.ok);
	const solver = made.value;
	solver.begin();
	let before = Infinity;
	for (let round = 0; round < 6; round += 1) {
		solver.run(30, round / 6);
		const { cost } = solver.progress;
		const { violations, cost: judged } = checkPlan(problem, solver.plan());
		if (cost === null) continue;
		assert.deepEqual(violations, []);
		assert.equal(judged.total, cost);
		assert.ok(cost <= before);
		before = cost;
	}
	assert.ok(before < Infinity);
});

test('loads that named hands load and draw, and that others of another length join, are attended to their end', () => {
	for (let seed = 1; seed <= 12; seed += 1) {
		const day = problemOf(generateDay('small', seed));
		const hands = day.pools.find(({ id }) => id === 'hands');
		assert.ok(hands);
		const named = ['ann', 'bob', 'cat'].map((id) => ({
			id,
			there: hands.there.map((stretch) => ({ ...stretch, amount: 1 }))
		}));
		const byName = <T extends { readonly pools: readonly string[] }>(demand: T): T =>
			demand.pools.includes('hands') ? { ...demand, pools: named.map(({ id }) => id) } : demand;
		const problem = {
			...day,
			pools: [...day.pools.filter(({ id }) => id !== 'hands'), ...named],
			tasks: day.tasks.map((task) => ({
				...task,
				modes: task.modes.map((mode) => ({
					...mode,
					demands: mode.demands.map(byName),
					batch: mode.batch && { ...mode.batch, lengthTolerance: 4 }
				}))
			})),
			batchMachines: day.batchMachines.map((machine) => ({
				...machine,
				attended: [
					...machine.attended.map(byName),
					byName({ pools: ['hands'], amount: 1, from: 0, to: 1, of: 'end' as const })
				]
			}))
		};
		const made = Solver.of(problem, seed);
		assert.ok(made.ok, JSON.stringify(made));
		const solver = made.value;
		solver.begin();
		for (let done = 0; done < 200; done += 10) solver.run(10, done / 200);
		solver.finish();
		const plan = solver.plan();
		const { violations, cost } = checkPlan(problem, plan);
		assert.deepEqual(
			violations.filter(({ kind }) => kind !== 'task-missing'),
			[],
			`day ${seed}`
		);
		if (plan.missing.length === 0) assert.equal(solver.progress.cost, cost.total);
	}
});

test('a window whose most alone may be overstayed is never entered sooner than its least', () => {
	let overstayed = 0;
	for (let seed = 1; seed <= 8; seed += 1) {
		const day = problemOf(generateDay('small', seed));
		const problem = {
			...day,
			lags: day.lags.map((lag) => ({
				...lag,
				windows: lag.windows.map((choice) => ({
					...choice,
					window:
						choice.window === null || choice.window.most === null
							? choice.window
							: // Narrower than it was, so that it pays to overstay it.
								{
									...choice.window,
									most: choice.window.least,
									wish: choice.window.wish === null ? null : choice.window.least,
									outside: 20,
									firmLeast: true
								}
				}))
			}))
		};
		const made = Solver.of(problem, seed);
		assert.equal(made.ok, true, JSON.stringify(made));
		if (!made.ok) continue;
		const solver = made.value;
		solver.begin();
		for (let done = 0; done < 150; done += 10) solver.run(10, done / 150);
		solver.finish();
		const plan = solver.plan();
		const { violations, cost } = checkPlan(problem, plan);
		assert.deepEqual(
			violations.filter(({ kind }) => kind !== 'task-missing'),
			[],
			`day ${seed}`
		);
		if (plan.missing.length > 0) continue;
		assert.equal(solver.progress.cost, cost.total, `day ${seed}`);
		const at = new Map(plan.placed.map((placed) => [placed.task, placed]));
		for (const { before, after, from, windows } of problem.lags) {
			const [one, other] = [at.get(before), at.get(after)];
			const window = windows.find(
				({ beforeMode, afterMode }) =>
					(beforeMode ?? one?.mode) === one?.mode && (afterMode ?? other?.mode) === other?.mode
			)?.window;
			if (!one || !other || !window) continue;
			const is = other.start - (from === 'start' ? one.start : one.end);
			assert.equal(is >= window.least, true, `${before} to ${after}`);
			if (window.most !== null && is > window.most) overstayed += 1;
		}
	}
	assert.notEqual(overstayed, 0, 'nothing was overstayed: the test shows nothing');
});

test('a mix that was left in the evening comes into a morning that is full: most of it is put in anew', () => {
	// The best that is known of this day costs 2398; where its mix of five portions is baked the evening before, over 3000.
	const cost = (manner: Manner) =>
		planned('medium', 5374, 1600, 1, manner).last.cost ?? assert.fail('something is missing');
	assert.ok(cost(MANNER) < 2600, `${cost(MANNER)}`);
	// With one or two beside it, no room is made that it could take.
	const few = cost({ ...MANNER, withWorst: 3 });
	assert.ok(few > 3000, `with few lifted beside it this seed costs ${few}: choose another`);
});
