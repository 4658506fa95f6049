import assert from 'node:assert/strict';
import { setClock } from '../../src/lib/server/db/bakery.ts';
import { demoClock } from '../../src/lib/server/demo/demo-clock.ts';
import { readBenchMoment } from '../../src/lib/server/services/read-bench.ts';
import { workStates, type WorkState } from '../../src/lib/core/bench/index.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { workList } from '../../src/lib/wording/work-list.ts';
import { clockText } from '../../src/lib/wording/time-text.ts';
import { TOMORROW } from '../integration/test-database.ts';
import { acceptBeside } from './accepted-night.ts';
import { inHand, press, wallOf } from './at-the-bench.ts';
import {
	AFTERNOON,
	byName,
	journey,
	says,
	SIZES,
	textOf,
	type,
	visit,
	type Bakery
} from './bakery.ts';
import { accessibilityFaults } from './page-faults.ts';

const BENCH = `/bake/${TOMORROW}/bench`;
const SENTENCE = '[data-room-sentence]';
const ZONE = 'Europe/London';

/** Lets the bakery's wall show a time, and looks again. */
async function at(bakery: Bakery, wall: string, address = BENCH): Promise<void> {
	await setClock(bakery.database.db, demoClock(wall, Date.now()));
	await visit(bakery, address);
}
/** Where a work stands in the database: what is tapped is seen at once, and stored a moment later. */
async function stored(
	{ database }: Bakery,
	{ key }: { readonly key: string },
	kind: WorkState['kind']
) {
	for (let look = 0; look < 2000; look += 1) {
		const state = workStates((await readBenchMoment(database.db, TOMORROW)).entries).get(key);
		if (state?.kind === kind) return state;
	}
	return assert.fail(`${key} is not stored as ${kind}`);
}

journey(
	'a night at the bench: begun, done, put off, forgotten and told later, taken back, seen on every screen',
	async (bakery) => {
		const { page } = bakery;
		const { plan, input } = await acceptBeside(bakery, 'ahead');
		const list = workList(plan, input);
		const [first, second, third] = list;
		assert.ok(first && second && third);
		await page.setViewport(SIZES.tablet);
		await visit(bakery, BENCH);
		await says(page, SENTENCE, 'Nothing now. Next at', first.what);
		await says(page, '[data-when]', 'in');
		assert.deepEqual(await accessibilityFaults(page), []);

		// Its time comes: one tap begins, on this screen and on the other.
		await at(bakery, wallOf(first.atMs + 60_000));
		await says(page, SENTENCE, `Now: ${first.what}`);
		const other = await bakery.reopen();
		await other.goto(`${bakery.origin}${BENCH}`);
		await other.waitForSelector('html[data-ready=yes]');
		await press(page, 'Begin');
		await inHand(page, first.what, 'begun');
		await inHand(other, first.what, 'begun');
		await says(other, '[data-when]', 'to go');
		await other.waitForSelector(`[data-work="${first.what}"][data-work-state=begun]`);
		// One tap ends it, on the other: this one goes to what is next.
		await press(other, 'Done');
		await inHand(page, second.what, 'open');
		await page.waitForSelector(`[data-work="${first.what}"][data-work-state=done]`);
		await stored(bakery, first, 'done');
		// A slip of the hand is taken back within the minute, by anybody; this screen's clock may be a tick behind that tap.
		await page.waitForSelector('.undo');
		const undo = (await textOf(page, '.undo')).trim();
		assert.match(undo, new RegExp(`^Undo: ${first.what}, done `));
		await press(page, undo);
		await inHand(other, first.what, 'begun');
		await press(other, 'Done');
		await inHand(page, second.what, 'open');

		// Late, because: told with its reason, and it is due again then.
		await at(bakery, wallOf(second.atMs + 7 * 60_000));
		await says(page, SENTENCE, second.what, '7 min late');
		await press(page, 'Not yet');
		await press(page, 'no hands free');
		await press(page, 'In 10 min');
		await page.waitForSelector(`[data-work="${second.what}"][data-work-state=put-off]`);
		await says(page, `[data-work="${second.what}"]`, 'in 10 min', 'no hands free');
		// It was forgotten, not late: told with the time at which it was really done.
		await page.click(`[data-work="${second.what}"]`);
		await press(page, 'Not yet');
		await type(page, 'It was done at', clockText(second.atMs + 6 * 60_000, ZONE), 'Tab');
		await press(page, 'Write that down');
		await page.waitForSelector(`[data-work="${second.what}"][data-work-state=done]`);
		await other.bringToFront();
		await other.waitForSelector(`[data-work="${second.what}"][data-work-state=done]`);
		const told = await stored(bakery, second, 'done');
		assert.equal(told.kind === 'done' ? told.toMs : told, second.atMs + 6 * 60_000);
		await page.bringToFront();
		for (const size of [SIZES.tablet, SIZES.desk]) {
			await page.setViewport(size);
			assert.deepEqual(await accessibilityFaults(page), []);
		}
		// The night as it went stands in the log, with why, and with what was taken back.
		await visit(bakery, `/bake/${TOMORROW}/log`);
		await says(page, SENTENCE, `2 of ${list.length} things are done`);
		await says(page, `[data-logged-work="${second.what}"]`, 'no hands free', 'Maud Tarrow');
		await says(page, '[data-struck]', `${first.what}: done`, 'taken back', 'Maud Tarrow');
		assert.deepEqual(await accessibilityFaults(page), []);
	},
	AFTERNOON
);

