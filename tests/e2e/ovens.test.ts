import assert from 'node:assert/strict';
import { setClock } from '../../src/lib/server/db/bakery.ts';
import { demoClock } from '../../src/lib/server/demo/demo-clock.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { LOAF } from '../integration/test-database.ts';
import { acceptBeside } from './accepted-night.ts';
import { byName, journey, says, textOf, visit, type Bakery } from './bakery.ts';

const DAY = '/bake/2026-11-24';

/** The bakery's clock at a moment, and the ovens seen at it. */
async function seeOvensAt(bakery: Bakery, atMs: number): Promise<void> {
	const wall = new Date(atMs).toISOString().slice(0, 16);
	await setClock(bakery.database.db, demoClock(wall, Date.now()));
	await visit(bakery, `${DAY}/ovens`);
}

journey(
	'ovens: what is in, what is done to it by the clock, and when a core that was read is done',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/ovens`);
		await says(page, '[data-room-sentence]', 'no accepted plan');
		const { plan, input } = await acceptBeside(bakery);
		const loaf = plan.tasks.find(
			({ step, batch }) => step.kind === 'bake' && batch.kind === 'load' && batch.productId === LOAF
		);
		assert.ok(loaf?.step.kind === 'bake' && loaf.batch.kind === 'load');
		const deck = input.bakery.ovens
			.flatMap((oven) => oven.decks)
			.find(({ id }) => id === loaf.machineId);
		assert.ok(deck);
		const card = `[data-deck="${deck.name}"]`;

		// A minute before it is loaded.
		await seeOvensAt(bakery, loaf.startMs - 60_000);
		await says(page, card, 'Empty', 'Harbour loaf', 'in 1 min', 'In:');
		const pieces = await page.$eval(`${card} svg`, (svg) => svg.getAttribute('data-lying'));
		assert.equal(pieces, String(loaf.batch.pieces), 'every loaf is drawn');

		// Ten minutes before it is drawn: turned and vented, not yet checked.
		await seeOvensAt(bakery, loaf.endMs - 10 * 60_000);
		await says(page, `${card} [data-deck-now]`, `${loaf.batch.pieces} Harbour loaf`, 'in since');
		const told = await textOf(page, card);
		assert.ok(told.includes('Check') && told.includes('in 10 min'), told);
		assert.ok(!told.includes('Turn round'), 'what is past is not told');
		await page.waitForSelector(`${card} [data-core-reading]`);
		const label = await page.$eval(
			`${card} [data-core-reading] input`,
			(input) => input.labels?.[0]?.textContent ?? ''
		);
		assert.equal(label, 'Core read now');
		const enter = async (celsius: string) => {
			await page.click(`${card} [data-core-reading] input`, { count: 3 });
			await page.keyboard.type(celsius);
			await page.keyboard.press('Tab');
		};
		await enter('40');
		await says(page, `${card} [data-core-reading]`, 'Too early to tell');
		await enter('84');
		await says(page, `${card} [data-core-reading]`, 'Done about', 'more, between');
		await enter('98');
		await says(page, `${card} [data-core-reading]`, 'done, as far as the core tells');
	}
);

journey(
	'a product is given a falling bake: the curve and the sheet follow, and what cannot be meant is said',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, `${DAY}/products/${demoId('product', 'Ferry stick')}`);
		const steps = await page.$$eval('[data-steps] ol > li', (all) =>
			all.map((one) => one.textContent ?? '')
		);
		const at = steps.findIndex((one) => one.includes('Bake at')) + 1;
		await (await byName(page, 'button', `Change step ${at}`)).click();
		await page.waitForSelector('[data-chart=drawn]');
		await (await byName(page, 'button', 'Add a change')).click();
		const label = () =>
			page.$eval('[data-chart]', (chart) => chart.getAttribute('aria-label') ?? '');
		assert.match(await label(), /250 °C from minute 0, 230 °C from minute 11; out at minute 22/);
		await page.click('[data-programme] fieldset input');
		await page.keyboard.type('30');
		await page.keyboard.press('Tab');
		await says(page, '[data-programme] [role=alert]', 'minute 30 is not within the bake');
		await page.click('[data-programme] fieldset input', { count: 3 });
		await page.keyboard.type('8');
		await page.keyboard.press('Tab');
		await page.waitForFunction(() => !document.querySelector('[data-programme] [role=alert]'));
		await says(page, '[data-steps]', 'set to 230 °C at 8 min');
		// The curve is drawn by hand: further right is later, further down is colder.
		const knob = await page.waitForSelector('[data-handle="Change 1"] .knob');
		const box = await knob?.boundingBox();
		assert.ok(box);
		const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
		await page.mouse.move(x, y);
		await page.mouse.down();
		await page.mouse.move(x + 60, y + 25, { steps: 4 });
		await page.mouse.up();
		const [, celsius, minute] =
			/250 °C from minute 0, (\d+) °C from minute (\d+); out at minute 22/.exec(await label()) ??
			[];
		assert.ok(Number(celsius) < 230 && Number(celsius) % 5 === 0, celsius);
		assert.ok(Number(minute) > 8 && Number(minute) < 22, minute);
		await says(page, '[data-steps]', `set to ${celsius} °C at ${minute} min`);
		// And by keys, one minute and five degrees at a time, back to where it was.
		await page.$eval('[data-handle="Change 1"]', (handle) => (handle as SVGElement).focus());
		for (let at = Number(minute); at > 8; at -= 1) await page.keyboard.press('ArrowLeft');
		for (let at = Number(celsius); at < 230; at += 5) await page.keyboard.press('ArrowUp');
		await says(page, '[data-steps]', 'set to 230 °C at 8 min');
		await (await byName(page, 'button', 'Save as revision 2')).click();
		await byName(page, 'button', 'Save as revision 3');
		await page.reload();
		await says(page, '[data-steps]', 'set to 230 °C at 8 min');
	}
);
