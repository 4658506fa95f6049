import { batchKey, type BatchRef, type DayTask } from '../core/planning/index.ts';
import { placeText } from './step-text.ts';

/** A minute between two tasks is no gap. */
const NO_GAP_MS = 60_000;

/** Whether one batch is what another is made of, or that itself. */
function isMadeOf(batch: BatchRef, of: BatchRef): boolean {
	if (batch.kind === 'preparation' || of.kind === 'preparation')
		return batchKey(batch) === batchKey(of);
	const isOfMix = batch.formulaId === of.formulaId && batch.ordinal === of.ordinal;
	if (of.kind === 'mix') return isOfMix;
	if (batch.kind === 'mix' || !isOfMix || batch.productId !== of.productId) return false;
	return of.kind === 'portion' || batchKey(batch) === batchKey(of);
}

/**
 * Where something is taken out of the cold for a task: "out of the cold room"; empty where it does not stand there. Whoever divides or loads it
 * fetches it first.
 */
export function fromTheColdText(task: DayTask, tasks: readonly DayTask[]): string {
	if (task.step.kind === 'wait') return '';
	const before = tasks
		.filter(
			(one) =>
				one !== task &&
				isMadeOf(task.batch, one.batch) &&
				one.endMs <= task.startMs + NO_GAP_MS &&
				one.startMs < task.startMs
		)
		.reduce<DayTask | null>((last, one) => (last && last.endMs >= one.endMs ? last : one), null);
	if (before?.step.kind !== 'wait') return '';
	const leg = before.step.legs.at(-1);
	return leg?.place === 'cold' ? placeText(leg).replace(/^in /, 'out of ') : '';
}