journey(
	'what is tapped as its page goes is stored all the same',
	async (bakery) => {
		const { page } = bakery;
		const { plan, input } = await acceptBeside(bakery, 'ahead');
		const [first] = workList(plan, input);
		assert.ok(first);
		await at(bakery, wallOf(first.atMs + 60_000));
		for (const [tap, kind] of [
			['Begin', 'begun'],
			['Done', 'done']
		] as const) {
			const button = await byName(page, 'button', tap);
			await page.waitForFunction((one) => !(one as HTMLButtonElement).disabled, {}, button);
			// Of one breath: nothing of the tap has reached the network yet, nor the storage.
			const [left] = await Promise.all([
				page.waitForNavigation(),
				button.evaluate((one) => {
					(one as HTMLButtonElement).click();
					location.assign('about:blank');
				})
			]);
			assert.equal(left, null);
			await stored(bakery, first, kind);
			await visit(bakery, BENCH);
		}
	},
	AFTERNOON
);

journey(
	'at the bench with the server gone: what is tapped is seen, kept and stored when it is back; what is due sounds by station',
	async (bakery) => {
		const { page } = bakery;
		const { plan, input } = await acceptBeside(bakery, 'ahead');
		const list = workList(plan, input);
		const [first] = list;
		assert.ok(first);
		await at(bakery, wallOf(first.atMs + 120_000));
		// The mixers sound here: what is due rings until somebody begins it.
		await page.click('summary');
		await press(page, 'Mixer');
		await page.waitForFunction(
			() => Number(document.querySelector<HTMLElement>('[data-ringing]')?.dataset.ringing) > 0
		);
		await bakery.stop();
		await press(page, 'Begin');
		await inHand(page, first.what, 'begun');
		await page.waitForSelector('[data-ringing="0"]');
		await says(page, '[data-outbox]', first.what);
		// The tab is closed, and another opened: nothing is lost.
		await bakery.start();
		const again = await bakery.reopen();
		await page.close();
		await again.goto(`${bakery.origin}${BENCH}`);
		await inHand(again, first.what, 'begun');
		await again.waitForFunction(() => document.querySelector('[data-outbox]') === null);
		await again.waitForSelector(`[data-work="${first.what}"][data-work-state=begun]`);
		await stored(bakery, first, 'begun');
		assert.ok((await again.$$('[aria-pressed=true]')).length <= 1);
		await says(again, '.sound summary', 'Sounds for mixer');
	},
	AFTERNOON
);

