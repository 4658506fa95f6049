import { readFileSync } from 'node:fs';
import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { NOW_MS, TOMORROW } from '../integration/test-database.ts';
import { poolOf } from './corpus.ts';
import { openHardBakery, type HardBakery } from './hard-bakery.ts';
import { filled, routesOfApplication } from './routes.ts';
import { HOSTILE_STATES } from './states.ts';

/**
 * No page may want more of a processor: that is how long it takes on a machine that does nothing else, and unlike the
 * time on the wall it hardly grows with what else this one does just now. It is here for what grows without end.
 */
const MOST_PROCESSOR_MS = 2000;
/** No page keeps a baker waiting longer, as the fuzzer has it. */
const MOST_MS = 5000;

/** One application for all of them, each on a demo of its own: what it compiled for one it has for the next. */
let bakery: HardBakery;
before(async () => {
	bakery = await openHardBakery();
});
after(() => bakery.close());

for (const [at, state] of HOSTILE_STATES.entries())
	void test(`every page stands ${state.name}`, async () => {
		if (at > 0) await bakery.renew();
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
				const first = await look(bakery, page);
				assert.ok(
					first.status < 400,
					`${page} answers ${first.status}: ${first.text}\n${bakery.said()}`
				);
				assert.ok(first.ms <= MOST_MS, `${page} takes ${Math.round(first.ms)} ms`);
				if (first.processorMs > MOST_PROCESSOR_MS) {
					// The first look at a page compiles it as well.
					const { processorMs } = await look(bakery, page);
					assert.ok(
						processorMs <= MOST_PROCESSOR_MS,
						`${page} takes ${processorMs} ms of a processor`
					);
				}
				if (!address.includes('[')) break;
			}
		assert.equal(bakery.hasEnded(), false, bakery.said());
	});

async function look({ origin, pid, cookie }: HardBakery, page: string) {
	const [began, busy] = [performance.now(), processorMsOf(pid)];
	const answer = await fetch(`${origin}${page}`, { redirect: 'manual', headers: { cookie } });
	const text = await answer.text();
	return {
		status: answer.status,
		ms: performance.now() - began,
		processorMs: processorMsOf(pid) - busy,
		text: /role="alert"[^<]*<?[^<]*/.exec(text)?.[0] ?? text.slice(0, 200)
	};
}

/** How long a process has kept a processor busy so far, to ten milliseconds, as the kernel counts it. */
function processorMsOf(pid: number): number {
	const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)?.split(' ') ?? [];
	return (Number(fields[11]) + Number(fields[12])) * 10;
}
