import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import type { Compiled } from './compiled.ts';
import { FirstStarts } from './first-starts.ts';

const HORIZON = 20;

/** Two spans: one of all tasks, one of the first three that counts from 5 on. */
const MODEL = {
	horizon: HORIZON,
	spans: [
		{ tasks: [0, 1, 2, 3, 4], floor: 0, until: HORIZON, price: 1, tier: 0 },
		{ tasks: [0, 1, 2], floor: 5, until: HORIZON, price: 1, tier: 0 }
	],
	spansOf: [[0, 1], [0, 1], [0, 1], [0], [0]]
} as unknown as Compiled;

test('the first start of each span is right after whatever comes and goes', () => {
	fc.assert(
		fc.property(
			fc.array(fc.record({ u: fc.nat({ max: 4 }), start: fc.nat({ max: HORIZON }) })),
			(steps) => {
				const kept = new FirstStarts(MODEL);
				const starts = new Map<number, number>();
				for (const { u, start } of steps) {
					const before = starts.get(u);
					if (before === undefined) {
						starts.set(u, start);
						kept.add(u, start);
					} else {
						starts.delete(u);
						kept.drop(u, before);
					}
					MODEL.spans.forEach(({ tasks, floor }, span) => {
						const counted = tasks.flatMap((task) => starts.get(task) ?? []);
						const first = Math.min(HORIZON + 1, ...counted.filter((one) => one >= floor));
						assert.equal(kept.of(span), first, `span ${span}`);
					});
				}
			}
		)
	);
});
