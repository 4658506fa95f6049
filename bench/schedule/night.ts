import { performance } from 'node:perf_hooks';
import { conflictOf, Solver, type Problem } from '../../src/lib/core/schedule/index.ts';
import { generateDay } from './generate-day.ts';
import { problemOf } from './neutral-case.ts';
import { quantile } from './quantile.ts';

/** A deadline before anything can be ready, explained: how long it takes, and what is told. */
export function explainConflict(): { readonly medianMs: number; readonly told: string } {
	const problem = problemOf(generateDay('medium', 1));
	const impossible: Problem = {
		...problem,
		tasks: problem.tasks.map((task) => (task.id.startsWith('pack') ? { ...task, latest: 3 } : task))
	};
	const times: number[] = [];
	let told = '';
	for (let run = 0; run < 20; run += 1) {
		const began = performance.now();
		const conflict = conflictOf(impossible, [], { seed: 1, moves: 50 });
		times.push(performance.now() - began);
		if (!conflict.ok) throw new Error(JSON.stringify(conflict.error));
		const { value } = conflict;
		told = value.kind === 'circle' ? `a circle of ${value.links.length} links` : value.kind;
	}
	return { medianMs: quantile(times, 0.5), told };
}

/** The heap after a hundred and after a thousand solves of a small day, in MB. */
export function solveAThousandTimes(collect: () => void): readonly [number, number] {
	const problem = problemOf(generateDay('small', 1));
	const held: number[] = [];
	for (let run = 1; run <= 1000; run += 1) {
		const made = Solver.of(problem, run);
		if (!made.ok) throw new Error(JSON.stringify(made.error));
		made.value.begin();
		made.value.run(20, 0.5);
		made.value.plan();
		if (run !== 100 && run !== 1000) continue;
		collect();
		held.push(process.memoryUsage().heapUsed / 1e6);
	}
	return [held[0] ?? NaN, held[1] ?? NaN];
}
