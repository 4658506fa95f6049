import {
	batchKey,
	type BakeDayInput,
	type BatchRef,
	type DayPlan,
	type DayTask
} from '../planning/index.ts';
import { chainOf, workKey } from './work.ts';

/** Dough that a plan puts into a named place, with what is tapped when it goes in and when it is taken out. */
export interface Stay {
	readonly taskId: string;
	/** Which leg of its wait it is, from 0. */
	readonly leg: number;
	readonly placeId: string;
	readonly place: Extract<DayTask['step'], { readonly kind: 'wait' }>['legs'][number]['place'];
	readonly plannedInMs: number;
	/** The work whose end puts it in. */
	readonly intoWork: string;
	/** The works the first of which, begun or done, takes it out. */
	readonly outWorks: readonly string[];
	readonly kilograms: number;
	/** How warm it goes in, by its plan. */
	readonly celsius: number;
	readonly timeConstantMinutes: number;
}

/**
 * What a plan puts into named places, and which taps tell that it is there.
 *
 * Model: what waits in a place is put there by the move to it, or by the last work before its wait, and is there until the move away or the first work after its
 * wait. Range: a told plan. Source: definition. Failures: none; what has nothing to be tapped before it, or no known weight, is left out.
 * Example: loaves that are shaped and wait in the cold room went in when their shaping was tapped done, and came out when their first load was.
 */
export function staysOf(
	{ plan, input }: { readonly plan: DayPlan; readonly input: BakeDayInput },
	placeId: string | null = null
): readonly Stay[] {
	return plan.tasks.flatMap((task): readonly Stay[] => {
		if (task.step.kind !== 'wait') return [];
		const { legs } = task.step;
		return legs.flatMap((leg, index): readonly Stay[] => {
			const place = leg.named?.id;
			if (place === undefined || (placeId !== null && place !== placeId)) return [];
			const before = plan.tasks.find((one) => isOfChain(one, task) && one.endMs === task.startMs);
			const intoWork = index === 0 ? before && lastWorkOf(before) : moveOf(task, index - 1);
			const kilograms = gramsOf(task.batch, input) / 1000;
			if (intoWork === undefined || kilograms <= 0) return [];
			const moved = moveOf(task, index);
			const after = plan.tasks.flatMap((one) => {
				const work = isOfChain(one, task) && one.startMs >= task.endMs && firstWorkOf(one);
				return work === false || work === undefined ? [] : [work];
			});
			return [
				{
					taskId: task.id,
					leg: index,
					placeId: place,
					place: leg.place,
					plannedInMs: index === 0 ? task.startMs : (task.movesMs[index - 1] ?? task.startMs),
					intoWork,
					outWorks: moved === undefined ? after : [moved, ...after],
					kilograms,
					celsius: task.celsius[0] ?? leg.ambientCelsius,
					timeConstantMinutes: leg.timeConstantMinutes
				}
			];
		});
	});
}

/** Whether one task is of what the other is, or of what is made of it. */
function isOfChain(one: DayTask, of: DayTask): boolean {
	if (one === of) return false;
	return (
		chainOf(one.batch).includes(batchKey(of.batch)) ||
		chainOf(of.batch).includes(batchKey(one.batch))
	);
}

function workAt({ id, attended }: DayTask, index: number): string | undefined {
	const stretch = attended[index];
	return stretch && workKey(id, stretch.what, index);
}

function firstWorkOf(task: DayTask): string | undefined {
	return workAt(task, 0);
}

function lastWorkOf(task: DayTask): string | undefined {
	return workAt(task, task.attended.length - 1);
}

/** The work of its so manieth move. */
function moveOf(task: DayTask, move: number): string | undefined {
	const indexes = task.attended.flatMap(({ what }, index) => (what === 'move' ? [index] : []));
	const index = indexes[move];
	return index === undefined ? undefined : workAt(task, index);
}

/** What a batch weighs, in grams; 0 where its plan does not say. */
function gramsOf(batch: BatchRef, input: BakeDayInput): number {
	if (batch.kind === 'preparation')
		return (
			input.builds.find(
				({ preparationId, ordinal }) =>
					preparationId === batch.preparationId && ordinal === batch.ordinal
			)?.grams ?? 0
		);
	const mix = input.doughs
		.find(({ formulaId }) => formulaId === batch.formulaId)
		?.mixes.find(({ ordinal }) => ordinal === batch.ordinal);
	if (batch.kind === 'mix') return mix?.grams ?? 0;
	const scaled = input.products.find(({ id }) => id === batch.productId)?.scaledGrams ?? 0;
	const pieces =
		batch.kind === 'load'
			? batch.pieces
			: mix?.portions.find(({ productId }) => productId === batch.productId)?.pieces;
	return (pieces ?? 0) * scaled;
}
