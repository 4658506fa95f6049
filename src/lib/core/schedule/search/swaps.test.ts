import { test } from 'node:test';
import assert from 'node:assert/strict';
import { checkPlan, solve, type Problem } from '../index.ts';
import { FT06, jobShop, LA01 } from '../job-shops.fixture.ts';
import { Dice } from './dice.ts';

const costAt = (problem: Problem, seed: number, moves: number): number => {
	const solved = solve(problem, { seed, moves });
	assert.ok(solved.ok, JSON.stringify(solved));
	const { violations, cost } = checkPlan(problem, solved.value);
	assert.deepEqual(violations, []);
	return cost.total;
};

test('the shops of the open literature come to their proven optima', () => {
	for (const seed of [1, 2]) {
		assert.equal(costAt(jobShop(FT06, 200), seed, 3000), 55);
		assert.equal(costAt(jobShop(LA01, 2000), seed, 3000), 666);
	}
});

/** Jobs that are due one by one, each with its price, instead of a price on the last end of all. */
function dueShop(jobs: readonly (readonly number[])[], dues: readonly number[]): Problem {
	const shop = jobShop(jobs, 200);
	return {
		...shop,
		prices: jobs.map((job, j) => ({
			id: `due ${j}`,
			task: `job ${j}.${job.length / 2 - 1}`,
			of: 'end' as const,
			at: dues[j] ?? 0,
			early: 0,
			late: 1 + j,
			away: 0,
			tier: 0
		}))
	};
}

/** The least price over every order of every machine, tried one by one. */
function leastOfAll(jobs: readonly (readonly number[])[], dues: readonly number[]): number {
	const done = jobs.map(() => 0);
	const jobFree = jobs.map(() => 0);
	const machineFree = new Map<number, number>();
	let least = Infinity;
	const goOn = (price: number): void => {
		if (price >= least) return;
		let open = false;
		jobs.forEach((job, j) => {
			const at = done[j] ?? 0;
			if (at === job.length) return;
			open = true;
			const [machine = 0, length = 0] = job.slice(at, at + 2);
			const [freeJob, freeMachine] = [jobFree[j] ?? 0, machineFree.get(machine) ?? 0];
			const end = Math.max(freeJob, freeMachine) + length;
			done[j] = at + 2;
			jobFree[j] = end;
			machineFree.set(machine, end);
			const late = at + 2 === job.length ? Math.max(0, end - (dues[j] ?? 0)) * (1 + j) : 0;
			goOn(price + late);
			done[j] = at;
			jobFree[j] = freeJob;
			machineFree.set(machine, freeMachine);
		});
		if (!open) least = price;
	};
	goOn(0);
	return least;
}

test('jobs with due times of their own cost what the best of all orders costs', () => {
	const dice = new Dice(20_261_125);
	let priced = 0;
	for (let day = 0; day < 25; day += 1) {
		const jobs = Array.from({ length: 3 }, () => {
			const machines = [0, 1, 2];
			dice.shuffle(machines);
			return machines.flatMap((machine) => [machine, 1 + dice.next(9)]);
		});
		const dues = jobs.map(() => 5 + dice.next(15));
		const least = leastOfAll(jobs, dues);
		assert.equal(costAt(dueShop(jobs, dues), day, 400), least, JSON.stringify({ jobs, dues }));
		if (least > 0) priced += 1;
	}
	assert.ok(priced > 10, `${priced} days could not be held for nothing`);
});
