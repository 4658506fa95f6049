import { test } from 'node:test';
import assert from 'node:assert/strict';
import { readNames, readOptions } from '../../scripts/parts/options.mjs';
import { Plain } from '../../scripts/parts/progress.mjs';

const OPTIONS = {
	port: { type: 'string', default: '4310' },
	fresh: { type: 'boolean', default: false }
} as const;
const plainly = (work: () => unknown, message: RegExp) =>
	assert.throws(work, (error: unknown) => error instanceof Plain && message.test(error.message));

test('a wrong option of a command gets one line and the list of right ones', () => {
	assert.deepEqual(
		{ ...readOptions(OPTIONS, ['--port', '80', '--fresh']) },
		{ port: '80', fresh: true }
	);
	for (const given of [['--prot', '80'], ['extra'], ['--port'], ['--fresh=yes']])
		plainly(() => readOptions(OPTIONS, given), /^[^\n]+There are: --port \.\.\., --fresh\.$/);
});

test('a wrong name gets one line and the right ones, also beside a right one', () => {
	const names = ['bench', 'schedule', 'soak'];
	assert.deepEqual(readNames(names, [], 'figure'), names);
	assert.deepEqual(readNames(names, ['soak', 'bench'], 'figure'), ['bench', 'soak']);
	plainly(
		() => readNames(names, ['soak', 'speed'], 'figure'),
		/^There is no figure called "speed": bench, schedule, soak\.$/
	);
});
