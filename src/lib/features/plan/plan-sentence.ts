import type { DayPlan } from '../../core/planning/index.ts';
import { clockText, dayText } from '../../wording/time-text.ts';

/** How the plan stands, in one sentence. */
export function planSentence(plan: DayPlan, zone: string): string {
	const planned = plan.drops.filter((drop) => drop.readyMs !== null);
	if (planned.length === 0) return 'Nothing could be planned for this date.';
	const holding = planned.filter((drop) => (drop.readyMs ?? 0) <= drop.dueMs).length;
	const first = Math.min(...plan.tasks.map((task) => task.startMs));
	const drops =
		holding === planned.length
			? planned.length === 1
				? 'The one drop holds'
				: `All ${planned.length} drops hold`
			: `${holding} of ${planned.length} drops hold`;
	const overlaps = plan.cautions.length;
	const settle =
		overlaps === 0
			? 'nothing is in the way of anything else'
			: overlaps === 1
				? 'one thing is left to settle'
				: `${overlaps} things are left to settle`;
	return `${drops}; ${settle}. First hands ${dayText(first, zone)} ${clockText(first, zone)}.`;
}
