import type { Cost } from '../plan.ts';
import type { Problem, Window } from '../problem.ts';
import { lagNow, type Standings } from './standing.ts';

/** What a plan costs by the problem's own definitions, tier by tier. */
export function costOfPlan(problem: Problem, standing: Standings): Cost {
	const tiers = problem.tiers.map(() => 0);
	const charge = (tier: number, price: number) => {
		tiers[tier] = (tiers[tier] ?? 0) + price;
	};
	for (const lag of problem.lags) {
		const now = lagNow(lag, standing);
		if (now?.window) charge(now.window.tier, windowPrice(now.window, now.is));
	}
	for (const task of problem.tasks) {
		const mode = task.modes.find(({ id }) => id === standing.get(task.id)?.placed.mode);
		if (mode?.price) charge(mode.price.tier, mode.price.amount);
	}
	for (const { task, of, at, early, late, away, tier } of problem.prices) {
		const placed = standing.get(task)?.placed;
		if (!placed) continue;
		const off = placed[of] - at;
		charge(tier, (off < 0 ? -off * early : off * late) + (off === 0 ? 0 : away));
	}
	for (const span of problem.spans) {
		const counted = span.tasks.flatMap((id) => {
			const placed = standing.get(id)?.placed;
			return placed && placed.start >= (span.floor ?? -Infinity) ? [placed] : [];
		});
		if (counted.length === 0) continue;
		const first = Math.min(...counted.map(({ start }) => start));
		const last = span.until ?? Math.max(...counted.map(({ end }) => end));
		charge(span.tier, span.price * (last - first));
	}
	for (const machine of problem.batchMachines) {
		const units = new Set(machine.units.map(({ id }) => id));
		const on = [...standing.values()].flatMap(({ placed }) =>
			placed.unit !== null && units.has(placed.unit) ? [placed] : []
		);
		if (on.length === 0) continue;
		const first = Math.min(...on.map(({ start }) => start));
		const last = Math.max(...on.map(({ end }) => end));
		charge(machine.tier, machine.onPrice * (last - first + machine.preheat));
	}
	return { total: tiers.reduce((sum, price) => sum + price, 0), tiers };
}

function windowPrice(window: Window, lag: number): number {
	const inside = Math.min(Math.max(lag, window.least), window.most ?? Infinity);
	const off = window.wish === null ? 0 : Math.abs(inside - window.wish) * window.price;
	return off + Math.abs(lag - inside) * (window.outside ?? 0);
}
