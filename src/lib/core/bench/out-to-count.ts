import { batchKey, type BatchRef } from '../planning/index.ts';
import type { ExpectedWork } from './expected.ts';

/**
 * How many pieces of a load there are to count when it is drawn: no more than its own, and none that was counted already.
 *
 * Model: what is out of its portion by then (the loads that were drawn, those that nobody tapped in time, those that come out before
 * it, and itself), less all that was counted of the portion; a count says of which portion it is, not of which load.
 * Range: `counted` pieces of the portion, of every fate. Source: definition. Failures: none.
 * Example: a load of 9 of which 8 were counted leaves 1; the next load of 9 then leaves 9.
 */
export function outToCount(
	load: Extract<BatchRef, { kind: 'load' }>,
	expected: readonly ExpectedWork[],
	counted: number
): number {
	const portion = batchKey({ ...load, kind: 'portion' });
	const draws = expected.flatMap(({ work: { kind, batch }, state, isPassed, toMs }) =>
		kind === 'draw' && batch?.kind === 'load' && state.kind !== 'left-out'
			? [{ batch, toMs, isOut: state.kind === 'done' || isPassed }]
			: []
	);
	const own = draws.find(({ batch }) => batchKey(batch) === batchKey(load))?.toMs ?? Infinity;
	const others = draws.filter(
		({ batch }) =>
			batchKey({ ...batch, kind: 'portion' }) === portion && batchKey(batch) !== batchKey(load)
	);
	const out = others
		.filter(({ isOut, toMs }) => isOut || toMs <= own)
		.reduce((pieces, { batch }) => pieces + batch.pieces, load.pieces);
	return Math.min(load.pieces, Math.max(0, out - counted));
}
