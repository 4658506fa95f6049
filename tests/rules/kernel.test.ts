import { test } from 'node:test';
import assert from 'node:assert/strict';
import { compiledKernel } from '../../scripts/parts/compile-kernel.mjs';
import { KERNEL_CODE } from '../../src/lib/core/schedule/kernel/kernel-code.ts';

test('what the search runs is what is written in kernel/', async () => {
	assert.ok(
		(await compiledKernel()) === KERNEL_CODE,
		'kernel/ was changed: npm run kernel compiles it anew'
	);
});
