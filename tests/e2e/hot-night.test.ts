import assert from 'node:assert/strict';
import type { Page } from 'puppeteer-core';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { batchOf } from '../integration/test-database.ts';
import {
	accessibilityFaults,
	byName,
	choose,
	journey,
	NIGHT,
	says,
	sendBeside,
	SIZES,
	textOf,
	type,
	visit,
	type Bakery
} from './bakery.ts';

const sentence = '[data-room-sentence]';
const HARBOUR = 'Harbour dough, mix 1 of 2';
const STICK = 'Stick dough, mix 1 of 2';
const TONIGHT = '/bake/2026-11-24';
const press = async (page: Page, name: string) => (await byName(page, 'button', name)).click();
const open = async (page: Page, title: string, kind = 'mix') => {
	await page.click(`[data-row="${title}"]`);
	await page.waitForSelector(`[data-${kind}="${title}"]`);
};
const measure = async (page: Page, title: string, celsius: string) => {
	await open(page, title);
	await type(page, `${title}, dough came out at`, celsius);
	await says(page, '[data-measured]', `Measured ${celsius}`);
};

/** What was read of a hot night before the page is opened. */
async function makeHot(bakery: Bakery): Promise<void> {
	for (const [quantity, celsius] of [
		['room', 31],
		['flour', 29],
		['tap', 19]
	] as const)
		await sendBeside(bakery, {
			kind: 'take-reading',
			quantity,
			preparationId: null,
			celsius,
			instrument: 'typed',
			correctsId: null
		});
}

/** A mix that came out of the mixer before the page is opened. */
async function measureBeside(
	bakery: Bakery,
	dough: string,
	celsius: number,
	ordinal = 1,
	instrument: 'core-probe' | 'surface-thermometer' = 'core-probe'
): Promise<void> {
	await sendBeside(bakery, {
		kind: 'measure-dough',
		batch: await batchOf(bakery.database.db, demoId('formula', dough), ordinal),
		celsius,
		waterCelsius: 8,
		instrument,
		mixerId: null,
		program: null
	});
}

const night = (name: string, task: (page: Page, bakery: Bakery) => Promise<void>): void =>
	journey(name, (bakery) => task(bakery.page, bakery), NIGHT);

night(
	'on a hot night the room says which mixes need ice and which one it cannot reach',
	async (page, bakery) => {
		await visit(bakery, `${TONIGHT}/water`);
		for (const [input, celsius] of [
			['Room', '31'],
			['Flour', '29'],
			['Cold tap', '19']
		] as const) {
			await type(page, input, celsius);
			await says(page, `[data-input="${input}"] [data-reading-note]`, 'typed');
		}
		await says(page, sentence, '5 of 6 mixes need ice; one cannot be reached.');
		// The sentence and the list tell one and the same story.
		const rows = await page.$$eval(
			'nav[aria-label="Mixes and builds"] ul:first-of-type li',
			(all) => all.map((one) => (one.textContent ?? '').replace(/\s+/g, ' '))
		);
		assert.equal(rows.length, 6);
		assert.deepEqual(
			rows.filter((one) => one.includes('out of reach')).map((one) => one.trim().slice(0, 10)),
			['School bun']
		);
		assert.equal(rows.filter((one) => / ice/.test(one)).length, 5);
		assert.ok(rows.some((one) => one.includes('Lantern rye') && !one.includes('ice')));
		// What is expected of the dough is told by its heat, with how far it may be off.
		await says(page, '[data-expected]', 'dough expected at', '25.0', '±');
	}
);

night(
	'each way out is named with what it takes, and the one that is chosen stays chosen',
	async (page, bakery) => {
		await makeHot(bakery);
		await visit(bakery, `${TONIGHT}/water`);

		await open(page, 'School bun dough');
		await says(page, '[data-mix]', 'Out of reach', 'Ice is capped at 15 % of the water here');
		const ways = await textOf(page, '[data-ways-out]');
		for (const words of [
			/of ice, as flakes/,
			/Bread flour [\d.]+ °C colder/,
			/The bowl [\d.]+ °C colder/,
			/A shorter mix, with \d+ % less work/,
			/Let it come out at 28\.\d °C, and its bulk is ripe after \d/
		])
			assert.match(ways, words);
		await page.click('[data-ways-out] label:last-of-type input');
		await visit(bakery, `${TONIGHT}/water`);
		await open(page, 'School bun dough');
		await page.waitForFunction(
			() =>
				document.querySelector<HTMLInputElement>('[data-ways-out] label:last-of-type input')
					?.checked
		);
	}
);

