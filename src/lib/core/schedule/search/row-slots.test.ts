import { test } from 'node:test';
import assert from 'node:assert/strict';
import { generateDay } from '../../../../../bench/schedule/generate-day.ts';
import { problemOf } from '../../../../../bench/schedule/neutral-case.ts';
import { jobShop, FT06 } from '../job-shops.fixture.ts';
import type { Problem } from '../problem.ts';
import { compile } from './compile.ts';

/** The modes that are looked at when a component is put in: its own, and those of all that follows from it. */
function lookedAtTogether(problem: Problem): number[][] {
	const { components, edges, firstMode } = compile(problem);
	return components.members.map((members) => {
		const found = [...members];
		for (const u of found)
			for (const e of components.followers[u] ?? []) {
				const after = edges[e]?.after ?? -1;
				const inside = components.members[components.of[after] ?? -1] ?? [];
				for (const v of inside) if (!found.includes(v)) found.push(v);
			}
		return found.flatMap((u) => {
			const first = firstMode[u] ?? 0;
			return Array.from({ length: (firstMode[u + 1] ?? 0) - first }, (_, k) => first + k);
		});
	});
}

for (const [name, problem] of [
	['a made-up day', problemOf(generateDay('medium', 2))],
	['a job shop, where all follows from all', jobShop(FT06, 80)]
] as const)
	test(`rows that are wanted together never share memory: ${name}`, () => {
		const { slots, count } = compile(problem).slots;
		for (const modes of lookedAtTogether(problem)) {
			const own = modes.map((m) => slots[m] ?? -1);
			assert.equal(new Set(own).size, own.length, 'two rows in one place');
			assert.ok(own.every((slot) => slot >= 0 && slot < count));
		}
	});

test('rows of components that have nothing to do with each other are in the same place', () => {
	const model = compile(problemOf(generateDay('large', 1)));
	assert.ok(model.slots.count < model.modes.length / 3);
});
