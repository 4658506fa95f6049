import type { Held } from '../../contracts/device-protocol.ts';
import { workKey, type WorkState } from '../../core/bench/index.ts';
import type { PlaceId } from '../../core/identity.ts';
import {
	type BakeDayInput,
	type BatchRef,
	type DayPlan,
	type DayTask
} from '../../core/planning/index.ts';

interface NightTapped {
	readonly plan: DayPlan;
	readonly input: BakeDayInput;
	readonly states: ReadonlyMap<string, WorkState>;
}

/** What was put into a place by a tap and not taken out again: what was moved there, or waits there from the work before on. */
export function loadsIn(
	{ plan, input, states }: NightTapped,
	placeId: PlaceId
): Extract<Held, { readonly kind: 'place' }>['loads'] {
	return plan.tasks.flatMap((task) => {
		const { batch, step, celsius } = task;
		if (step.kind !== 'wait' || batch.kind === 'preparation') return [];
		const leg = step.legs.findIndex(({ named }) => named?.id === placeId);
		const legs = step.legs[leg];
		if (!legs) return [];
		const movedAt = (move: number) => {
			const indexes = task.attended.flatMap(({ what }, index) => (what === 'move' ? [index] : []));
			const index = indexes[move];
			return index === undefined ? undefined : states.get(workKey(task.id, 'move', index));
		};
		const before = plan.tasks.find((one) => isOfChain(one, task) && one.endMs === task.startMs);
		const into = leg === 0 ? before && endOf(before, states) : movedAt(leg - 1);
		const after = plan.tasks.some(
			(one) => isOfChain(one, task) && one.startMs >= task.endMs && isTouched(one, states)
		);
		if (into?.kind !== 'done' || movedAt(leg)?.kind === 'done' || after) return [];
		const grams = gramsOf(batch, input);
		return grams
			? [
					{
						inAtMs: into.toMs,
						kilograms: grams / 1000,
						celsius: celsius[0] ?? legs.ambientCelsius,
						timeConstantMinutes: legs.timeConstantMinutes
					}
				]
			: [];
	});
}

/** Whether one task is of what the other is, or of what is made of it. */
function isOfChain(one: DayTask, of: DayTask): boolean {
	if (one === of || one.batch.kind === 'preparation' || of.batch.kind === 'preparation')
		return false;
	return (
		one.batch.formulaId === of.batch.formulaId &&
		one.batch.ordinal === of.batch.ordinal &&
		(of.batch.kind === 'mix' ||
			one.batch.kind === 'mix' ||
			one.batch.productId === of.batch.productId)
	);
}

/** Where the last hands of a task stand. */
function endOf(task: DayTask, states: NightTapped['states']): WorkState | undefined {
	const index = task.attended.length - 1;
	const last = task.attended[index];
	return last && states.get(workKey(task.id, last.what, index));
}

function isTouched(task: DayTask, states: NightTapped['states']): boolean {
	return task.attended.some(({ what }, index) => {
		const state = states.get(workKey(task.id, what, index));
		return state?.kind === 'begun' || state?.kind === 'done';
	});
}

/** What a batch weighs, in grams; 0 where its plan does not say. */
function gramsOf(
	batch: Exclude<BatchRef, { readonly kind: 'preparation' }>,
	input: BakeDayInput
): number {
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
