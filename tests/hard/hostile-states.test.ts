import { test } from 'node:test';
import assert from 'node:assert/strict';
import { NOW_MS, TOMORROW } from '../integration/test-database.ts';
import { poolOf } from './corpus.ts';
import { openHardBakery } from './hard-bakery.ts';
import { filled, routesOfApplication } from './routes.ts';
import { HOSTILE_STATES } from './states.ts';

/** No page keeps a baker waiting longer, as the fuzzer has it; how fast it is otherwise is the benchmark's affair. */
const MOST_MS = 5000;

for (const state of HOSTILE_STATES)
	void test(`every page stands ${state.name}`, async () => {
		const bakery = await openHardBakery();
		try {
			await state.make(bakery.database.db);
			const { ids } = await poolOf(bakery.database.db, NOW_MS);
			/** The first of what a page can be about, and the last, which a state may have made. */
			const values = (parameter: string): readonly string[] =>
				parameter === 'date'
					? [TOMORROW]
					: [ids[`${parameter}Id`]?.at(0) ?? '', ids[`${parameter}Id`]?.at(-1) ?? ''];
			for (const { address } of routesOfApplication().filter(({ isPage }) => isPage))
				for (const at of [0, 1]) {
					const page = filled(
						address,
						(parameter) => values(parameter).at(at) ?? values(parameter).at(-1) ?? ''
					);
					// Slower for a reason of the machine's: once more.
					const [first, again] = [await look(bakery.origin, page), () => look(bakery.origin, page)];
					assert.ok(
						first.status < 400,
						`${page} answers ${first.status}: ${first.text}\n${bakery.said()}`
					);
					if (first.ms > MOST_MS)
						assert.ok((await again()).ms <= MOST_MS, `${page} takes ${Math.round(first.ms)} ms`);
					if (!address.includes('[')) break;
				}
			assert.equal(bakery.hasEnded(), false, bakery.said());
		} finally {
			await bakery.close();
		}
	});

async function look(origin: string, page: string) {
	const began = performance.now();
	const answer = await fetch(`${origin}${page}`, { redirect: 'manual' });
	const text = await answer.text();
	return {
		status: answer.status,
		ms: performance.now() - began,
		text: /role="alert"[^<]*<?[^<]*/.exec(text)?.[0] ?? text.slice(0, 200)
	};
}
