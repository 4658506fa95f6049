import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import ICAL from 'ical.js';
import type { Page } from 'puppeteer-core';
import { bakeMarks } from '../../src/lib/core/baking/index.ts';
import { handsAtMarks } from '../../src/lib/core/planning/index.ts';
import { acceptBeside } from './accepted-night.ts';
import { journey, says, sendBeside, textOf, visit } from './bakery.ts';
import { accessibilityFaults } from './page-faults.ts';
import { productContent } from '../integration/book-content.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';

const DAY = '/bake/2026-11-24';

async function openSheet(page: Page, name: string): Promise<string> {
	const before = page.url();
	// A page of the bakery may be called the same.
	await page.locator(`nav[aria-label=Sheets] ::-p-text(${name})`).click();
	await page.waitForFunction((before) => location.href !== before, {}, before);
	await page.waitForSelector(`nav[aria-label=Sheets] ::-p-text(${name})[aria-current=page]`);
	return textOf(page, '[data-run-sheet]');
}

const fetched = (page: Page, address: string) =>
	page.evaluate(async (address) => {
		const answer = await fetch(address);
		return { status: answer.status, text: await answer.text() };
	}, address);

journey(
	'each station and each person has a sheet of the accepted plan, and all go to paper at once',
	async (bakery) => {
		const { page } = bakery;
		const { plan, input } = await acceptBeside(bakery);
		await visit(bakery, `${DAY}/run-sheet`);

		const mixers = await openSheet(page, 'Mixers');
		for (const words of [
			'Mix Harbour dough',
			'Mix Wheat levain',
			'Water at ',
			'Guards stay on',
			'°C'
		])
			assert.ok(mixers.includes(words), words);
		const mixed = input.doughs.flatMap(({ mixes }) => mixes).length + input.builds.length;
		const stirred = await page.$$eval(
			'[data-entry] .what b',
			(all) => all.filter((one) => one.textContent?.startsWith('Mix ')).length
		);
		assert.equal(stirred, mixed, 'every mix and every build stands once on it');
		assert.ok(!mixers.includes('Draw '), 'nothing of the ovens');

		const ovens = await openSheet(page, 'Ovens');
		for (const words of ['Switch on', 'Load Harbour loaf', 'Draw Harbour loaf', 'steam', 'burn'])
			assert.ok(ovens.includes(words), words);
		const bench = await openSheet(page, 'Bench');
		for (const words of ['Divide Harbour loaf', 'Fold ']) assert.ok(bench.includes(words), words);
		assert.ok(!bench.includes('Load '), 'nothing of the ovens');

		await openSheet(page, 'Packing by drop');
		for (const { dropId, name } of plan.drops) {
			const lines = input.orders.filter((order) => order.dropId === dropId);
			const all = lines.reduce((sum, { pieces }) => sum + pieces, 0);
			const section = await textOf(page, `[data-drop="${name}"]`);
			for (const { name, pieces } of lines)
				assert.match(section, new RegExp(`${pieces}\\s*${name}`), `${pieces} ${name}`);
			assert.match(section, new RegExp(`${all}\\s*in all`));
			assert.match(section, /[A-Z][a-z]+ [A-Z][a-z]+: picking \d\d:\d\d/, `who picks ${name}`);
		}

		await says(page, '[data-drop="Shop and cafés"] [data-customers]', 'Quay café (back door)');

		const people = await openSheet(page, 'Each person');
		for (const words of ['Maud Tarrow ·', 'At work 22:00 to'])
			assert.ok(people.includes(words), words);

		await openSheet(page, 'Sheets to roll');
		await says(page, '[data-sheet-of=sheeting]', 'Nothing of this night is cut from a sheet');

		await openSheet(page, 'All of them');
		const sheets = await page.$$eval('[data-sheet-of]', (all) =>
			all.map((one) => (one as HTMLElement).dataset.sheetOf)
		);
		for (const sheet of ['night', 'mixers', 'bench', 'ovens', 'packing', 'people'])
			assert.ok(sheets.includes(sheet), sheet);
		await page.emulateMediaType('print');
		const file = path.join(process.env.JOVET_TEST_FAILURES ?? os.tmpdir(), 'sheets.pdf');
		await page.pdf({ path: file, preferCSSPageSize: true });
		const pages = readFileSync(file, 'latin1').match(/\/Type\s*\/Page\b(?!s)/g)?.length ?? 0;
		assert.ok(pages >= sheets.length, `${sheets.length} sheets on ${pages} pages`);
		const least = await page.$$eval('[data-entry] .what b', (all) =>
			Math.min(...all.map((one) => Number.parseFloat(getComputedStyle(one).fontSize)))
		);
		assert.ok(least >= 18.6, `14 pt and up, not ${least} px`);
		await page.emulateMediaType('screen');
	}
);

