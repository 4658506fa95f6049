import { test } from 'node:test';
import assert from 'node:assert/strict';
import { DENSE, ERROR, NODES, WEIGHTS } from './dormand-prince.ts';

const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
const close = (is: number, should: number, what: string) =>
	assert.ok(Math.abs(is - should) < 1e-9, `${what}: ${is} for ${should}`);

test('the table of the steps keeps the conditions that give it its order', () => {
	// A slope that is the same everywhere is followed exactly: each stage stands at the moment it is told for.
	WEIGHTS.forEach((weights, stage) => close(sum(weights), NODES[stage] ?? 0, `stage ${stage}`));
	// The fifth order: slopes that are powers of time come out exactly, the fourth order's error shows at the fifth.
	const last = WEIGHTS.at(-1) ?? [];
	for (let power = 1; power <= 4; power += 1) {
		const moments = sum(last.map((weight, stage) => weight * (NODES[stage] ?? 0) ** power));
		close(moments, 1 / (power + 1), `power ${power}`);
	}
	close(sum(ERROR), 0, 'an even slope has no error');
	for (let power = 1; power <= 3; power += 1)
		close(
			sum(ERROR.map((weight, stage) => weight * (NODES[stage] ?? 0) ** power)),
			0,
			'order four'
		);
	assert.ok(Math.abs(sum(ERROR.map((weight, stage) => weight * (NODES[stage] ?? 0) ** 4))) > 1e-4);
	close(sum(DENSE), 0, 'between the ends an even slope is straight');
});