journey(
	'a mix that comes out late: measured where it is mixed, its folds follow, the night is planned again from the taps and accepted',
	async (bakery) => {
		const { page } = bakery;
		const { plan, input } = await acceptBeside(bakery, 'ahead');
		const list = workList(plan, input);
		const mix = list.find(({ measure, batch }) => measure === 'dough' && batch?.kind === 'mix');
		assert.ok(mix);
		const fold = list.find(
			({ kind, batch }) =>
				(kind === 'fold' || kind === 'move') &&
				batch?.kind === 'mix' &&
				mix.batch?.kind === 'mix' &&
				batch.formulaId === mix.batch.formulaId &&
				batch.ordinal === mix.batch.ordinal
		);
		assert.ok(fold);
		const lateMs = 25 * 60_000;
		await at(bakery, wallOf(mix.endMs + lateMs), `${BENCH}/mixer`);
		await page.click(`[data-work="${mix.what}"]`);
		await inHand(page, mix.what, 'open');
		const begins = await page.$('::-p-aria([name="Begin"][role="button"])');
		if (begins) await press(page, 'Begin');
		await press(page, 'Dough is ... °');
		await type(page, `${mix.what}: dough is`, '26.4', 'Tab');
		await press(page, 'Out of the mixer, and kept');
		await page.waitForSelector(`[data-work="${mix.what}"][data-work-state=done]`);
		const { mixed } = await readBenchMoment(bakery.database.db, TOMORROW);
		assert.equal(mixed.length, 1);
		await visit(bakery, BENCH);
		const dueText = await textOf(page, `[data-work="${fold.what}"] .time`);
		assert.equal(dueText, clockText(fold.atMs + lateMs, ZONE), 'it follows the real mix');
		await visit(bakery, `/bake/${TOMORROW}/plan?from=taps`);
		await says(page, '[data-difference]', 'Against version 1');
		await says(page, '[data-room-note]', 'version 1', 'is taken as done');
		// The better plan stands still before it is accepted.
		await page.waitForFunction(
			() => !/Still looking/.test(document.querySelector('[data-room-note]')?.textContent ?? '')
		);
		await press(page, 'Accept this plan');
		await page.waitForSelector('[data-accepted]');
		await visit(bakery, BENCH);
		await page.waitForSelector(`[data-work="${mix.what}"][data-work-state=done]`);
		const again = (await readPlan(bakery.database.db, TOMORROW)).accepted;
		assert.equal(again?.number, 2);
		const { plan: now } = again.document;
		const stood = now.tasks.find(({ id }) => id === mix.taskId);
		assert.equal(
			Math.round(((stood?.endMs ?? 0) - mix.endMs) / 60_000),
			25,
			'it stands where it was'
		);
	},
	AFTERNOON
);

