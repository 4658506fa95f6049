import type { Page } from 'puppeteer-core';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { batchOf } from '../integration/test-database.ts';
import { byName, journey, NIGHT, says, sendBeside, type, type Bakery } from './bakery.ts';

export const sentence = '[data-room-sentence]';
export const HARBOUR = 'Harbour dough, mix 1 of 2';
export const STICK = 'Stick dough, mix 1 of 2';
export const TONIGHT = '/bake/2026-11-24';
export const press = async (page: Page, name: string) =>
	(await byName(page, 'button', name)).click();
export const open = async (page: Page, title: string, kind = 'mix') => {
	await page.click(`[data-row="${title}"]`);
	await page.waitForSelector(`[data-${kind}="${title}"]`);
};
export const measure = async (page: Page, title: string, celsius: string) => {
	await open(page, title);
	await type(page, `${title}, dough came out at`, celsius);
	await says(page, '[data-measured]', `Measured ${celsius}`);
};

/** What was read of a hot night before the page is opened. */
export async function makeHot(bakery: Bakery): Promise<void> {
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
export async function measureBeside(
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

export const night = (name: string, task: (page: Page, bakery: Bakery) => Promise<void>): void =>
	journey(name, (bakery) => task(bakery.page, bakery), NIGHT);

/** Minutes since noon of the 23rd of a time of this night or the days after it. */
export function minutesOf(text: string): number {
	const [, day, hours = '0', minutes = '0'] = /(?:(\d+) Nov )?(\d\d):(\d\d)$/.exec(text) ?? [];
	const date = day ? Number(day) : Number(hours) < 12 ? 24 : 23;
	return (date - 23) * 1440 + (Number(hours) - 12) * 60 + Number(minutes);
}
