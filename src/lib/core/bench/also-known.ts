import { batchKey, type DayPlan } from '../planning/index.ts';
import type { Work } from './work.ts';
import type { WorkEntry } from './work-log.ts';

/**
 * What is known to be done though nobody tapped it: a dough that was measured came out of its mixer then.
 * Range: works of the plan. Source: definition. Failures: none.
 * Example: a mix measured at 02:20 on the water's page is mixed at 02:20 on the bench's.
 */
export function alsoKnown(
	works: readonly Work[],
	plan: Pick<DayPlan, 'tasks'>,
	measured: readonly { readonly batch: string; readonly atMs: number }[]
): readonly WorkEntry[] {
	const outOf = new Map(measured.map(({ batch, atMs }) => [batch, atMs]));
	const mixes = new Set(
		plan.tasks
			.filter(({ step }) => step.kind === 'hands-on' && step.activity === 'mix')
			.map(({ id }) => id)
	);
	/** When the last hands of each mix are off it. */
	const endOf = new Map<string, number>();
	for (const { taskId, endMs } of works)
		if (taskId !== null) endOf.set(taskId, Math.max(endMs, endOf.get(taskId) ?? endMs));
	return works.flatMap((work): readonly WorkEntry[] => {
		const atMs = work.batch ? outOf.get(batchKey(work.batch)) : undefined;
		if (atMs === undefined || work.taskId === null || !mixes.has(work.taskId)) return [];
		return [
			{
				id: `measured ${work.key}`,
				work: work.key,
				act: 'ended',
				// Its ingredients were in as long before as planned.
				atMs: atMs - ((endOf.get(work.taskId) ?? work.endMs) - work.endMs),
				by: '',
				untilMs: null,
				because: '',
				celsius: null
			}
		];
	});
}
