import type { Cost, Placed, Plan } from '../plan.ts';
import type { Mode, Problem, Task } from '../problem.ts';
import { checkLoads } from './check-loads.ts';
import { costOfPlan } from './cost-of-plan.ts';
import { lagNow, type Standing, type Standings } from './standing.ts';
import { isMet, Usage } from './usage.ts';
import type { Violation } from './violations.ts';

export interface Judgement {
	readonly violations: readonly Violation[];
	/** What the plan costs; it means little while there are violations. */
	readonly cost: Cost;
}

type Say = (violation: Violation) => void;

/**
 * Judges any plan against its problem, from the definitions alone; it shares no code with what makes plans.
 *
 * Model: every task, lag, pool, machine and load is looked at one by one. A plan holds only where this finds nothing.
 * Range: a problem without faults (`faultOf`) and any plan, also nonsense from outside. Source: definitions in
 * `problem.ts`. Failures: none; findings are the result.
 * Example: two tasks of four units that start at 3 and 5 on one machine overlap.
 */
export function checkPlan(problem: Problem, plan: Plan): Judgement {
	const violations: Violation[] = [];
	const say: Say = (violation) => violations.push(violation);
	const standing = readTasks(problem, plan, say);
	checkLags(problem, standing, say);
	checkMachines(problem, standing, say);
	const usage = new Usage();
	checkDemands(problem, standing, usage, say);
	checkLoads(problem, plan, standing, usage, say);
	checkPools(problem, usage, say);
	return { violations, cost: costOfPlan(problem, standing) };
}

function readTasks(problem: Problem, plan: Plan, say: Say): Standings {
	const standing = new Map<string, Standing>();
	const tasks = new Map(problem.tasks.map((task) => [task.id, task]));
	for (const placed of plan.placed) {
		const task = tasks.get(placed.task);
		const mode = task?.modes.find(({ id }) => id === placed.mode);
		if (!task) say({ kind: 'task-unknown', task: placed.task });
		else if (standing.has(task.id)) say({ kind: 'task-twice', task: task.id });
		else if (!mode) say({ kind: 'mode-unknown', task: task.id, mode: placed.mode });
		else {
			standing.set(task.id, { task, mode, placed });
			checkTask(problem, task, mode, placed, say);
		}
	}
	for (const task of problem.tasks)
		if (!standing.has(task.id)) say({ kind: 'task-missing', task: task.id });
	return standing;
}

function checkTask(problem: Problem, task: Task, mode: Mode, placed: Placed, say: Say): void {
	const { start, end } = placed;
	if (!Number.isInteger(start) || start < 0 || end > problem.horizon)
		say({ kind: 'outside-horizon', task: task.id, start, end });
	if (mode.length !== null && end !== start + mode.length)
		say({ kind: 'length-wrong', task: task.id, end, expected: start + mode.length });
	if (task.earliest !== null && start < task.earliest)
		say({ kind: 'too-early', task: task.id, start, earliest: task.earliest });
	if (task.latest !== null && start > task.latest)
		say({ kind: 'too-late', task: task.id, start, latest: task.latest });
	const pin = task.pin;
	if (!pin) return;
	if (pin.start !== null && pin.start !== start)
		say({ kind: 'pin-moved', task: task.id, of: 'start' });
	if (pin.mode !== null && pin.mode !== placed.mode)
		say({ kind: 'pin-moved', task: task.id, of: 'mode' });
	if (pin.unit !== null && pin.unit !== placed.unit)
		say({ kind: 'pin-moved', task: task.id, of: 'unit' });
}

function checkLags(problem: Problem, standing: Standings, say: Say): void {
	for (const lag of problem.lags) {
		const now = lagNow(lag, standing);
		if (!now) continue;
		const { window, is } = now;
		if (!window) {
			say({ kind: 'modes-forbidden', lag: lag.id });
			continue;
		}
		const { least, outside, firmLeast } = window;
		if (is < least && (outside === null || firmLeast))
			say({ kind: 'lag-too-short', lag: lag.id, is, least });
		if (outside === null && window.most !== null && is > window.most)
			say({ kind: 'lag-too-long', lag: lag.id, is, most: window.most });
	}
}

function checkMachines(problem: Problem, standing: Standings, say: Say): void {
	for (const machine of problem.machines) {
		const on = [...standing.values()]
			.filter(({ mode }) => mode.machine?.id === machine.id)
			.sort((a, b) => a.placed.start - b.placed.start);
		for (const [at, { task, mode, placed }] of on.entries()) {
			const size = mode.machine?.size ?? 0;
			if (size < machine.least || size > machine.most)
				say({ kind: 'size-unfit', task: task.id, machine: machine.id, size });
			if (machine.closed.some(({ from, to }) => placed.start < to && placed.end > from))
				say({ kind: 'machine-closed', task: task.id, machine: machine.id });
			for (const next of on.slice(at + 1)) {
				const names = { machine: machine.id, first: task.id, second: next.task.id };
				const between = next.placed.start - placed.end;
				if (between < 0) {
					say({ kind: 'machine-overlap', ...names });
					continue;
				}
				const change = machine.changeovers.find(
					({ before, after }) =>
						before === mode.machine?.family && after === next.mode.machine?.family
				);
				if (change && between < change.length)
					say({ kind: 'changeover-short', ...names, least: change.length });
			}
		}
	}
}

function checkDemands(problem: Problem, standing: Standings, usage: Usage, say: Say): void {
	for (const { task, mode, placed } of standing.values()) {
		for (const [at, demand] of mode.demands.entries()) {
			const given = placed.given[at];
			if (!isMet(demand, given)) {
				say({ kind: 'demand-unmet', task: task.id, demand: at });
				continue;
			}
			for (const pool of given)
				usage.add(pool, placed.start + demand.from, placed.start + demand.to, 1);
		}
		if (mode.machine) usage.add(mode.machine.id, placed.start, placed.end, 1);
	}
	for (const lag of problem.lags) {
		const now = lagNow(lag, standing);
		for (const { pool, amount } of now?.window?.holds ?? [])
			usage.add(pool, now?.from ?? 0, now?.to ?? 0, amount);
	}
}

function checkPools(problem: Problem, usage: Usage, say: Say): void {
	for (const { id, there } of problem.pools)
		for (const over of usage.over(id, there)) say({ kind: 'pool-overdrawn', pool: id, ...over });
	// Two tasks on a machine were told by name; what a lag holds of it beside them is told here.
	const held = new Set<string>();
	for (const { windows } of problem.lags)
		for (const { window } of windows) for (const { pool } of window?.holds ?? []) held.add(pool);
	for (const machine of problem.machines) {
		if (!held.has(machine.id)) continue;
		const closed = machine.closed.map(({ from, to }) => ({ from, to, amount: -1 }));
		const there = [{ from: 0, to: problem.horizon, amount: 1 }, ...closed];
		for (const over of usage.over(machine.id, there))
			say({ kind: 'pool-overdrawn', pool: machine.id, ...over });
	}
}
