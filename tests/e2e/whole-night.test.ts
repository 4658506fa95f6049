import assert from 'node:assert/strict';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import type { WorkAct } from '../../src/lib/core/bench/index.ts';
import { addDays } from '../../src/lib/core/time/index.ts';
import { loadClock, setClock } from '../../src/lib/server/db/bakery.ts';
import { bakeryTime } from '../../src/lib/core/time/index.ts';
import { demoClock } from '../../src/lib/server/demo/demo-clock.ts';
import { readBench, readBenchMoment } from '../../src/lib/server/services/read-bench.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import type { HandsOnEntry } from '../../src/lib/wording/list-entry.ts';
import { workList } from '../../src/lib/wording/work-list.ts';
import { HARBOUR_DOUGH, LOAF, TOMORROW } from '../integration/test-database.ts';
import { acceptBeside } from './accepted-night.ts';
import { holdAnswer, press, wallOf } from './at-the-bench.ts';
import {
	AFTERNOON,
	journey,
	says,
	search,
	sendBeside,
	SIZES,
	textOf,
	type,
	visit,
	type Bakery
} from './bakery.ts';
import { accessibilityFaults } from './page-faults.ts';

const BENCH = `/bake/${TOMORROW}/bench`;
const MINUTE = 60_000;
/** A crew whose shaping takes half as long again as the book says. */
const SLOW = 1.5;

async function at(bakery: Bakery, ms: number, address = BENCH): Promise<void> {
	await setClock(bakery.database.db, demoClock(wallOf(ms), Date.now()));
	await visit(bakery, address);
}
async function listOf({ database }: Bakery): Promise<readonly HandsOnEntry[]> {
	const { accepted } = await readBench(database.db, TOMORROW, Date.now());
	assert.ok(accepted, 'a plan is in force');
	return workList(accepted.document.plan, accepted.document.input);
}
/** Taps what the rest of the crew does beside, until a moment: on time, shaping slowly, and no steam for the loads that are named. */
async function crewUntil(
	bakery: Bakery,
	ms: number,
	{
		forgets,
		leaves
	}: { readonly forgets: ReadonlySet<string>; readonly leaves: ReadonlySet<string> }
): Promise<void> {
	const { db } = bakery.database;
	const nowMs = bakeryTime(await loadClock(db), { epochMs: Date.now() }).epochMs;
	const told = new Set((await readBenchMoment(db, TOMORROW)).entries.map(({ work }) => work));
	const tap = (entry: HandsOnEntry, act: WorkAct, atMs: number) =>
		sendBeside(
			bakery,
			{
				kind: 'tap-work',
				date: TOMORROW,
				work: entry.key,
				taskId: entry.taskId,
				act,
				untilMs: null,
				because: '',
				celsius: null,
				personId: null
			},
			Math.max(0, Math.round(nowMs - atMs))
		);
	for (const entry of await listOf(bakery)) {
		if (entry.endMs > ms || told.has(entry.key) || leaves.has(entry.key)) continue;
		if (entry.kind === 'steam' && forgets.has(entry.taskId ?? '')) continue;
		const shapes = entry.kind === 'do' && entry.batch?.kind === 'portion';
		const endMs = entry.atMs + (entry.endMs - entry.atMs) * (shapes ? SLOW : 1);
		await tap(entry, 'begun', entry.atMs);
		await tap(entry, 'ended', Math.min(endMs, nowMs));
	}
}

