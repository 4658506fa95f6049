import {
	batchKey,
	type BakeDayInput,
	type DayPlan,
	type DayTask
} from '../../core/planning/index.ts';
import { activityText, subjectText } from '../../wording/task-text.ts';
import { clockText } from '../../wording/time-text.ts';

/** Why a task stands where it does: what it has to be done for, and by when. */
export function reasonText(
	task: DayTask,
	plan: DayPlan,
	input: BakeDayInput,
	zone: string
): string {
	const next = followerOf(task, plan, input);
	if (next)
		return `It stands here so that "${activityText(next)} ${subjectText(next, input)}" can start at ${clockText(next.startMs, zone)}.`;
	const { batch } = task;
	if (batch.kind !== 'portion') return '';
	const mix = input.doughs
		.find((dough) => dough.formulaId === batch.formulaId)
		?.mixes.find((mix) => mix.ordinal === batch.ordinal);
	const dropIds =
		mix?.portions.find((portion) => portion.productId === batch.productId)?.dropIds ?? [];
	const first = input.drops
		.filter((drop) => dropIds.includes(drop.id))
		.sort((a, b) => a.dueMs - b.dueMs)[0];
	if (!first) return '';
	const lead = mix && mix.leadMinutes > 0 ? `, ${mix.leadMinutes} min before it has to be` : '';
	return `It ends for the drop "${first.name}", due ${clockText(first.dueMs, zone)}${lead}.`;
}

/** The task that comes next in the chain, the soonest where there are several. */
function followerOf(task: DayTask, plan: DayPlan, input: BakeDayInput): DayTask | null {
	const soonest = (tasks: readonly DayTask[]) =>
		[...tasks].sort((a, b) => a.startMs - b.startMs)[0] ?? null;
	const { batch } = task;
	const keys = new Set<string>([batchKey(batch)]);
	if (batch.kind === 'portion' || batch.kind === 'load') {
		const { formulaId, ordinal, productId } = batch;
		const row = batchKey({ kind: 'portion', formulaId, ordinal, productId });
		return soonest(
			plan.tasks.filter(
				(other) =>
					other.startMs >= task.endMs &&
					(batchKey(other.batch) === row ||
						batchKey(other.batch).startsWith(row.replace('portion:', 'load:'))) &&
					!(other.batch.kind === 'load' && batch.kind === 'load')
			)
		);
	}
	if (batch.kind === 'mix')
		for (const { batch: other } of plan.tasks)
			if (
				other.kind === 'portion' &&
				other.formulaId === batch.formulaId &&
				other.ordinal === batch.ordinal
			)
				keys.add(batchKey(other));
	if (batch.kind === 'preparation') {
		const build = input.builds.find((build) => build.preparationId === batch.preparationId);
		for (const { batch: other } of plan.tasks)
			if (
				(other.kind === 'preparation' && build?.takenByBuilds.includes(other.preparationId)) ||
				(other.kind === 'mix' && build?.takenByDoughs.includes(other.formulaId))
			)
				keys.add(batchKey(other));
	}
	return soonest(
		plan.tasks.filter(
			(other) =>
				other.id !== task.id && other.startMs >= task.endMs && keys.has(batchKey(other.batch))
		)
	);
}