journey('a plan is taken along as a calendar with alarms and as a table', async (bakery) => {
	const { page } = bakery;
	await visit(bakery, `${DAY}/run-sheet`);
	const early = await fetched(page, `${DAY}/plan.ics`);
	assert.equal(early.status, 404);
	assert.match(early.text, /no accepted plan/);

	const { plan, input } = await acceptBeside(bakery);
	await visit(bakery, `${DAY}/run-sheet`);
	const attended = plan.tasks.flatMap((task) => task.attended);
	// What is done to a load while it bakes has its own line each.
	const freeAt = handsAtMarks(plan, input);
	const marks = plan.tasks.flatMap((task) => {
		const { step, endMs } = task;
		if (step.kind !== 'bake') return [];
		return bakeMarks(step)
			.filter(({ kind }) => kind !== 'out')
			.map(({ atMinutes }) => endMs - (step.bakeMinutes - atMinutes) * 60_000)
			.map((atMs) => ({ atMs, personId: freeAt(task, atMs) }));
	});
	assert.ok(marks.length > 0);
	const everything = attended.length + plan.ovens.length + marks.length + plan.deliveries.length;
	const events = (text: string) =>
		new ICAL.Component(ICAL.parse(text) as unknown[])
			.getAllSubcomponents('vevent')
			.map((event) => ({
				event: new ICAL.Event(event),
				alarms: event.getAllSubcomponents('valarm').length
			}));

	const all = await fetched(page, `${DAY}/plan.ics`);
	const inAll = events(all.text);
	assert.equal(inAll.length, everything);
	assert.ok(inAll.every(({ alarms }) => alarms === 1));
	assert.deepEqual(
		inAll.map(({ event }) => event.startDate.toJSDate().getTime()).sort((a, b) => a - b),
		[
			...attended.map(({ fromMs }) => fromMs),
			...plan.deliveries.map(({ fromMs }) => fromMs),
			...plan.ovens.map(({ atMs }) => atMs),
			...marks.map(({ atMs }) => atMs)
		].sort((a, b) => a - b)
	);

	const maud = input.people?.find(({ name }) => name === 'Maud Tarrow');
	assert.ok(maud);
	const hers =
		attended.filter(({ personIds }) => personIds.includes(maud.id)).length +
		marks.filter(({ personId }) => personId === maud.id).length;
	assert.ok(marks.some(({ personId }) => personId === maud.id));
	await says(page, `[data-subscription="${maud.id}"]`, `${bakery.origin}/calendar/${maud.id}`);
	const followed = await fetched(page, `/calendar/${maud.id}`);
	assert.equal(events(followed.text).length, hers);
	assert.equal((await fetched(page, `${DAY}/plan.ics?who=nobody`)).status, 404);
	assert.equal(events((await fetched(page, '/calendar/nobody')).text).length, 0);

	const table = await fetched(page, `${DAY}/plan.csv`);
	const lines = table.text.trimEnd().split('\r\n');
	assert.equal(lines.length, everything + 1);
	assert.ok(
		lines[0]?.endsWith(
			'day,time,to,begins (UTC),ends (UTC),station,what,detail,machine,who,caution'
		)
	);
	assert.ok(lines.some((line) => /^2026-11-24,\d\d:\d\d,.*Load Harbour loaf/.test(line)));
});

journey(
	'what is cut from a sheet stands on the paper for the table, drawn, with its trim',
	async (bakery) => {
		const { page, database } = bakery;
		await acceptBeside(bakery);
		const stick = demoId('product', 'Ferry stick');
		const content = await productContent(database.db, stick);
		await sendBeside(bakery, {
			kind: 'save-product',
			...content,
			sheet: {
				cut: { kind: 'strips', widthCm: 4, lengthCm: 46 },
				edgeCm: 1,
				mostWidthCm: 50,
				mostLengthCm: 180,
				gramsPerCubicCm: null,
				filledFirst: false,
				trimGoes: 'next-dough'
			}
		});
		await visit(bakery, `${DAY}/run-sheet/sheeting`);
		const paper = await says(
			page,
			'[data-rolled="Ferry stick"]',
			'Strips of 4 × 46 cm',
			'goes into the next dough',
			'is assumed'
		);
		const [, pieces, sheets, , each] =
			/^Ferry stick · (\d+) ?(?:(\d+) sheets, each|One sheet) ([\d.]+) × 48 cm at [\d.]+ mm: (\d+) pieces/.exec(
				paper
			) ?? [];
		assert.ok(Number(pieces) > 0, paper);
		assert.ok(Number(each) * Number(sheets ?? 1) >= Number(pieces), paper);
		const drawn = await page.$$eval('[data-sheet-drawing] polygon', (all) => all.length);
		assert.equal(drawn, Number(each), 'every piece of a sheet is drawn');
		assert.deepEqual(await accessibilityFaults(page), []);
	}
);
