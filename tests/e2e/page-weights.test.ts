import assert from 'node:assert/strict';
import { brotliCompressSync } from 'node:zlib';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { journey } from './bakery.ts';

const DAY = '/bake/2026-11-24';
const PAGES = [
	'orders',
	`formulas/${demoId('formula', 'Harbour dough')}`,
	`preparations/${demoId('preparation', 'Wheat levain')}`,
	`products/${demoId('product', 'Harbour loaf')}`,
	`ingredients/${demoId('ingredient', 'Bread flour')}`,
	'formulas/bring-in',
	'orders/standing',
	'doughs',
	'doughs/stock',
	`doughs/weigh/mix/${demoId('formula', 'Harbour dough')}/1`,
	'plan',
	'water',
	'fermentation',
	'ovens',
	'run-sheet',
	'learned',
	'learned/times',
	'bench',
	'log',
	'trace',
	'morning',
	'bakery',
	'bakery/ovens',
	'bakery/doors',
	'bakery/changes'
];
/** Script that a page fetches before anything is asked of it, as it is sent; charts come when one is seen. */
const MOST_KILOBYTES = 120;

journey('no page fetches more script than an old tablet takes up at once', async (bakery) => {
	const weights = new Map<string, number>();
	const weightOf = async (address: string) => {
		const known = weights.get(address);
		if (known !== undefined) return known;
		const weight = brotliCompressSync(await (await fetch(address)).bytes()).length;
		weights.set(address, weight);
		return weight;
	};
	for (const name of PAGES) {
		const page = await fetch(`${bakery.origin}${DAY}/${name}`, {
			headers: { cookie: bakery.cookie }
		});
		assert.equal(page.status, 200, name);
		// They are named in the page's head or in its headers, whichever comes first.
		const named = `${page.headers.get('link') ?? ''} ${await page.text()}`;
		const scripts = new Set(
			[...named.matchAll(/[<"(]([^<>"()]*\/immutable\/[^<>"()]*\.js)[>")]/g)].map(
				([, address]) => new URL(address ?? '', page.url).href
			)
		);
		assert.ok(scripts.size > 10, name);
		let kilobytes = 0;
		for (const script of scripts) kilobytes += (await weightOf(script)) / 1024;
		assert.ok(kilobytes < MOST_KILOBYTES, `${name}: ${kilobytes.toFixed(1)} kB`);
	}
});
