import assert from 'node:assert/strict';
import type { Page } from 'puppeteer-core';
import { startProbes } from '../../scripts/parts/probes.mjs';
import { addDays } from '../../src/lib/core/time/index.ts';
import { setClock } from '../../src/lib/server/db/bakery.ts';
import { demoClock } from '../../src/lib/server/demo/demo-clock.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { TOMORROW } from '../integration/test-database.ts';
import { acceptBeside } from './accepted-night.ts';
import { AFTERNOON, byName, journey, says, search, SIZES, textOf, type, visit } from './bakery.ts';
import { bringThrough, measured, pressIn, takeInHand, type DueRow } from './crew-at-the-bench.ts';
import { letProbesIn } from './probes-let-in.ts';

const BENCH = `/bake/${TOMORROW}/bench`;
/** A second is a minute of the night. */
const SPEED = 60;
const EVENING = '2026-11-23T20:44';
const MORNING = '2026-11-24T08:30';
/** How slow these hands are at shaping, against their book. */
const SLOW = 1.5;
const LOST = 6;

/** What the night has in store for its crew; each befalls it once. */
class Mishaps {
	/** The load that went without steam, as its row names it. */
	load = '';
	warm = false;
	ovenDown = false;
	counted = false;

	/** Sees to what is due in another way than it was meant, where that is its hour. */
	readonly meets = async (page: Page, { what }: DueRow): Promise<boolean> => {
		if (!this.warm && what.startsWith('Mix Stick dough')) return this.#warmDough(page, what);
		if (!this.ovenDown && /^01:/.test(await clockOf(page))) await this.#loseAnOven(page);
		const steamed = /^Steam: (Harbour loaf.*)$/.exec(what)?.[1];
		if (this.load === '' && steamed) {
			this.load = steamed;
			return true;
		}
		if (this.load !== '' && !this.counted && what === `Draw ${this.load}`)
			return this.#countShort(page, what);
		return false;
	};

	/** It comes out at 31 degrees, where 26 was wanted. */
	async #warmDough(page: Page, what: string): Promise<boolean> {
		if (!(await pressIn(page, '[data-hand]', 'Dough is'))) return false;
		await measured(page, `${what}: dough is`, '31');
		await (await byName(page, 'button', 'Out of the mixer, and kept')).click();
		await page.waitForSelector(`[data-work="${what}"][data-work-state=done]`);
		this.warm = true;
		return true;
	}

	/** One oven is gone; the rest of the night is planned around it, and taken whether or not every drop is met. */
	async #loseAnOven(page: Page): Promise<void> {
		this.ovenDown = true;
		await pressIn(page, 'body', 'Plan again');
		await says(page, '[data-plan-again]', 'Yard oven is down');
		await pressIn(page, '[data-plan-again]', 'Yard oven is down');
		await page.waitForFunction(
			() =>
				document.querySelector('[data-plan-again] [aria-pressed=true]') !== null &&
				document.querySelector('[data-plan-again] [data-difference]') !== null
		);
		// It can be accepted once the search is over.
		const accept = await byName(page, 'button', 'Accept this plan');
		await page.waitForFunction((one) => !(one as HTMLButtonElement).disabled, {}, accept);
		await accept.click();
		await page.waitForFunction(
			() =>
				document.querySelector('[data-plan-again]') === null ||
				/Accept it as it is/.test(document.querySelector('[data-plan-again]')?.textContent ?? '')
		);
		if (await page.$('[data-plan-again]'))
			await pressIn(page, '[data-plan-again]', 'Accept it as it is');
		await page.waitForSelector('[data-plan-again]', { hidden: true });
	}

	/** What is drawn is counted, and some of it cannot be sold; somebody gets fewer. */
	async #countShort(page: Page, what: string): Promise<boolean> {
		await pressIn(page, '[data-hand]', 'Done');
		await page.waitForSelector(`[data-work="${what}"][data-work-state=done]`);
		await takeInHand(page, what);
		await page.waitForSelector('[data-count], ::-p-aria([name="Lost"][role="textbox"])');
		await measured(page, 'Lost', String(LOST));
		await (await byName(page, 'button', 'burst')).click();
		await pressIn(page, '[data-hand]', 'Count ');
		await says(page, '[data-counted]', `${LOST} lost`);
		this.counted = true;
		return true;
	}
}

/** The time on the page's own clock. */
async function clockOf(page: Page): Promise<string> {
	return textOf(page, 'header time');
}

