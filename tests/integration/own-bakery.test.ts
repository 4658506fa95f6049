import { test } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { FIRST_DECK, FIRST_MIXER, FIRST_OVEN } from '../../src/lib/core/bakery/index.ts';
import { id } from '../../src/lib/core/identity.ts';
import { REAL_TIME, type WallTime } from '../../src/lib/core/time/index.ts';
import type { CommandContent } from '../../src/lib/contracts/commands.ts';
import { STARTERS } from '../../src/lib/contracts/starters.ts';
import { readBakeryRoom } from '../../src/lib/server/services/read-bakery-room.ts';
import { readDoughs } from '../../src/lib/server/services/read-doughs.ts';
import { readFrame } from '../../src/lib/server/services/read-frame.ts';
import { readNextBake } from '../../src/lib/server/services/read-bakery.ts';
import { readOrders } from '../../src/lib/server/services/read-orders.ts';
import { headBaker } from '../../src/lib/server/auth/actor.ts';
import { NOBODY } from '../../src/lib/server/auth/visitor.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { emptyBakery } from './empty-bakery.ts';
import { ALWAYS } from './entry-content.ts';
import { judgePlacement } from '../../src/lib/core/planning/index.ts';
import { heldPlacement, newPlacement } from './placement.ts';
import { NOW_MS, TOMORROW } from './test-database.ts';
import { loadClock } from '../../src/lib/server/db/bakery.ts';

test('a bakery begins once, with who heads it, a room, bins and hands; nothing else is in it', async () => {
	const { db, drop, say, found } = await emptyBakery();
	try {
		assert.equal(await readFrame(db, NOBODY), null);
		const early = await say(
			{ kind: 'set-units', mass: 'metric', temperature: 'celsius' },
			'founder'
		);
		assert.ok(early.outcome === 'refused' && early.refusal.kind === 'not-permitted');
		assert.equal((await found()).outcome, 'done');
		const second = await found();
		assert.ok(second.outcome === 'refused' && second.refusal.kind === 'bakery-is-there');
		const actor = await headBaker(db);
		const frame = await readFrame(db, { actor, session: null });
		assert.deepEqual(frame?.actor, {
			id: actor?.id,
			name: 'Wren Ashby',
			role: 'head-baker',
			at: 'desk',
			isKeyless: false
		});
		const room = await readBakeryRoom(db, TOMORROW);
		assert.deepEqual(
			Object.entries(room.counts).filter(([, count]) => count > 0),
			[
				['person', 1],
				['mixer', 1],
				['place', 2]
			]
		);
		assert.deepEqual(
			room.steps.filter(({ isDone }) => isDone).map(({ key }) => key),
			['bakery']
		);
		assert.deepEqual(await readNextBake(db, { epochMs: NOW_MS }), {
			date: TOMORROW,
			hasDrops: false
		});
		const orders = await readOrders(db, TOMORROW);
		assert.deepEqual([orders.products, orders.drops, orders.cells], [[], [], []]);
		assert.deepEqual((await readPlan(db, TOMORROW)).input.doughs, []);
	} finally {
		await drop();
	}
});

test('every plain formula begins once, with its ingredients and its product, and can be made by hand or machine', async () => {
	const { db, drop, say, found } = await emptyBakery();
	try {
		await found();
		const dropId = randomUUID();
		const shop = await say({
			...ALWAYS,
			entryId: dropId,
			entryKind: 'drop',
			name: 'Shop',
			content: {
				dueTime: '07:00' as WallTime,
				weekdays: [1, 2, 3, 4, 5, 6, 7],
				pickingMinutes: 10,
				loadingMinutes: 0,
				roadMinutes: 0,
				cutOff: null
			}
		});
		assert.equal(shop.outcome, 'done');
		for (const starter of STARTERS) {
			const productId = randomUUID();
			const begun = {
				kind: 'begin-starter' as const,
				starter,
				formulaId: id(randomUUID()),
				name: `${starter} dough`,
				productId: id(productId),
				productName: `${starter} piece`
			};
			assert.equal((await say(begun)).outcome, 'done', starter);
			const twice = await say({
				...begun,
				formulaId: id(randomUUID()),
				productId: id(randomUUID())
			});
			assert.ok(twice.outcome === 'refused' && twice.refusal.kind === 'name-taken');
			const ordered = await say({
				kind: 'change-order',
				date: TOMORROW,
				dropId,
				productId,
				pieces: 24,
				expectedVersion: 0
			});
			assert.equal(ordered.outcome, 'done');
		}
		const oven = {
			...ALWAYS,
			entryId: randomUUID(),
			entryKind: 'oven' as const,
			name: 'Oven',
			content: {
				...FIRST_OVEN,
				decks: [{ ...FIRST_DECK, id: randomUUID(), name: 'Deck 1' }]
			}
		};
		const before = await readPlan(db, TOMORROW);
		assert.deepEqual(
			before.input.products.map(({ deckIds }) => deckIds.length),
			[0, 0, 0, 0, 0],
			'without an oven nothing is loaded'
		);
		assert.equal((await say(oven)).outcome, 'done');
		const { production, lines } = await (async () => {
			const doughs = await readDoughs(db, TOMORROW);
			return { ...doughs, lines: doughs.production.doughs.length };
		})();
		assert.equal(lines, STARTERS.length);
		assert.deepEqual(production.unmade, []);
		const { input } = await readPlan(db, TOMORROW);
		assert.ok(
			input.products.every(
				({ piecesPerDeck, deckIds }) => piecesPerDeck > 0 && deckIds.length === 1
			)
		);
		assert.equal(input.drops[0]?.readyByMs, (input.drops[0]?.dueMs ?? 0) - 10 * 60_000);
		const placed = newPlacement(input);
		assert.ok(placed.plan.placed.length > 20, `${placed.plan.placed.length}`);
		// One flour, one water and one salt for all five.
		const { rows } = await sql<{ name: string }>`select name from ingredient order by name`.execute(
			db
		);
		assert.deepEqual(
			rows.map(({ name }) => name),
			[
				'Bread flour',
				'Butter',
				'Fresh yeast',
				'Milk',
				'Salt',
				'Sugar',
				'Water',
				'Wheat culture',
				'Wholemeal wheat'
			]
		);
	} finally {
		await drop();
	}
});

