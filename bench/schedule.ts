import { setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { checkPlan, type Problem } from '../src/lib/core/schedule/index.ts';
import { FT06, FT10, jobShop, LA01 } from '../src/lib/core/schedule/job-shops.fixture.ts';
import { generateDay, type DaySize } from './schedule/generate-day.ts';
import { problemOf } from './schedule/neutral-case.ts';
import { withEngineInBrowser } from './schedule/in-browser.ts';
import { explainConflict, solveAThousandTimes } from './schedule/night.ts';
import { nodeTeam } from './schedule/node-team.ts';
import { quantile } from './schedule/quantile.ts';
import { replanNights, type Replanned } from './schedule/replan-nights.ts';
import { solveByTeam, warmUp, type TimedRun } from './schedule/timed.ts';

/** Seeds of days, drawn after the code was frozen. */
const DAYS: Readonly<Record<DaySize, readonly number[]>> = {
	small: [32_218, 53_494],
	medium: [59_010, 19_746],
	large: [6871, 38_131]
};
const SEEDS = [1, 2, 3, 4, 5];
const SHORT_MS = 500;
const LONG_MS = 5000;
const team = nodeTeam();

const median = (values: readonly number[]): number => quantile(values, 0.5);

function row(...cells: readonly string[]): void {
	process.stdout.write(`| ${cells.join(' | ')} |\n`);
}

async function runs(
	problem: Problem,
	seeds: readonly number[],
	budgetMs: number
): Promise<TimedRun[]> {
	const found: TimedRun[] = [];
	// One after the other: a run has both cores.
	for (const seed of seeds) found.push(await solveByTeam(team, problem, { seed, budgetMs }));
	return found;
}

/** How a made-up day fares: what a run at the short time costs over the best that was found in the long one. */
async function dayRow(size: DaySize, day: number): Promise<void> {
	const problem = problemOf(generateDay(size, day));
	const short = await runs(problem, SEEDS, SHORT_MS);
	const long = await runs(problem, [6, 7], LONG_MS);
	const costs = (found: readonly TimedRun[]) => found.map(({ cost }) => cost ?? Infinity);
	const best = Math.min(...costs(short), ...costs(long));
	const over = (cost: number) => (cost === Infinity ? 'does not hold' : (cost / best).toFixed(3));
	const late = short.filter(({ plan }) => (checkPlan(problem, plan).cost.tiers[0] ?? 0) > 0).length;
	row(
		`${size} ${day}`,
		String(problem.tasks.length),
		median(short.map(({ firstMs }) => firstMs)).toFixed(0),
		over(median(costs(short))),
		over(Math.max(...costs(short))),
		over(median(costs(long))),
		`${late} of ${SEEDS.length}`,
		median(short.map(({ moves }) => moves)).toFixed(0)
	);
}

async function shopRow(
	name: string,
	jobs: typeof FT06,
	horizon: number,
	optimum: number
): Promise<void> {
	const found = await runs(jobShop(jobs, horizon), [1, 2], LONG_MS);
	const best = Math.min(...found.map(({ cost }) => cost ?? Infinity));
	row(name, String(optimum), String(best), (best / optimum).toFixed(3));
}

for (const size of ['small', 'medium', 'large'] as const)
	await warmUp(team, problemOf(generateDay(size, 1)));
process.stdout.write(
	`\nSchedules of made-up days, over the best found in any run (${SHORT_MS} and ${LONG_MS} ms)\n`
);
row('day', 'tasks', 'first ms', 'median', 'worst', 'median long', 'late', 'moves');
row('---', '---', '---', '---', '---', '---', '---', '---');
for (const size of ['small', 'medium', 'large'] as const)
	for (const day of DAYS[size]) await dayRow(size, day);
process.stdout.write(`\nJob shops of the open literature, ${LONG_MS} ms\n`);
row('shop', 'optimum', 'best', 'ratio');
row('---', '---', '---', '---');
await shopRow('FT06', FT06, 200, 55);
await shopRow('LA01', LA01, 2000, 666);
await shopRow('FT10', FT10, 3000, 930);

process.stdout.write('\nA night that changes, medium days\n');
row('where', 'nights', 'hold', 'p95 ms', 'stayed, median', 'stayed, least');
row('---', '---', '---', '---', '---', '---');
const changedRow = (where: string, replanned: Replanned) =>
	row(
		where,
		String(replanned.nights),
		String(replanned.valid),
		replanned.p95Ms.toFixed(0),
		replanned.medianStayed.toFixed(2),
		replanned.leastStayed.toFixed(2)
	);
changedRow('Node.js', await replanNights(team));
team.close();
const chromium = process.env.JOVET_CHROMIUM;
if (!chromium) throw new Error('JOVET_CHROMIUM is not set; measure with "npm run bench"');
await withEngineInBrowser(chromium, async (ask) => {
	changedRow('browser', await ask('replanNights'));
	const cancels = await ask('cancels', 100);
	process.stdout.write(
		`\nA cancel is answered after ${quantile(cancels, 0.5).toFixed(1)} ms (median), ${quantile(cancels, 0.95).toFixed(1)} ms ` +
			`(95 of 100), ${quantile(cancels, 1).toFixed(1)} ms at most of ${cancels.length}.\n`
	);
});
const explained = explainConflict();
process.stdout.write(
	`\nAn impossible day is explained in ${explained.medianMs.toFixed(1)} ms by ${explained.told}.\n`
);
setFlagsFromString('--expose-gc');
const collect = runInNewContext('gc') as () => void;
const [early, late] = solveAThousandTimes(collect);
process.stdout.write(
	`Heap after 100 solves ${early.toFixed(1)} MB, after 1000 ${late.toFixed(1)} MB: ${(late / early).toFixed(2)} times.\n`
);