night(
	'the three schools stand side by side, say why they differ, and open their arithmetic',
	async (page, bakery) => {
		await makeHot(bakery);
		await visit(bakery, `${TONIGHT}/water`);

		await open(page, HARBOUR);
		await says(page, '[data-schools]', 'Factor rule', 'Base temperature', 'Heat balance', 'base ');
		await says(page, '[data-schools]', 'weighs all parts alike');
		await page.click('[data-schools] li:nth-child(3) button');
		await says(page, '[role=dialog]', `Heat balance for ${HARBOUR}`, 'heat of friction', '÷');
		await page.keyboard.press('Escape');
		await page.waitForFunction(() => !document.querySelector('[role=dialog][data-state=open]'));
	}
);

night('the builds have their water too', async (page, bakery) => {
	await makeHot(bakery);
	await visit(bakery, `${TONIGHT}/water`);

	await open(page, 'Poolish', 'build');
	await says(page, '[data-build]', 'wants 21.0 °C', 'when it is stirred', 'ice');
	await open(page, 'Rye sour, full', 'build');
	await says(page, '[data-favour]', 'this stage favours');
});

night(
	'a dough is measured with one hand; its friction and its ripe time move',
	async (page, bakery) => {
		await makeHot(bakery);
		await visit(bakery, `${TONIGHT}/water`);

		await open(page, HARBOUR);
		await says(page, '[data-friction]', 'learned from 19 mixes of this dough on the spiral mixer');
		await says(page, '[data-friction]', 'was left out', 'too far from the others to be honest');
		for (const key of ['2', '5', '.', '6']) await page.click(`.pad button::-p-text(${key})`);
		await press(page, 'Keep it');
		await says(page, '[data-measured]', 'Measured 25.6', 'Ripe about');
		await says(page, sentence, 'mixes to come');
		await says(page, '[data-friction]', 'learned from 20 mixes');
		const ripe = await textOf(page, '[data-ripe]');
		await type(page, `${HARBOUR}, dough came out at`, '25');
		await says(page, '[data-measured]', 'Measured 25.0');
		assert.ok(
			minutesOf(await textOf(page, '[data-ripe]')) > minutesOf(ripe),
			'a cooler dough is ripe later'
		);
		await measure(page, STICK, '24.4');
		// A dough that nobody measured yet learns most from its first mix.
		await open(page, 'Lantern rye');
		await says(page, '[data-friction]', 'from other doughs on the spiral mixer');
		const water = Number(await textOf(page, '[data-water-temperature]'));
		await measure(page, 'Lantern rye', '28.9');
		await says(page, '[data-friction]', 'learned from one mix of this dough');
		assert.ok(
			Number(await textOf(page, '[data-water-temperature]')) < water,
			'a dough that came out warm asks for colder water next time'
		);
	}
);

night(
	'what cannot be a dough temperature is told, and a surface is marked',
	async (page, bakery) => {
		await makeHot(bakery);
		await visit(bakery, `${TONIGHT}/water`);

		const title = 'Stick dough, mix 2 of 2';
		await open(page, title);
		await press(page, 'Keep it');
		await says(page, '[data-measure]', 'Type the temperature the dough came out with');
		await type(page, `${title}, dough came out at`, '99');
		await says(page, '[data-measure]', 'Above 60 °C is more than this takes');
		await choose(page, `${title}, measured with`, 'a surface thermometer');
		await says(page, '[data-measure]', 'A surface is not the core');
		await type(page, `${title}, dough came out at`, '25.4');
		await says(page, '[data-measured]', 'Measured 25.4', 'on the surface');
	}
);

night(
	'what was learned is drawn; a reading can be ignored and all of them left behind',
	async (page, bakery) => {
		await makeHot(bakery);
		await measureBeside(bakery, 'Stick dough', 24.4);
		await measureBeside(bakery, 'Stick dough', 25.4, 2, 'surface-thermometer');
		await visit(bakery, `${TONIGHT}/water`);
		await open(page, STICK);

		await page.$eval('[data-friction] a', (one) => one.click());
		const friction = '[data-learned=friction]';
		await says(page, friction, 'Stick dough', 'of dough; the book says');
		await page.waitForSelector(`${friction} [data-chart=drawn] svg`);
		await page.waitForSelector('[data-learned=seasons] [data-chart=drawn] svg');
		await says(page, '[data-learned=clock]', 'looks: it takes');
		await says(page, '[data-learned=tub-room]', 'checks: a time constant of');
		const before = await textOf(page, `${friction} [data-friction]`);
		await page.click(`${friction} [data-readings]`);
		await says(page, '[data-observations=friction] li:first-child', 'on the surface', 'Ignore it');
		await page.click('[data-observations=friction] li:first-child button');
		await says(page, '[data-observations=friction] li:first-child', 'ignored', 'Count it');
		assert.notEqual(await textOf(page, `${friction} [data-friction]`), before);
		await press(page, 'Learn anew from the book');
		await says(
			page,
			`${friction} [data-friction]`,
			'Not measured yet',
			'of other doughs on this mixer'
		);
	}
);

