import { test } from 'node:test';
import assert from 'node:assert/strict';
import fc from 'fast-check';
import { layersAfter, TURNS, type Turn } from './index.ts';

test('worked figures: single and double are 12 layers of fat, three singles 27', () => {
	assert.deepEqual(layersAfter(['lock-in-1', 'single', 'double']), {
		fat: 12,
		dough: 13,
		atTheBench: 36
	});
	assert.deepEqual(layersAfter(['lock-in-1', 'single', 'single', 'single']), {
		fat: 27,
		dough: 28,
		atTheBench: 81
	});
	assert.deepEqual(layersAfter(['lock-in-2', 'half']), { fat: 4, dough: 5, atTheBench: 10 });
});

test('without a lock-in there are no layers, and folds before it do not count', () => {
	assert.equal(layersAfter([]), null);
	assert.equal(layersAfter(['single', 'double']), null);
	assert.deepEqual(layersAfter(['double', 'lock-in-1']), {
		fat: 1,
		dough: 2,
		atTheBench: 3
	});
});

test('the order of the folds changes nothing', () => {
	const folds = fc.array(fc.constantFrom(...TURNS.filter((turn) => !turn.startsWith('lock'))), {
		maxLength: 6
	});
	fc.assert(
		fc.property(folds, (turns) => {
			const chain = (some: readonly Turn[]) => layersAfter(['lock-in-1', ...some]);
			assert.deepEqual(chain(turns), chain([...turns].reverse()));
		})
	);
});