journey(
	'a night at sixty times its speed, by the bench alone: warm dough, oven down, no steam, a short count; every drop answered for, and the next night is another',
	async (bakery) => {
		const { page, database } = bakery;
		const before = await readPlan(database.db, addDays(TOMORROW, 1));
		await acceptBeside(bakery);
		await page.setViewport(SIZES.tablet);
		await setClock(database.db, demoClock(EVENING, Date.now(), SPEED));
		const key = await letProbesIn(bakery, [
			['Room by the mixer', 'room-probe'],
			['Cold tap', 'tap-probe'],
			['Flour bin', 'flour-probe']
		]);
		const stopProbes = startProbes({ address: bakery.origin, key, quiet: true });
		const mishaps = new Mishaps();
		try {
			// At sixty times the speed something is always on its way: the page is ready long before that ends.
			await visit(bakery, BENCH);
			await bringThrough(
				page,
				{
					otherwise: mishaps.meets,
					pace: (what) => (/^(Divide|Pre-shape|Shape) /.test(what) ? SLOW : 1),
					isOver: async (page) =>
						/^All of it is done/.test(await textOf(page, '[data-room-sentence]'))
				},
				SPEED
			);
		} finally {
			await stopProbes();
		}
		assert.ok(
			mishaps.warm && mishaps.ovenDown && mishaps.load && mishaps.counted,
			'all of it befell'
		);
		// The van has left; from here on nobody hurries.
		await setClock(database.db, demoClock(MORNING, Date.now()));

		// Every drop is answered for.
		await visit(bakery, BENCH);
		const { accepted } = await readPlan(database.db, TOMORROW);
		assert.equal(accepted?.number, 2, 'planned again, once');
		for (const { name } of accepted.document.input.drops)
			assert.match(
				await textOf(page, `[data-drop="${name}"]`),
				/on its way|to spare|late by/,
				`${name} is told`
			);
		await says(page, '[data-short-text]', 'short of');
		const [fewer] = await page.$$('[aria-label="Who gets fewer"] button');
		assert.ok(fewer, 'somebody can get fewer');
		await fewer.click();
		await says(page, '[data-short-answered]', 'gets');

		// The log tells it, and puts a fault to its true cause.
		await page.setViewport(SIZES.desk);
		await visit(bakery, `/bake/${TOMORROW}/log`);
		await says(page, '[data-results-sentence]', `${LOST} lost`);
		await says(page, '[data-log-short]', 'answered');
		const opened = await page.$$eval(
			'[data-portion]',
			(all, lost) =>
				all
					.find((one) => one.querySelector('[data-portion-count]')?.textContent?.includes(lost))
					?.getAttribute('data-portion') ?? '',
			`${LOST} lost`
		);
		const portion = `[data-portion="${opened}"]`;
		await page.click(`${portion} > summary`);
		await search(page, 'Fault', 'dull crust');
		await page.click(`${portion} .forms > div:last-child button.action-lesser`);
		await page.waitForSelector(
			`${portion} [data-fault="dull crust"] [data-fault-cause="no-steam"]`
		);
		await says(page, `${portion} [data-fault="dull crust"]`, 'it had no steam', 'Next time');

		// A recall of one flour lot names every drop in one move.
		await visit(bakery, `/bake/${TOMORROW}/trace`);
		await type(page, 'Lot, ingredient, dough, product or date', 'BF 3162', 'Enter');
		await page.waitForSelector('[data-found-lot="BF 3162"] a');
		await page.click('[data-found-lot="BF 3162"] a');
		await page.waitForSelector('[data-traced-drops]');
		const takers = new Set(
			accepted.document.input.doughs
				.filter(({ name }) => name !== 'Lantern rye')
				.flatMap(({ mixes }) =>
					mixes.flatMap(({ portions }) => portions.flatMap(({ dropIds }) => dropIds))
				)
		);
		assert.ok(takers.size > 0, 'its doughs go to drops');
		for (const { id, name } of accepted.document.input.drops)
			if (takers.has(id)) await page.waitForSelector(`[data-traced-drop="${name}"]`);

		// The morning tells what it taught, and the next night is another for it.
		await visit(bakery, `/bake/${TOMORROW}/morning`);
		await says(page, '[data-morning-line=Bread]', `${LOST} lost`, 'it had no steam');
		await says(page, '[data-morning-line=Doughs]', 'Stick dough', 'warmer than wanted');
		await says(page, '[data-morning-line=Times]', 'longer than its book');
		await visit(bakery, `/bake/${addDays(TOMORROW, 1)}/plan`);
		await says(page, '[data-learned]', 'learned', 'longer than its book');
		const after = await readPlan(database.db, addDays(TOMORROW, 1));
		assert.ok(after.input.learned.length > before.input.learned.length, 'more is learned');
		assert.notEqual(after.fingerprint, before.fingerprint);
	},
	AFTERNOON
);
