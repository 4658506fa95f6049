import assert from 'node:assert/strict';
import type { Page } from 'puppeteer-core';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readWeighUp } from '../../src/lib/server/services/read-weigh-up.ts';
import { TOMORROW } from '../integration/test-database.ts';
import { AFTERNOON, byName, journey, says, search, SIZES, type, visit } from './bakery.ts';
import { accessibilityFaults } from './page-faults.ts';
import { scaleBeside } from './scale-beside.ts';

const sentence = '[data-room-sentence]';
const DOUGH = demoId('formula', 'Harbour dough');
const press = async (page: Page, name: string) => (await byName(page, 'button', name)).click();

journey(
	'a mix is weighed into its bowl line by line, one wrong weight mended, and nothing is lost when the server goes',
	async (bakery) => {
		const { page } = bakery;
		await visit(bakery, '/bake/2026-11-24/doughs');
		await (await byName(page, 'link', 'Weigh up Harbour dough, mix 1')).click();
		await says(page, sentence, 'Harbour dough, mix 1 of 2: 8 things to weigh', '24.98 kg');
		await says(page, '[data-wanted]', '3976 g');
		const figure = await page.$eval('[data-wanted]', (element) =>
			parseFloat(getComputedStyle(element).fontSize)
		);
		assert.ok(figure >= 54, `the figure is ${figure} px high`);
		await press(page, '3976 g is in');
		await says(page, sentence, '1 of 8 weighed', '3976 g in the bowl');
		// The lot is asked once, and stands at the next mix.
		await page.click('[data-line="Light rye flour"]');
		await type(page, 'Light rye flour, lot', 'R-7', 'Tab');
		await press(page, '745 g is in');
		await says(page, sentence, '2 of 8 weighed');
		await press(page, 'Undo: 745 g Light rye flour');
		await says(page, sentence, '1 of 8 weighed');
		// A little beside it is within what is tolerated.
		await type(page, 'Seed soaker, what the scale shows', '3490');
		await says(page, sentence, '2 of 8 weighed');
		// Too little: half of it is in, more comes.
		await type(page, 'Bread flour, what the scale shows', '4000');
		await says(page, '[data-deviation]', 'Too little', 'add 3960 g');
		await press(page, 'It is in, more comes');
		await says(page, '[data-wanted]', '3960 g');
		// The scale was not put back to nothing: it shows all that is in the bowl.
		await page.click('::-p-text(not tared)');
		await says(page, '[data-wanted]', '15.4');
		await type(page, 'Bread flour, what the scale shows', '15426');
		await says(page, sentence, '3 of 8 weighed');
		// Far too much salt is seen before it is in.
		await page.click('[data-line=Salt]');
		await type(page, 'Salt, what the scale shows', '310');
		await says(
			page,
			'[data-deviation]',
			'Too much',
			'2.50 % of the flour for 2.10',
			'ripens more slowly'
		);
		await says(page, '[data-mend]', 'Take it out while it lies dry', 'Bread flour 1498 g more');
		await press(page, 'Weigh it again');
		await type(page, 'Salt, what the scale shows', '261');
		await says(page, '[data-line=Salt]', '261.0 g in');

		await bakery.stop();
		await press(page, '1739 g is in');
		await says(page, '[data-weigh-message]', 'kept in this browser');
		await says(page, sentence, '5 of 8 weighed');
		await page.waitForSelector('[data-line="Wholemeal wheat"][data-line-state=done]');
		await bakery.start();
		await page.waitForFunction(() => !document.querySelector('[data-weigh-message]'));
		const there = await readWeighUp(
			bakery.database.db,
			TOMORROW,
			{ kind: 'mix', recipeId: DOUGH, ordinal: 1 },
			Date.now()
		);
		const weighed = (name: string) =>
			there?.lines.find((line) => line.name === name)?.weighed.map(({ grams }) => grams);
		assert.deepEqual(weighed('Wholemeal wheat'), [1739]);
		assert.equal(weighed('Bread flour')?.length, 2);
		// A closed tab: the mix stands as it was left.
		await visit(bakery, `/bake/2026-11-24/doughs/weigh/mix/${DOUGH}/1`);
		await says(page, sentence, '5 of 8 weighed');
		await says(page, '[data-now]', 'Light rye flour');
		await press(page, 'Undo: 1739 g Wholemeal wheat');
		await says(page, sentence, '4 of 8 weighed');
		await press(page, '1739 g is in');
		await press(page, '745 g is in');
		await says(page, '[data-pour]', 'Water at');
		await type(page, 'Water, what the scale shows', '6.22 l');
		await press(page, '621 g is in');
		await says(page, sentence, 'Harbour dough, mix 1 of 2 is weighed up');
		await page.click('[data-feel] summary');
		await type(page, 'By feel, as much as', '150', 'Tab');
		await press(page, 'Water went in');
		await says(page, '[data-by-feel]', '150 g Water, by feel');
		for (const size of [SIZES.desk, SIZES.tablet]) {
			await page.setViewport(size);
			assert.deepEqual(await accessibilityFaults(page), []);
		}
		await visit(bakery, `/bake/2026-11-24/doughs/weigh/mix/${DOUGH}/2`);
		await page.click('[data-line="Light rye flour"]');
		await page.waitForFunction(
			() =>
				document.querySelector<HTMLInputElement>('[aria-label="Light rye flour, lot"]')?.value ===
				'R-7'
		);
		await visit(
			bakery,
			`/bake/2026-11-24/doughs/weigh/preparation/${demoId('preparation', 'Poolish')}/1`
		);
		await says(page, sentence, 'Poolish: 3 things to weigh');
	},
	AFTERNOON
);

