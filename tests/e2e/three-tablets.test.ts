import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { setClock } from '../../src/lib/server/db/bakery.ts';
import { demoClock } from '../../src/lib/server/demo/demo-clock.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { workList } from '../../src/lib/wording/work-list.ts';
import { TOMORROW } from '../integration/test-database.ts';
import { acceptBeside } from './accepted-night.ts';
import { wallOf } from './at-the-bench.ts';
import { AFTERNOON, byName, journey } from './bakery.ts';
import { lettersIn, putLetters, type KeptLetter } from './letters.ts';
import { isKeptHere, pairedTablet } from './tablet.ts';

const BENCH = `/bake/${TOMORROW}/bench`;
const HOURS_MS = 8 * 3_600_000;
const ENTRIES = 500;
const HANDS = ['Ilo Venn', 'Perrin Oake'] as const;

journey(
	'three tablets without a network for eight hours, five hundred entries: each arrives once, in order, as whose hands it was in',
	async (bakery) => {
		const { database } = bakery;
		const { plan, input } = await acceptBeside(bakery, 'ahead');
		const works = workList(plan, input);
		const beganMs = works[0]!.atMs;
		await setClock(database.db, demoClock(wallOf(beganMs + 60_000), Date.now()));
		const tablets = [];
		for (const name of ['Mixer tablet', 'Bench tablet', 'Oven tablet']) {
			const tablet = await pairedTablet(bakery, name);
			for (const hands of HANDS) await tablet.takeUp(hands);
			await isKeptHere(tablet.page, BENCH);
			tablets.push(tablet);
		}
		const typed: KeptLetter[][] = [];
		for (const [at, tablet] of tablets.entries()) {
			const { page } = tablet;
			await page.bringToFront();
			await tablet.cut();
			// One is really tapped: the others are written as the page writes them, over eight hours, by two pairs of hands.
			const own = works.filter((_, place) => place % tablets.length === at);
			await page.click(`[data-work="${own[0]!.what}"]`);
			const begin = await byName(page, 'button', 'Begin');
			await page.waitForFunction((one) => !(one as HTMLButtonElement).disabled, {}, begin);
			await begin.click();
			await page.waitForSelector('[data-outbox]');
			const [tapped] = await lettersIn(page);
			assert.ok(tapped);
			const acts = own.flatMap(({ key, taskId }) => [
				{ ...tapped.draft, work: key, taskId, act: 'begun' },
				{ ...tapped.draft, work: key, taskId, act: 'ended' }
			]);
			const count = Math.floor((ENTRIES + at) / tablets.length) - 1;
			const letters = Array.from({ length: count }, (_, place) => {
				const hands = HANDS[place % HANDS.length]!;
				const draft = acts[place + 1] ?? {
					kind: 'take-reading',
					quantity: 'room',
					preparationId: null,
					celsius: 20 + (place % 60) / 10,
					instrument: 'typed',
					correctsId: null
				};
				const occurredAtMs = Math.round(beganMs + 120_000 + (place * HOURS_MS) / count);
				return {
					...tapped,
					id: randomUUID(),
					place: tapped.place + 1 + place,
					byId: demoId('person', hands),
					byName: hands,
					draft: { ...draft, occurredAtMs }
				};
			});
			await putLetters(page, letters);
			typed.push([tapped, ...letters]);
		}
		assert.equal(typed.flat().length, ENTRIES);

		await setClock(database.db, demoClock(wallOf(beganMs + HOURS_MS + 300_000), Date.now()));
		for (const tablet of tablets) {
			await tablet.mend();
			await tablet.page.bringToFront();
			await tablet.page.goto(`${bakery.origin}${BENCH}`);
			// A second page of the same tablet finds the same letters, and sends them too.
			const beside = await tablet.page.browserContext().newPage();
			await beside.goto(`${bakery.origin}${BENCH}`);
		}
		for (const { page } of tablets) {
			await page.bringToFront();
			await page.waitForFunction(
				() => document.documentElement.dataset.ready && !document.querySelector('[data-outbox]'),
				{ timeout: 400_000, polling: 500 }
			);
			assert.deepEqual(await lettersIn(page), []);
		}
		for (const [at, letters] of typed.entries()) {
			const ids = letters.map(({ id }) => id);
			const stored = await database.db
				.selectFrom('command')
				.innerJoin('bakery_entry', 'bakery_entry.id', 'command.actor_id')
				.select(['command.id', 'command.occurred_at', 'bakery_entry.name'])
				.where('command.id', 'in', ids)
				.orderBy('command.recorded_at')
				.execute();
			assert.deepEqual(
				stored.map(({ id }) => id),
				ids,
				`tablet ${at + 1}: each once, in the order in which it was done`
			);
			assert.deepEqual(
				stored.slice(1).map(({ name }) => name),
				letters.slice(1).map((_, place) => HANDS[place % HANDS.length])
			);
			assert.deepEqual(
				stored.map(({ occurred_at }) => occurred_at.getTime()),
				letters.map(({ draft }) => draft.occurredAtMs)
			);
		}
		const readings = typed.flat().filter(({ draft }) => draft.kind === 'take-reading').length;
		const { count } = await database.db
			.selectFrom('reading')
			.select(({ fn }) => fn.countAll<string>().as('count'))
			.where(
				'command_id',
				'in',
				typed.flat().map(({ id }) => id)
			)
			.executeTakeFirstOrThrow();
		assert.ok(readings > 100, 'enough readings');
		assert.equal(Number(count), readings);
		for (const tablet of tablets) await tablet.close();
	},
	AFTERNOON
);