night(
	'in Ripening a dough tells its morning in the cold before it goes, and after',
	async (page, bakery) => {
		await makeHot(bakery);
		await measureBeside(bakery, 'Harbour dough', 25);
		await measureBeside(bakery, 'Stick dough', 24.4);
		await visit(bakery, `${TONIGHT}/water`);

		await (await byName(page, 'link', 'Ripening')).click();
		await says(page, sentence, 'doughs ripen', 'is ripe first');
		await page.click(`[data-row="${HARBOUR}"]`);
		const card = `[data-dough-card="${HARBOUR}"]`;
		await says(
			page,
			card,
			'ripe at',
			'of the way',
			'in the cold room from now on',
			'warmer from now on',
			'divided now'
		);
		await says(page, card, 'a clock learned from 19 looks', 'favours');
		const here = minutesOf(await textOf(page, `${card} [data-ripe]`));
		const told = minutesOf(
			(await textOf(page, `${card} [data-asks] li:first-child b`)).replace('ripe ', '')
		);
		assert.ok(told > here + 30, `${told} is much later than ${here}`);
		await press(page, 'Send to the cold room');
		await says(page, '[data-retarder="Cold room"]', HARBOUR, 'kJ still to take out of it', 'Air');
		await page.waitForSelector('[data-retarder="Cold room"] [data-chart=drawn] svg');
		const there = minutesOf(await textOf(page, `${card} [data-ripe]`));
		assert.ok(Math.abs(there - told) <= 12, `${there} is what was told: ${told}`);
		// Nothing is done for good with one tap.
		await page.click('[data-move] button.action');
		await says(page, '[data-retarder="Cold room"]', 'Empty, set to 4.0');
		assert.ok(Math.abs(minutesOf(await textOf(page, `${card} [data-ripe]`)) - here) <= 2);
		await press(page, 'Send to the cold room');
		await says(page, '[data-retarder="Cold room"]', HARBOUR);
	}
);

night('a dough measured again where it stands is set right', async (page, bakery) => {
	await makeHot(bakery);
	await measureBeside(bakery, 'Harbour dough', 25);
	await measureBeside(bakery, 'Stick dough', 24.4);
	await visit(bakery, `${TONIGHT}/ripening`);

	await page.click(`[data-row="${STICK}"]`);
	const card = `[data-dough-card="${STICK}"]`;
	const before = minutesOf(await textOf(page, `${card} [data-ripe]`));
	await press(page, 'Measure it where it stands');
	await type(page, `${STICK}, the dough is at`, '27.4');
	await says(page, card, '27.4');
	await page.waitForFunction(
		(one, was) => document.querySelector(one)?.textContent !== was,
		{},
		`${card} [data-ripe]`,
		''
	);
	assert.ok(minutesOf(await textOf(page, `${card} [data-ripe]`)) < before - 5);
});

night(
	'what is seen is weighed with the clock, the baker decides, and the proof takes over what is left',
	async (page, bakery) => {
		await makeHot(bakery);
		await measureBeside(bakery, 'Harbour dough', 25);
		await measureBeside(bakery, 'Stick dough', 24.4);
		await visit(bakery, `${TONIGHT}/ripening`);
		await page.click(`[data-row="${STICK}"]`);

		await press(page, 'Look at it');
		await says(page, '[data-look]', 'not yet', 'By its clock it is');
		await page.click('[data-seen="poke:stays"]');
		await page.click('[data-seen="rise:past-the-mark"]');
		await says(page, '[data-verdict]', 'poke stays says', 'at odds');
		assert.notEqual(
			await page.$eval('[data-verdict]', (one) => (one as HTMLElement).dataset.verdict),
			'not-yet',
			'the eye overrules the clock'
		);
		await press(page, 'Wait');
		await says(page, '[data-judgements]', 'Maud Tarrow', 'decided to wait', 'poke stays');
		await page.click('[data-seen="poke:half-springs-back"]');
		await press(page, 'Go on: divide it');
		await says(
			page,
			`[data-ended="${STICK}"]`,
			'went on at',
			'Proof of Ferry stick: ripe about',
			'longer for what the bulk left undone'
		);
		await page.click(`[data-ended="${STICK}"] button`);
		await page.waitForSelector(`[data-row="${STICK}"]`);
	}
);

