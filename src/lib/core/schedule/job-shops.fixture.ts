import type { Lag, Price, Problem, Task } from './index.ts';

/**
 * Job shops of the open literature: each row a job, machine and time in turn.
 * FT06 and FT10 from Fisher and Thompson (1963), LA01 from Lawrence (1984); their optima are proven there and since.
 */
export const FT06 = [
	[2, 1, 0, 3, 1, 6, 3, 7, 5, 3, 4, 6],
	[1, 8, 2, 5, 4, 10, 5, 10, 0, 10, 3, 4],
	[2, 5, 3, 4, 5, 8, 0, 9, 1, 1, 4, 7],
	[1, 5, 0, 5, 2, 5, 3, 3, 4, 8, 5, 9],
	[2, 9, 1, 3, 4, 5, 5, 4, 0, 3, 3, 1],
	[1, 3, 3, 3, 5, 9, 0, 10, 4, 4, 2, 1]
];

export const LA01 = [
	[1, 21, 0, 53, 4, 95, 3, 55, 2, 34],
	[0, 21, 3, 52, 4, 16, 2, 26, 1, 71],
	[3, 39, 4, 98, 1, 42, 2, 31, 0, 12],
	[1, 77, 0, 55, 4, 79, 2, 66, 3, 77],
	[0, 83, 3, 34, 2, 64, 1, 19, 4, 37],
	[1, 54, 2, 43, 4, 79, 0, 92, 3, 62],
	[3, 69, 4, 77, 1, 87, 2, 87, 0, 93],
	[2, 38, 0, 60, 1, 41, 3, 24, 4, 83],
	[3, 17, 1, 49, 4, 25, 0, 44, 2, 98],
	[4, 77, 3, 79, 2, 43, 1, 75, 0, 96]
];

export const FT10 = [
	[0, 29, 1, 78, 2, 9, 3, 36, 4, 49, 5, 11, 6, 62, 7, 56, 8, 44, 9, 21],
	[0, 43, 2, 90, 4, 75, 9, 11, 3, 69, 1, 28, 6, 46, 5, 46, 7, 72, 8, 30],
	[1, 91, 0, 85, 3, 39, 2, 74, 8, 90, 5, 10, 7, 12, 6, 89, 9, 45, 4, 33],
	[1, 81, 2, 95, 0, 71, 4, 99, 6, 9, 8, 52, 7, 85, 3, 98, 9, 22, 5, 43],
	[2, 14, 0, 6, 1, 22, 5, 61, 3, 26, 4, 69, 8, 21, 7, 49, 9, 72, 6, 53],
	[2, 84, 1, 2, 5, 52, 3, 95, 8, 48, 9, 72, 0, 47, 6, 65, 4, 6, 7, 25],
	[1, 46, 0, 37, 3, 61, 2, 13, 6, 32, 5, 21, 9, 32, 8, 89, 7, 30, 4, 55],
	[2, 31, 0, 86, 1, 46, 5, 74, 4, 32, 6, 88, 8, 19, 9, 48, 7, 36, 3, 79],
	[0, 76, 1, 69, 3, 76, 5, 51, 2, 85, 9, 11, 6, 40, 7, 89, 4, 26, 8, 74],
	[1, 85, 0, 13, 2, 61, 6, 7, 8, 64, 9, 76, 5, 47, 3, 52, 4, 90, 7, 45]
];

/** A job shop as a problem: machines of one, jobs one after the other, and a price on the end of the last. */
export function jobShop(jobs: readonly (readonly number[])[], horizon: number): Problem {
	const tasks: Task[] = [];
	const lags: Lag[] = [];
	const prices: Price[] = [];
	const open = {
		least: 0,
		most: null,
		wish: null,
		price: 0,
		outside: null,
		tier: 0,
		holds: []
	};
	const follow = (before: string, after: string) =>
		lags.push({
			id: `${before} ${after}`,
			before,
			after,
			from: 'end',
			windows: [{ beforeMode: null, afterMode: null, window: open }]
		});
	const machines = new Set<number>();
	const task = (id: string, group: string, length: number, machine: number | null): Task => ({
		id,
		group,
		modes: [
			{
				id: 'only',
				length,
				demands: [],
				machine: machine === null ? null : { id: `machine ${machine}`, size: 1, family: '' },
				batch: null
			}
		],
		earliest: null,
		latest: null,
		pin: null
	});
	jobs.forEach((job, j) => {
		for (let at = 0; at < job.length; at += 2) {
			const machine = job[at] ?? 0;
			machines.add(machine);
			tasks.push(task(`job ${j}.${at / 2}`, `job ${j}`, job[at + 1] ?? 0, machine));
			if (at > 0) follow(`job ${j}.${at / 2 - 1}`, `job ${j}.${at / 2}`);
		}
		follow(`job ${j}.${job.length / 2 - 1}`, 'end');
	});
	tasks.push(task('end', 'end', 0, null));
	prices.push({
		id: 'makespan',
		task: 'end',
		of: 'end',
		at: 0,
		early: 0,
		late: 1,
		away: 0,
		tier: 0
	});
	return {
		horizon,
		tiers: ['makespan'],
		pools: [],
		machines: [...machines].map((machine) => ({
			id: `machine ${machine}`,
			least: 0,
			most: 1,
			closed: [],
			changeovers: []
		})),
		batchMachines: [],
		tasks,
		lags,
		prices,
		spans: []
	};
}
