import assert from 'node:assert/strict';
import { choose, leaveSlip, says, textOf, type, visit, walk } from './bakery.ts';
import { standsEachLook } from './page-faults.ts';
import {
	HARBOUR,
	makeHot,
	measure,
	measureBeside,
	minutesOf,
	night,
	open,
	press,
	sentence,
	STICK,
	TONIGHT
} from './hot-night.ts';

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
		await says(page, sentence, '6 of 6 mixes need ice; 2 cannot be reached.');
		// The sentence and the list tell one and the same story.
		const rows = await page.$$eval(
			'nav[aria-label="Mixes, pre-ferments and scalds"] ul:first-of-type li',
			(all) => all.map((element) => (element.textContent ?? '').replace(/\s+/g, ' '))
		);
		assert.equal(rows.length, 6);
		assert.deepEqual(
			rows.filter((row) => row.includes('out of reach')).map((row) => row.trim().slice(0, 10)),
			['Stick doug', 'Stick doug']
		);
		assert.equal(rows.filter((row) => / ice/.test(row)).length, 6);
		// What is expected of the dough is told by its heat, with how far it may be off.
		await says(page, '[data-expected]', 'dough expected at', '25.0', '±');
	}
);

night(
	'each way out is named with what it takes, and the one that is chosen stays chosen',
	async (page, bakery) => {
		await makeHot(bakery);
		await visit(bakery, `${TONIGHT}/water`);

		await open(page, STICK);
		await says(page, '[data-mix]', 'Out of reach', 'Ice is capped at 15 % of the water here');
		const ways = await textOf(page, '[data-ways-out]');
		// What takes only a decision leads.
		assert.match(
			ways,
			/of ice, as flakes.*Let it come out at 26\.\d °C, and its bulk is ready after \d.*A shorter mix, \d\.\d min less on fast/s
		);
		// No flour is cooled by ten degrees within the hour, nor a bowl.
		assert.doesNotMatch(ways, /colder/);
		await page.click('[data-ways-out] label:last-of-type input');
		await visit(bakery, `${TONIGHT}/water`);
		await open(page, STICK);
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
		await page.click('[data-schools] li:nth-child(3) button:not(.term)');
		await says(page, '[role=dialog]', `Heat balance for ${HARBOUR}`, 'heat of friction', '÷');
		await leaveSlip(page);
	}
);

night('the pre-ferments have their water too', async (page, bakery) => {
	await makeHot(bakery);
	await visit(bakery, `${TONIGHT}/water`);

	await open(page, 'Poolish', 'build');
	await says(page, '[data-build]', 'wants 21.0 °C', 'when it is stirred', 'ice');
	await open(page, 'Rye sour, full', 'build');
	await says(page, '[data-favour]', 'this stage grows more');
});

