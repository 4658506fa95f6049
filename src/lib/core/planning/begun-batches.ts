import { batchKey } from './batch-ref.ts';
import type { DayPlan } from './day-plan.ts';
import type { BakeDayInput, Begun } from './input.ts';

/** What already happened to each pre-ferment and mix that was begun, by its batch. */
export function begunBatches(input: BakeDayInput): ReadonlyMap<string, Begun> {
	const found = new Map<string, Begun>();
	for (const build of input.builds)
		if (build.begun) found.set(batchKey({ ...build, kind: 'preparation' }), build.begun);
	for (const { formulaId, mixes } of input.doughs)
		for (const { ordinal, begun } of mixes)
			if (begun) found.set(batchKey({ kind: 'mix', formulaId, ordinal }), begun);
	return found;
}

/** When a plan has each pre-ferment and mix out of the bowl, by its batch. */
export function mixedByPlan({ tasks }: DayPlan): ReadonlyMap<string, number> {
	const found = new Map<string, number>();
	for (const { batch, step, endMs } of tasks)
		if (step.kind === 'hands-on' && step.activity === 'mix') {
			const key = batchKey(batch);
			found.set(key, Math.max(endMs, found.get(key) ?? -Infinity));
		}
	return found;
}