journey(
	'the whole night: a warm dough, an oven down, a steam forgotten, a short count; all of it answered, traced, put to its cause, and learned from',
	async (bakery) => {
		const { page, database } = bakery;
		const before = await readPlan(database.db, addDays(TOMORROW, 1));
		await acceptBeside(bakery);
		await page.setViewport(SIZES.tablet);

		// One dough comes out five degrees warm.
		let list = await listOf(bakery);
		const out = list.find(
			({ measure, batch }) =>
				measure === 'dough' && batch?.kind === 'mix' && batch.formulaId === HARBOUR_DOUGH
		);
		assert.ok(out?.batch?.kind === 'mix', 'the night mixes it');
		const warm = out.batch.ordinal;
		const spared = { forgets: new Set<string>(), leaves: new Set([out.key]) };
		await at(bakery, out.endMs + MINUTE);
		await crewUntil(bakery, out.endMs, spared);
		await at(bakery, out.endMs + MINUTE);
		await page.click(`[data-work="${out.what}"]`);
		await press(page, 'Dough is ... °');
		await type(page, `${out.what}: dough is`, '30', 'Tab');
		await press(page, 'Out of the mixer, and kept');
		await page.waitForSelector(`[data-work="${out.what}"][data-work-state=done]`);

		// 01:00: an oven is lost; the rest of the night is planned again where the hands are.
		const one = Date.UTC(2026, 10, 24, 1);
		await at(bakery, one);
		await crewUntil(bakery, one, spared);
		await at(bakery, one);
		await press(page, 'Plan again from what was done');
		await says(page, '[data-plan-again]', 'Yard oven is down');
		await press(page, 'Yard oven is down');
		await page.waitForFunction(
			() =>
				document.querySelector('[data-plan-again] [aria-pressed=true]') !== null &&
				document.querySelector('[data-plan-again] [data-difference]') !== null
		);
		await press(page, 'Accept this plan');
		await page.waitForFunction(
			() =>
				document.querySelector('[data-plan-again]') === null ||
				/Accept it as it is/.test(document.querySelector('[data-plan-again]')?.textContent ?? '')
		);
		if (await page.$('[data-plan-again]')) await press(page, 'Accept it as it is');
		await page.waitForSelector('[data-plan-again]', { hidden: true });
		list = await listOf(bakery);
		const yard = (await readPlan(database.db, TOMORROW)).input.bakery.ovens.find(
			({ name }) => name === 'Yard oven'
		);
		const { accepted } = await readPlan(database.db, TOMORROW);
		assert.equal(accepted?.number, 2);
		assert.deepEqual(
			accepted.document.plan.tasks.filter(
				({ machineId, startMs, step }) =>
					step.kind === 'bake' && startMs > one && yard?.decks.some(({ id }) => id === machineId)
			),
			[],
			'nothing is loaded into it any more'
		);

		// A load of the warm dough's loaves is loaded, and its steam forgotten.
		const steam = list.find(
			({ kind, batch, atMs }) =>
				kind === 'steam' &&
				batch?.kind === 'load' &&
				batch.productId === LOAF &&
				batch.ordinal === warm &&
				atMs > one
		);
		const load = list.find(({ kind, taskId }) => kind === 'load' && taskId === steam?.taskId);
		const draw = list.find(({ kind, taskId }) => kind === 'draw' && taskId === steam?.taskId);
		assert.ok(steam && load && draw?.batch?.kind === 'load', 'its loaves have steam');
		const night = {
			forgets: new Set([steam.taskId ?? '']),
			leaves: new Set([load.key, draw.key])
		};
		await at(bakery, load.endMs + MINUTE, `${BENCH}/oven`);
		await crewUntil(bakery, load.endMs, night);
		await at(bakery, load.endMs + MINUTE, `${BENCH}/oven`);
		await page.click(`[data-work="${load.what}"]`);
		// It is looked at before it is loaded.
		await press(page, 'Look at it');
		await (await page.waitForSelector('[data-seen="poke:half-springs-back"]'))?.click();
		await says(page, '[data-look-at-pieces] [data-verdict]', 'poke');
		await press(page, 'Load it');
		await page.waitForSelector('[data-look-at-pieces]', { hidden: true });
		await press(page, 'Done');
		await says(page, '[data-hand]', steam.what);

		// It is drawn, and not all of it can be sold.
		await at(bakery, draw.endMs, `${BENCH}/oven`);
		await crewUntil(bakery, draw.endMs, night);
		await at(bakery, draw.endMs, `${BENCH}/oven`);
		for (const more of await page.$$('.more')) await more.click();
		await page.click(`[data-work="${draw.what}"]`);
		await type(page, 'Core read now', '97', 'Tab');
		await press(page, 'Done');
		await page.waitForSelector(`[data-work="${draw.what}"][data-work-state=done]`);
		await page.click(`[data-work="${draw.what}"]`);
		const lost = Math.min(draw.batch.pieces - 3, 9);
		// Two baskets of one load: the second is counted before the server has answered for the first.
		const [good, rest] = [2, draw.batch.pieces - 2 - lost];
		assert.ok(rest > 0, 'there is a second basket');
		await type(page, 'Good', String(good), 'Tab');
		await type(page, 'Lost', String(lost), 'Tab');
		await press(page, 'burst');
		const answer = await holdAnswer(page);
		await press(page, `Count ${good + lost}`);
		await says(page, '[data-counted]', `${lost} lost`);
		await press(page, `Count ${rest}`);
		await answer();
		await says(page, '[data-counted]', `${good + rest} good`, `${lost} lost`);
		await says(page, '[data-short-text]', 'short of');
		await page.setViewport(SIZES.desk);
		assert.deepEqual(await accessibilityFaults(page), []);
		await page.setViewport(SIZES.tablet);
		const [fewer] = await page.$$('[aria-label="Who gets fewer"] button');
		assert.ok(fewer, 'somebody can get fewer');
		await fewer.click();
		await says(page, '[data-short-answered]', 'gets');
		await page.waitForFunction(() => !document.querySelector('[data-short-text].act-now'));

		// The rest of the night, to the van.
		const last = Math.max(...list.map(({ endMs }) => endMs));
		await at(bakery, last + 20 * MINUTE, `/bake/${TOMORROW}/log`);
		await crewUntil(bakery, last, night);
		await at(bakery, last + 20 * MINUTE, `/bake/${TOMORROW}/log`);
		await page.setViewport(SIZES.desk);

		// The log tells it, and puts a fault to its true cause.
		await says(page, '[data-results-sentence]', `${lost} lost`);
		await says(page, '[data-log-short]', 'answered');
		const portions = await page.$$('[data-portion]');
		let opened = '';
		for (const portion of portions) {
			const { name, count } = await portion.evaluate((node) => ({
				name: node.getAttribute('data-portion') ?? '',
				count: node.querySelector('[data-portion-count]')?.textContent ?? ''
			}));
			if (count.includes(`${lost} lost`)) opened = name;
		}
		const portion = `[data-portion="${opened}"]`;
		await page.click(`${portion} > summary`);
		await page.waitForSelector(`${portion} [data-picture]`);
		const tell = async (fault: string, cause: string, word: string) => {
			await search(page, 'Fault', fault);
			await page.click(`${portion} .forms > div:last-child button.action-lesser`);
			await page.waitForSelector(
				`${portion} [data-fault="${fault}"] [data-fault-cause="${cause}"]`
			);
			await says(page, `${portion} [data-fault="${fault}"]`, word, 'Next time');
		};
		await tell('dull crust', 'no-steam', 'it had no steam');
		await tell('flat', 'dough-warm', 'the dough was too warm');
		// A picture of it, made small here and shown from where it is kept.
		const folder = mkdtempSync(path.join(os.tmpdir(), 'jovet-picture-'));
		try {
			const file = path.join(folder, 'bread.png');
			writeFileSync(file, await page.screenshot());
			const input = await page.waitForSelector<'input'>(`${portion} input[type=file]` as 'input');
			await input?.uploadFile(file);
			await page.waitForFunction(
				(at) => {
					const image = document.querySelector<HTMLImageElement>(`${at} [data-bread-picture]`);
					return (
						image?.src.startsWith('http') === true && image.complete && image.naturalWidth > 200
					);
				},
				{},
				portion
			);
		} finally {
			rmSync(folder, { recursive: true, force: true });
		}
		assert.deepEqual(await accessibilityFaults(page), []);

		// A recall of one flour lot names every drop in one move.
		await visit(bakery, `/bake/${TOMORROW}/trace`);
		await type(page, 'Lot, ingredient, dough, product or date', 'BF 3162', 'Enter');
		await page.waitForSelector('[data-found-lot="BF 3162"] a');
		assert.deepEqual(await accessibilityFaults(page), []);
		await page.click('[data-found-lot="BF 3162"] a');
		await page.waitForSelector('[data-traced-drops]');
		const { input } = accepted.document;
		const takes = new Set(
			(await readBench(database.db, TOMORROW, Date.now())).accepted?.document.input.doughs
				.filter(({ name }) => name !== 'Lantern rye')
				.flatMap(({ mixes }) =>
					mixes.flatMap(({ portions: of }) => of.flatMap(({ dropIds }) => dropIds))
				)
		);
		for (const drop of input.drops)
			if (takes.has(drop.id)) await page.waitForSelector(`[data-traced-drop="${drop.name}"]`);
		assert.deepEqual(await accessibilityFaults(page), []);
		await page.click('[data-traced-batch] a');
		await says(page, '[data-went-in="Bread flour"]', 'BF 3162');

		// The morning says in five lines what it taught; the next plan is another for it.
		await visit(bakery, `/bake/${TOMORROW}/morning`);
		assert.equal((await page.$$('[data-morning-line]')).length, 5);
		await says(page, '[data-morning-line=Bread]', `${lost} lost`, 'it had no steam');
		await says(page, '[data-morning-line=Doughs]', 'Harbour dough', 'warmer than wanted');
		await says(page, '[data-morning-line=Times]', 'longer than its book');
		await says(page, '[data-morning-line=Tonight]', 'learned figure');
		assert.deepEqual(await accessibilityFaults(page), []);
		// Each time stands there with who took it, and can be left out.
		await visit(bakery, `/bake/${TOMORROW}/learned/times`);
		await says(page, '[data-room-sentence]', 'timed by the taps');
		await press(page, (await textOf(page, '[data-timed] button')).trim());
		const [ignore] = await page.$$('[data-timed] li button');
		assert.ok(ignore, 'a time can be ignored');
		await ignore.click();
		await page.waitForFunction(() =>
			/ignored/.test(document.querySelector('[data-timed] li')?.textContent ?? '')
		);
		assert.deepEqual(await accessibilityFaults(page), []);
		const [count] = await page.$$('[data-timed] li button');
		await count?.click();
		await page.waitForFunction(
			() => !/ignored/.test(document.querySelector('[data-timed] li')?.textContent ?? '')
		);
		const after = await readPlan(database.db, addDays(TOMORROW, 1));
		assert.ok(after.input.learned.length > before.input.learned.length, 'more is learned');
		assert.notEqual(after.fingerprint, before.fingerprint);
		await visit(bakery, `/bake/${addDays(TOMORROW, 1)}/plan`);
		await says(page, '[data-learned]', 'learned');
		assert.match(await textOf(page, '[data-learned]'), /longer than its book/);
	},
	AFTERNOON
);
