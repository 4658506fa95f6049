import type { Cost } from '../plan.ts';
import type { BatchMachine, Problem, Span, Window } from '../problem.ts';
import { lagNow, type Standings } from './standing.ts';

/** What a plan costs by the problem's own definitions, tier by tier. */
export function costOfPlan(problem: Problem, standing: Standings): Cost {
	const tiers: number[] = [];
	for (let tier = 0; tier < problem.tiers.length; tier += 1) tiers.push(0);
	chargeLags(problem, standing, tiers);
	chargeTasks(problem, standing, tiers);
	for (const span of problem.spans) chargeSpan(span, standing, tiers);
	for (const machine of problem.batchMachines) chargeMachine(machine, standing, tiers);
	return { total: tiers.reduce((sum, price) => sum + price, 0), tiers };
}

function charge(tiers: number[], tier: number, price: number): void {
	tiers[tier] = (tiers[tier] ?? 0) + price;
}

function chargeLags({ lags }: Problem, standing: Standings, tiers: number[]): void {
	for (const lag of lags) {
		const now = lagNow(lag, standing);
		if (now?.window) charge(tiers, now.window.tier, windowPrice(now.window, now.is));
	}
}

/** What a task's mode costs, and its times. */
function chargeTasks({ tasks, prices }: Problem, standing: Standings, tiers: number[]): void {
	for (const task of tasks) {
		const mode = task.modes.find(({ id }) => id === standing.get(task.id)?.placed.mode);
		if (mode?.price) charge(tiers, mode.price.tier, mode.price.amount);
	}
	for (const { task, of, at, early, late, away, tier } of prices) {
		const placed = standing.get(task)?.placed;
		if (!placed) continue;
		const off = placed[of] - at;
		charge(tiers, tier, (off < 0 ? -off * early : off * late) + (off === 0 ? 0 : away));
	}
}

function chargeSpan(span: Span, standing: Standings, tiers: number[]): void {
	const counted = span.tasks.flatMap((id) => {
		const placed = standing.get(id)?.placed;
		return placed && placed.start >= (span.floor ?? -Infinity) ? [placed] : [];
	});
	if (counted.length === 0) return;
	const first = Math.min(...counted.map(({ start }) => start));
	const last = span.until ?? Math.max(...counted.map(({ end }) => end));
	charge(tiers, span.tier, span.price * (last - first));
}

function chargeMachine(machine: BatchMachine, standing: Standings, tiers: number[]): void {
	const units = new Set(machine.units.map(({ id }) => id));
	const on = [...standing.values()].flatMap(({ placed }) =>
		placed.unit !== null && units.has(placed.unit) ? [placed] : []
	);
	if (on.length === 0) return;
	const first = Math.min(...on.map(({ start }) => start));
	const last = Math.max(...on.map(({ end }) => end));
	charge(tiers, machine.tier, machine.onPrice * (last - first + machine.preheat));
}

function windowPrice(window: Window, lag: number): number {
	const inside = Math.min(Math.max(lag, window.least), window.most ?? Infinity);
	const off = window.wish === null ? 0 : Math.abs(inside - window.wish) * window.price;
	return off + Math.abs(lag - inside) * (window.outside ?? 0);
}