journey(
	'the scale beside the screen is read: a line is taken as it stands, a wrong one is seen and mended, a silent scale is told',
	async (bakery) => {
		const { page } = bakery;
		const trouble: string[] = [];
		const scale = await scaleBeside(bakery, (what) => trouble.push(what));
		try {
			// An empty bowl is put on it first.
			scale.put(1850);
			await visit(bakery, `/bake/2026-11-24/doughs/weigh/mix/${DOUGH}/1`);
			await search(page, 'Scale beside this screen', 'Mixer scale');
			await says(page, '[data-shown=true]', '1850 g');
			await press(page, 'Tare');
			await says(page, '[data-shown=true]', '0 g');
			scale.put(3000);
			await says(page, '[data-on-scale]', '3000 g', '976 g to go');
			scale.put(980);
			await says(page, '[data-on-scale]', '3980 g', '4 g too much');
			await says(page, '[data-shown=true]', '3980 g');
			await press(page, 'Take 3980 g');
			await says(page, sentence, '1 of 8 weighed', '3980 g in the bowl');
			// The next line counts from what is in the bowl.
			await says(page, '[data-on-scale]', '0 g on Mixer scale');
			scale.put(4100);
			await says(page, '[data-on-scale]', '621 g too much');
			await says(page, '[data-shown=true]', '4100 g');
			await press(page, 'Take 4100 g');
			await says(page, '[data-deviation]', 'Too much', '18 % more than is wanted');
			await press(page, 'Weigh it again');
			scale.put(-620);
			await says(page, '[data-on-scale]', '3480 g');
			await says(page, '[data-shown=true]', '3480 g');
			await press(page, 'Take 3480 g');
			await says(page, sentence, '2 of 8 weighed', '7460 g in the bowl');
			const there = await readWeighUp(
				bakery.database.db,
				TOMORROW,
				{ kind: 'mix', recipeId: DOUGH, ordinal: 1 },
				Date.now()
			);
			assert.deepEqual(
				there?.lines.flatMap(({ weighed }) => weighed.map(({ grams, how }) => [grams, how])),
				[
					[3980, 'scale'],
					[3480, 'scale']
				]
			);
			scale.stop();
			await scale.over;
			await says(page, '[data-on-scale]', 'Silent', 'Type what it shows');
			await press(page, '7960 g is in');
			await says(page, sentence, '3 of 8 weighed');
			assert.deepEqual(trouble, []);
		} finally {
			scale.stop();
			await scale.over;
		}
	},
	AFTERNOON
);