test('a bakery of 2 500 loaves a day can be entered, and its orders give doughs, mixes and a plan that holds', async () => {
	const { db, drop, say, found } = await emptyBakery();
	try {
		await found();
		const enter = async (entry: object) => {
			const draft = { ...ALWAYS, entryId: randomUUID(), ...entry } as {
				readonly kind: 'save-entry';
			} & CommandContent<'save-entry'>;
			const outcome = await say(draft);
			assert.equal(outcome.outcome, 'done', JSON.stringify(outcome));
		};
		for (const [name, least, most] of [
			['Small mixer', 5000, 40_000],
			['Middle mixer', 20_000, 80_000],
			['Large mixer', 60_000, 200_000]
		] as const)
			await enter({
				entryKind: 'mixer',
				name,
				content: { ...FIRST_MIXER, leastGrams: least, mostGrams: most }
			});
		for (const name of ['North oven', 'Middle oven', 'South oven'])
			await enter({
				entryKind: 'oven',
				name,
				content: {
					...FIRST_OVEN,
					loader: true,
					decks: [1, 2, 3, 4].map((deck) => ({
						...FIRST_DECK,
						id: randomUUID(),
						name: `Deck ${deck}`,
						lengthCm: 240,
						widthCm: 180
					}))
				}
			});
		await enter({
			entryKind: 'divider',
			name: 'Press of 24',
			content: { heads: 24, leastPieceGrams: 200, mostPieceGrams: 1200 }
		});
		for (let person = 2; person <= 13; person += 1)
			await enter({
				entryKind: 'person',
				name: `Hand ${person}`,
				content: {
					role: 'baker',
					skills: ['mixing', 'shaping', 'oven', 'packing'],
					// Five by day, the others by night.
					shifts: [
						{
							weekday: 1,
							from: person < 7 ? '14:00' : '20:00',
							minutes: 600,
							breaks: []
						}
					],
					exceptions: [],
					pacePercent: 100
				}
			});
		const dropId = randomUUID();
		await enter({
			entryId: dropId,
			entryKind: 'drop',
			name: 'Vans',
			content: {
				dueTime: '06:00',
				weekdays: [2],
				pickingMinutes: 30,
				loadingMinutes: 20,
				roadMinutes: 0
			}
		});
		const productId = randomUUID();
		await say({
			kind: 'begin-starter',
			starter: 'hearth',
			formulaId: id(randomUUID()),
			name: 'White dough',
			productId: id(productId),
			productName: 'White loaf'
		});
		const ordered = await say({
			kind: 'change-order',
			date: TOMORROW,
			dropId,
			productId,
			pieces: 2500,
			expectedVersion: 0
		});
		assert.equal(ordered.outcome, 'done');
		const plan = await readPlan(db, TOMORROW);
		const [dough] = (await readDoughs(db, TOMORROW)).production.doughs;
		assert.ok(dough);
		const grams = dough.mixes.map((mix) => mix.dough.value);
		const inAll = grams.reduce((sum, one) => sum + one, 0);
		assert.ok(inAll >= 2500 * 900 && inAll < 2500 * 900 * 1.05, `${inAll}`);
		assert.ok(Math.max(...grams) <= 200_000 && grams.length >= 12, `${grams.length} mixes`);
		assert.equal(plan.input.bakery.ovens.flatMap(({ decks }) => decks).length, 12);
		assert.equal(plan.input.products[0]?.piecesPerDeck, 48, '8 by 6 on 240 x 180 cm');
		assert.ok(plan.roster && new Set(plan.roster.map(({ name }) => name)).size === 12);
		const told = judgePlacement(plan.input, heldPlacement(plan.input, 120));
		assert.deepEqual(told.violations, []);
		assert.deepEqual([told.plan.cautions, told.plan.unplaced], [[], []]);
		const [vans] = told.plan.drops;
		assert.ok(vans?.readyMs && vans.readyMs <= vans.readyByMs, 'all of it is packed in time');
		const baked = told.plan.tasks.reduce(
			(sum, { step, batch }) =>
				sum + (step.kind === 'bake' && batch.kind === 'load' ? batch.pieces : 0),
			0
		);
		assert.ok(baked >= 2500, `${baked} are baked`);
	} finally {
		await drop();
	}
});

test('the clock of a bakery that is not begun is the real one', async () => {
	const { db, drop } = await emptyBakery();
	try {
		assert.deepEqual(await loadClock(db), REAL_TIME);
	} finally {
		await drop();
	}
});
