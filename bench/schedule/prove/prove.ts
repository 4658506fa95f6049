import { readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { generateDay } from '../generate-day.ts';
import { modelOfDay } from './model-of-day.ts';
import type { ProvenOptimum } from './proven-optimum.ts';

// npm run schedule:prove -- --seeds 1,2 --seconds 300
// Proves what small made-up days cost at least, and writes it beside what was proven before.
const { values } = parseArgs({
	options: {
		seeds: { type: 'string' },
		seconds: { type: 'string', default: '300' },
		workers: { type: 'string', default: '2' }
	}
});
const file = new URL('./proven-optima.json', import.meta.url);
const before = JSON.parse(readFileSync(file, 'utf8')) as ProvenOptimum[];
const seeds = values.seeds ? values.seeds.split(',').map(Number) : before.map(({ seed }) => seed);

/** The part of the complete solver that is used; it is installed beside this file when it is asked for. */
interface CompleteSolver {
	readonly CpModel: new (data: Record<string, unknown>) => object;
	readonly CpSolver: new () => {
		solve(model: object, settings: Record<string, unknown>): Promise<unknown>;
		statusName(status: unknown): string;
		objectiveValue(): number;
		bestObjectiveBound(): number;
	};
}
const name = 'or-tools-wasm/cp-sat';
const { CpModel, CpSolver } = (await import(name)) as CompleteSolver;

const found = new Map(before.map((proven) => [proven.seed, proven]));
for (const seed of seeds) {
	const data = modelOfDay(generateDay('small', seed)).data();
	const solver = new CpSolver();
	const began = performance.now();
	const status = solver.statusName(
		await solver.solve(new CpModel(data), {
			numSearchWorkers: Number(values.workers),
			maxTimeInSeconds: Number(values.seconds)
		})
	);
	const [cost, bound] = [solver.objectiveValue(), solver.bestObjectiveBound()];
	const seconds = ((performance.now() - began) / 1000).toFixed(0);
	process.stdout.write(`small ${seed}: ${status}, cost ${cost}, at least ${bound}, ${seconds} s\n`);
	if (status === 'OPTIMAL') found.set(seed, { size: 'small', seed, cost, bound });
}
const all = [...found.values()].sort((a, b) => a.seed - b.seed);
writeFileSync(file, `${JSON.stringify(all, null, '\t')}\n`);
// The solver's threads would keep the process.
process.exit(0);
