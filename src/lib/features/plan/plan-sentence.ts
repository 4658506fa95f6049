import type { DayPlan } from '../../core/planning/index.ts';
import { clockText, dayText } from '../../wording/time-text.ts';

/** How the plan stands, in one sentence. A plan with a clash does not hold, whatever its times say. */
export function planSentence(plan: DayPlan, zone: string): string {
	const planned = plan.drops.filter((drop) => drop.readyMs !== null);
	if (planned.length === 0) return 'Nothing could be planned for this date.';
	const inTime = planned.filter((drop) => (drop.readyMs ?? 0) <= drop.dueMs).length;
	const first = Math.min(...plan.tasks.map((task) => task.startMs));
	const starts = `Starts ${dayText(first, zone)} ${clockText(first, zone)}.`;
	const drops =
		inTime < planned.length
			? `${inTime} of ${planned.length} drops`
			: planned.length === 1
				? 'the one drop'
				: `all ${planned.length} drops`;
	const clashes = plan.cautions.length;
	if (clashes > 0)
		return `${clashes === 1 ? 'One clash' : `${clashes} clashes`}: this plan does not hold yet. Without ${clashes === 1 ? 'it' : 'them'} ${drops} would leave in time. ${starts}`;
	const hold = inTime === 1 && planned.length === 1 ? 'holds' : 'hold';
	return `${drops.charAt(0).toUpperCase()}${drops.slice(1)} ${hold}, nothing in the way of anything else. ${starts}`;
}