journey(
	'at the oven: loaded with its stone read, steam asked for before all else, a core that says when it is done, drawn',
	async (bakery) => {
		const { page } = bakery;
		const { plan, input } = await acceptBeside(bakery, 'ahead');
		const list = workList(plan, input);
		const steam = list.find(({ kind }) => kind === 'steam');
		const load = list.find(({ kind, taskId }) => kind === 'load' && taskId === steam?.taskId);
		const draw = list.find(({ kind, taskId }) => kind === 'draw' && taskId === steam?.taskId);
		assert.ok(steam && load && draw);
		const OVEN = `${BENCH}/oven`;
		await at(bakery, wallOf(load.atMs + 60_000), OVEN);
		await page.click(`[data-work="${load.what}"]`);
		await inHand(page, load.what, 'open');
		await type(page, 'Stone read now', '238', 'Tab');
		await press(page, 'Done');
		// Steam comes first: nobody has to think of it.
		await inHand(page, steam.what, 'open');
		await says(page, '[data-caution]', 'Steam burns');
		await says(page, `[data-work="${load.what}"]`, 'done', '238 °C');
		const loaded = await stored(bakery, load, 'done');
		assert.ok(loaded.kind === 'done', load.key);
		await at(bakery, wallOf(loaded.toMs + 3 * 60_000), OVEN);
		await says(page, SENTENCE, steam.what, 'late');
		await press(page, 'Done');
		await page.waitForSelector(`[data-work="${steam.what}"][data-work-state=done]`);
		// Near its end a core tells how long it still is.
		await at(bakery, wallOf(draw.atMs - 5 * 60_000), OVEN);
		const more = await page.$$('.more');
		for (const button of more) await button.click();
		await page.click(`[data-work="${draw.what}"]`);
		await inHand(page, draw.what, 'open');
		await type(page, 'Core read now', '93', 'Tab');
		await says(page, '[data-done-at]', 'Done about', 'more');
		assert.deepEqual(await accessibilityFaults(page), []);
		await type(page, 'Core read now', '97', 'Tab');
		await press(page, 'Begin');
		await inHand(page, draw.what, 'begun');
		await press(page, 'Done');
		await page.waitForSelector(`[data-work="${draw.what}"][data-work-state=done]`);
		await says(page, `[data-work="${draw.what}"]`, '97 °C');
		// How it coloured and how it sounded is one tap each.
		await page.click(`[data-work="${draw.what}"]`);
		for (const [label, name] of [
			['Crust', 'golden'],
			['Knocked from below it sounds', 'hollow']
		] as const) {
			await page.waitForSelector(`[aria-label="${label}"]`);
			await press(page, name);
			await page.waitForFunction(
				(label, name) =>
					document
						.querySelector(`[aria-label="${label}"] [aria-pressed=true]`)
						?.textContent?.trim() === name,
				{},
				label,
				name
			);
		}
		assert.deepEqual(await accessibilityFaults(page), []);

		// On the bench pieces are looked at before they are shaped: what runs is pre-shaped once more, and asked for later.
		const shape = list.find(
			({ taskId, atMs }) =>
				atMs > draw.endMs &&
				plan.tasks.some(
					({ id, step }) => id === taskId && step.kind === 'hands-on' && step.activity === 'shape'
				)
		);
		assert.ok(shape, 'something is shaped after it');
		await at(bakery, wallOf(shape.atMs), `${BENCH}/bench`);
		await page.click(`[data-work="${shape.what}"]`);
		await inHand(page, shape.what, 'open');
		await press(page, 'Look at it');
		await (await page.waitForSelector('[data-seen="spread:runs"]'))?.click();
		await says(page, '[data-can-be-done]', 'pre-shape it once more');
		assert.deepEqual(await accessibilityFaults(page), []);
		await press(page, 'Pre-shape again');
		const later = await stored(bakery, shape, 'put-off');
		assert.ok(later.kind === 'put-off', shape.key);
		assert.equal(later.because, 'pre-shape again');
		await says(page, `[data-work="${shape.what}"]`, 'in 15 min', 'pre-shape again');
		const { results } = await readBenchMoment(bakery.database.db, TOMORROW);
		assert.deepEqual(
			results.map(({ told }) =>
				told.kind === 'judged'
					? [told.at, told.decision]
					: told.kind === 'drawn'
						? [told.browning, told.sound]
						: [told.kind]
			),
			[
				['golden', null],
				[null, 'hollow'],
				['rest', 'pre-shape-again']
			]
		);

		// As it went: what was told is drawn solid, and a stretch tells its times.
		await visit(bakery, `/bake/${TOMORROW}/log`);
		const drawn = `[data-went] [data-segment^="${draw.taskId}#"]`;
		await page.waitForSelector(drawn);
		await page.click(drawn);
		await says(page, '[data-went-chosen]', load.what, draw.what, 'planned', 'done');
		assert.deepEqual(await accessibilityFaults(page), []);
	},
	AFTERNOON
);
