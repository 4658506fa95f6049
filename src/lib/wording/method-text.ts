import type { HandsOnActivity } from '../core/formula/index.ts';
import {
	batchKey,
	type BatchRef,
	type DayTask,
	type PlannedProduct
} from '../core/planning/index.ts';
import { formatNumber } from '../core/units/index.ts';

type Method = Pick<PlannedProduct, 'shape' | 'score' | 'scoreMm'>;

/** What hands do that gives a product its shape. */
const SHAPES: ReadonlySet<HandsOnActivity> = new Set(['divide', 'pre-shape', 'shape', 'pan']);

/** How a product is cut before it is baked: "scored: one cut along, 6 mm deep"; empty where nobody wrote it down. */
function scoredText({ score, scoreMm }: Method): string {
	const deep =
		scoreMm === null ? '' : `${formatNumber(scoreMm, Number.isInteger(scoreMm) ? 0 : 1)} mm deep`;
	const parts = [score, deep].filter((part) => part !== '');
	return parts.length === 0 ? '' : `scored: ${parts.join(', ')}`;
}

/** The portion that a task works on, whole or a load of it; empty for what is done to a whole mix. */
function portionOf(batch: BatchRef): string {
	return batch.kind === 'portion' || batch.kind === 'load'
		? batchKey({ ...batch, kind: 'portion' })
		: '';
}

/**
 * What of its product's own method the hands at a task go by: how it is shaped where they shape it, how it is scored where they score it,
 * or where they load it and nothing of that night scores it before. Empty where there is none, or nobody wrote it down.
 */
export function methodText(task: DayTask, product: Method, tasks: readonly DayTask[]): string {
	const { step } = task;
	if (step.kind === 'bake') {
		const own = portionOf(task.batch);
		const isScoredBefore = tasks.some(
			(one) =>
				one.step.kind === 'hands-on' &&
				one.step.activity === 'score' &&
				portionOf(one.batch) === own
		);
		return isScoredBefore ? '' : scoredText(product);
	}
	if (step.kind !== 'hands-on') return '';
	if (step.activity === 'score') return scoredText(product);
	return SHAPES.has(step.activity) ? product.shape : '';
}