night(
	'a dough is measured with one hand; its friction and its ripe time move',
	async (page, bakery) => {
		await makeHot(bakery);
		await visit(bakery, `${TONIGHT}/water`);

		await open(page, HARBOUR);
		await says(page, '[data-friction]', 'learned from 19 mixes of this dough on the spiral mixer');
		await says(page, '[data-friction]', 'left out as an outlier');
		for (const key of ['2', '5', '.', '6']) await page.click(`.pad button::-p-text(${key})`);
		await press(page, 'Keep it');
		await says(page, '[data-measured]', 'Measured 25.6', 'Ready about');
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

		await page.$eval('[data-friction] a', (element) => element.click());
		const friction = '[data-learned=friction]';
		await says(page, friction, 'Stick dough', 'of dough; the book says');
		await page.waitForSelector(`${friction} [data-chart=drawn] svg`);
		await page.waitForSelector('[data-learned=seasons] [data-chart=drawn] svg');
		await says(page, '[data-learned=clock]', 'checks: it takes');
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
	'in degrees Fahrenheit every figure is one, and the sentence of the rule still adds up',
	async (page, bakery) => {
		await makeHot(bakery);
		await measureBeside(bakery, 'Harbour dough', 25);

		await visit(bakery, `${TONIGHT}/bakery`);
		await page.click('[data-units] input[value=fahrenheit]');
		await says(page, '[data-units]', 'Saved');
		await visit(bakery, `${TONIGHT}/water`);
		await page.waitForSelector('[data-schools]');
		await page.click('input[name=school][value=factor-rule]');
		await says(page, '[data-schools] li:first-child', 'this bakery’s', '°F');
		await open(page, 'Harbour dough, mix 2 of 2');
		assert.equal(
			await page.$eval('[data-input=Room] input', (element) => element.value),
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
		await visit(bakery, `${TONIGHT}/fermentation`);
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
		await visit(bakery, `${TONIGHT}/bakery/water`);

		await page.click('[data-supply] input[value=flakes]');
		await type(page, 'Hot tap', '120', 'Tab');
		await press(page, 'Save water and ice');
		await says(page, '[data-supply]', 'Hot tap: Above 95 °C is more than this takes');
		await type(page, 'Hot tap', '55', 'Tab');
		await type(page, 'Chilled water', '3', 'Tab');
		await press(page, 'Save water and ice');
		await says(page, '[data-supply]', 'Saved: the water of every mix follows.');
		await visit(bakery, `${TONIGHT}/water`);
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

		for (const room of ['water', 'fermentation', 'learned', 'bakery']) {
			await walk(bakery, `${TONIGHT}/${room}`);
			await standsEachLook(page, room);
		}
	}
);

night(
	'the question backwards: which dough a water gives, by the balance of heat',
	async (page, bakery) => {
		await visit(bakery, `${TONIGHT}/water`);
		await open(page, HARBOUR);
		const backwards = `${HARBOUR}, water at another temperature`;
		const dough = async () =>
			Number(/comes out at ([\d.]+)/.exec(await textOf(page, '[data-backwards]'))?.[1] ?? NaN);
		await type(page, backwards, '20', 'Tab');
		await says(page, '[data-backwards]', 'the dough comes out at', '±');
		const cooler = await dough();
		await type(page, backwards, '30', 'Tab');
		await page.waitForFunction(
			(before) => !(document.querySelector('[data-backwards]')?.textContent ?? '').includes(before),
			{},
			cooler.toFixed(1)
		);
		const warmer = await dough();
		// Some two and a half degrees of water for one of dough.
		assert.ok(warmer - cooler > 2.5 && warmer - cooler < 6, `${cooler} and ${warmer}`);
		await type(page, backwards, 'cold', 'Tab');
		await says(page, '[data-backwards]', 'Check', '"cold" is not a number');
	}
);

night(
	'a baker picks which liquid is warmed, and leaves it to their masses again',
	async (page, bakery) => {
		await visit(bakery, `${TONIGHT}/water`);
		await open(page, HARBOUR);
		await says(page, '[data-liquids]', 'Warmed or cooled for Harbour dough', 'held back');
		const boxes = async () =>
			page.$$eval('[data-liquids] input', (all) => all.map((box) => box.checked));
		assert.deepEqual(await boxes(), [true, true]);
		await page.click('[data-liquids] label:last-of-type input');
		await says(page, '[data-liquids]', 'As you picked it');
		assert.deepEqual(await boxes(), [true, false]);
		await press(page, 'Leave it to their masses');
		await says(page, '[data-liquids]', 'Water alone where it is most of what is poured');
		assert.deepEqual(await boxes(), [true, true]);
	}
);

night(
	'a reading far from what was expected is asked about once, and stands when it is meant',
	async (page, bakery) => {
		await visit(bakery, `${TONIGHT}/water`);
		await open(page, HARBOUR);
		await type(page, `${HARBOUR}, dough came out at`, '52');
		await says(
			page,
			'[data-measure] [role=alert]',
			'52.0 °C is far from that',
			'keep it once more'
		);
		assert.equal(await page.$('[data-measured]'), null);
		await type(page, `${HARBOUR}, dough came out at`, '25.2');
		await says(page, '[data-measured]', 'Measured 25.2');
		await type(page, `${HARBOUR}, dough came out at`, '37');
		await says(page, '[data-measure] [role=alert]', '37.0 °C is far from that');
		await press(page, 'Keep it');
		await says(page, '[data-measured]', 'Measured 37.0');
	}
);
