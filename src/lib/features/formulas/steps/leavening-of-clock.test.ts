import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { cardinalCurve } from '../../../core/fermentation/index.ts';
import { boundsOfCurve, FIRST_OF_KIND, OWN_FIELDS } from './leavening-of-clock.ts';

test('whatever is typed within its bounds leaves a curve that can be computed with, and the times inside it', () => {
	const typed = fc.array(
		fc.record({ at: fc.nat(2), share: fc.double({ min: 0, max: 1, noNaN: true }) }),
		{ maxLength: 12 }
	);
	fc.assert(
		fc.property(typed, fc.double({ min: 5, max: 40, noNaN: true }), (entries, reference) => {
			let curve = FIRST_OF_KIND.own;
			for (const { at, share } of entries) {
				if (typeof curve !== 'object' || curve.kind !== 'own') throw new Error('not its own');
				const { name } = OWN_FIELDS[at] ?? { name: 'optimum' };
				const { least, most } = boundsOfCurve(curve, reference)[name];
				assert.ok(least <= most, `${name} can be typed as something`);
				curve = { ...curve, [name]: least + share * (most - least) };
				assert.ok(cardinalCurve(curve).ok, `${JSON.stringify(curve)} is a curve`);
				assert.ok(curve.minimum < reference && reference < curve.maximum, 'the times lie inside');
			}
		}),
		{
			examples: [
				// Found once: what is left for the lowest is one value, but for the dust of binary fractions.
				[
					[
						{ at: 2, share: 0 },
						{ at: 0, share: 0 },
						{ at: 1, share: 0 },
						{ at: 2, share: 0.9999999999999646 },
						{ at: 0, share: 0 }
					],
					39.99999999999992
				]
			]
		}
	);
});