night(
	'in degrees Fahrenheit every figure is one, and the sentence of the rule still adds up',
	async (page, bakery) => {
		await makeHot(bakery);
		await measureBeside(bakery, 'Harbour dough', 25);

		await visit(bakery, `${TONIGHT}/bakery`);
		await page.click('[data-units] input[value=fahrenheit]');
		await says(page, '[data-units]', 'Saved');
		await (await byName(page, 'link', 'Water')).click();
		await page.waitForSelector('[data-schools]');
		await page.click('input[name=school][value=factor-rule]');
		await says(page, '[data-schools] li:first-child', 'this bakery’s', '°F');
		await open(page, 'Harbour dough, mix 2 of 2');
		assert.equal(
			await page.$eval('[data-input=Room] input', (one) => one.value),
			'87.8',
			'31 degrees Celsius'
		);
		const said = (await textOf(page, '[data-water-sentence]')).replaceAll('−', '-');
		const [, target, flour, room, levain, friction, water] =
			/4 × ([\d.]+) - \(([\d.]+) \+ ([\d.]+) \+ ([\d.]+) \+ ([\d.]+)\) = (-?[\d.]+) °F/.exec(
				said.replace(/\s/g, ' ')
			) ?? [];
		assert.deepEqual([target, flour, room], ['77.0', '84.2', '87.8'], said);
		const sum =
			4 * Number(target) - Number(flour) - Number(room) - Number(levain) - Number(friction);
		assert.ok(Math.abs(sum - Number(water)) < 0.3, `${sum} in ${said}`);
		assert.ok(!(await textOf(page, '[data-mix]')).includes('°C'), 'no figure is left in Celsius');
		await visit(bakery, `${TONIGHT}/ripening`);
		assert.ok(!(await textOf(page, 'main')).includes('°C'), 'no figure is left in Celsius');
		await visit(bakery, `${TONIGHT}/bakery`);
		await page.click('[data-units] input[value=celsius]');
		await says(page, '[data-units]', 'Saved');
	}
);

night(
	'with flakes and chilled water in the house the night is easier, and wrong settings are told',
	async (page, bakery) => {
		await makeHot(bakery);
		await visit(bakery, `${TONIGHT}/bakery`);

		await page.click('[data-supply] input[value=flakes]');
		await type(page, 'Hot tap', '120', 'Tab');
		await press(page, 'Save water and ice');
		await says(page, '[data-supply]', 'Hot tap: Above 95 °C is more than this takes');
		await type(page, 'Hot tap', '55', 'Tab');
		await type(page, 'Chilled water', '3', 'Tab');
		await press(page, 'Save water and ice');
		await says(page, '[data-supply]', 'Saved: the water of every mix follows.');
		await (await byName(page, 'link', 'Water')).click();
		await page.waitForSelector('input[name=school][value=heat-balance]');
		await page.click('input[name=school][value=heat-balance]');
		await open(page, 'School bun dough');
		await says(page, '[data-mix="School bun dough"] [data-pour=chilled]', 'kg');
		await says(page, sentence, 'every target can be reached');
	}
);

night(
	'the rooms of a full night pass the accessibility check and fit both screens',
	async (page, bakery) => {
		await makeHot(bakery);
		await measureBeside(bakery, 'Harbour dough', 25);
		await measureBeside(bakery, 'Stick dough', 24.4);

		for (const [appearance, size] of [
			['paper', SIZES.desk],
			['ember', SIZES.tablet]
		] as const)
			for (const room of ['water', 'ripening', 'learned', 'bakery']) {
				await page.setViewport(size);
				await page
					.browserContext()
					.setCookie({ name: 'appearance', value: appearance, domain: '127.0.0.1', path: '/' });
				await visit(bakery, `${TONIGHT}/${room}`);
				assert.deepEqual(await accessibilityFaults(page), [], `${room}, ${appearance}`);
				const wider = await page.evaluate(
					() => document.documentElement.scrollWidth - window.innerWidth
				);
				assert.ok(wider <= 0, `${room} is ${wider} px wider than ${size.width}`);
			}
	}
);

/** Minutes since noon of the 23rd of a time of this night or the days after it. */
function minutesOf(text: string): number {
	const [, day, hours = '0', minutes = '0'] = /(?:(\d+) Nov )?(\d\d):(\d\d)$/.exec(text) ?? [];
	const date = day ? Number(day) : Number(hours) < 12 ? 24 : 23;
	return (date - 23) * 1440 + (Number(hours) - 12) * 60 + Number(minutes);
}
