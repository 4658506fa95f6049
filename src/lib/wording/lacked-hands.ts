import type { AttendedStretch, DayPlan, DayTask } from '../core/planning/index.ts';

/** What is said in the place of a name where somebody has to be found: nobody is to think that somebody else does it. */
export const NOBODY_YET = 'nobody yet';

/** Which stretches of work a plan has no hands for, by its own cautions. */
export function lackedHands(
	tasks: readonly DayTask[],
	cautions: DayPlan['cautions']
): (task: DayTask, stretch: AttendedStretch) => boolean {
	const byId = new Map(tasks.map((task) => [task.id, task]));
	const nobody = cautions.flatMap((caution) => (caution.kind === 'nobody' ? [caution] : []));
	return (task, { what, fromMs, toMs, personIds }) =>
		personIds.length === 0 &&
		nobody.some((caution) => {
			const doing = caution.doing ?? 'do';
			if (doing === 'load' || doing === 'draw') {
				// What shares a load shares its hands.
				const load = byId.get(caution.task);
				return (
					what === doing && load?.machineId === task.machineId && load.startMs === task.startMs
				);
			}
			const isIt = caution.task === task.id || caution.task === task.placedAs;
			const isDone = what === doing || (what === 'end' && doing === 'do');
			return isIt && isDone && caution.fromMs < toMs && caution.toMs > fromMs;
		});
}
