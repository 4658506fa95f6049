import { test, after } from 'node:test';
import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import { sql } from 'kysely';
import { FIRST_DECK, FIRST_MIXER } from '../../src/lib/core/bakery/index.ts';
import { addDays, type BakeDate } from '../../src/lib/core/time/index.ts';
import { readCommand } from '../../src/lib/server/commands/door.ts';
import { loadEntries } from '../../src/lib/server/db/entries.ts';
import { demoId } from '../../src/lib/server/demo/demo-id.ts';
import { readDoughs } from '../../src/lib/server/services/read-doughs.ts';
import { readEntries } from '../../src/lib/server/services/read-entries.ts';
import { readBakeryRoom } from '../../src/lib/server/services/read-bakery-room.ts';
import { readNextBake } from '../../src/lib/server/services/read-bakery.ts';
import { readOrders } from '../../src/lib/server/services/read-orders.ts';
import { readPlan } from '../../src/lib/server/services/read-plan.ts';
import { readProduct } from '../../src/lib/server/services/read-product.ts';
import { ALWAYS, entryOf } from './entry-content.ts';
import { newPlacement } from './placement.ts';
import { LOAF, NOW_MS, send, testDatabase, TOMORROW } from './test-database.ts';

const t = await testDatabase();
after(t.drop);

const refused = async (draft: Parameters<typeof send>[1]) => {
	const outcome = await send(t.db, draft as never);
	assert.equal(outcome.outcome, 'refused', JSON.stringify(outcome));
	return outcome.outcome === 'refused' ? outcome.refusal.kind : null;
};
const done = async (draft: Parameters<typeof send>[1]) => {
	const outcome = await send(t.db, draft as never);
	assert.equal(outcome.outcome, 'done', JSON.stringify(outcome));
};
const scale = (change: object = {}) => ({
	...ALWAYS,
	entryId: randomUUID(),
	entryKind: 'scale' as const,
	name: 'Shelf scale',
	content: { capacityGrams: 3000, divisionGrams: 0.5 },
	...change
});

test('what is changed applies from its date on, and what was before stands in the history', async () => {
	const first = scale({ appliesFrom: '2026-11-01' });
	await done(first);
	await done({
		...first,
		expectedNumber: 1,
		name: 'New shelf scale',
		appliesFrom: addDays(TOMORROW, 7),
		content: { capacityGrams: 5000, divisionGrams: 1 }
	});
	const on = async (date: BakeDate) =>
		(await loadEntries(t.db, date))
			.of('scale')
			.filter((entry) => entry.id === first.entryId)
			.map(({ name, content }) => [name, content.capacityGrams]);
	assert.deepEqual(await on(addDays(TOMORROW, -60)), [], 'it was not there then');
	assert.deepEqual(await on(TOMORROW), [['Shelf scale', 3000]]);
	assert.deepEqual(await on(addDays(TOMORROW, 7)), [['New shelf scale', 5000]]);
	const { entries, history } = await readEntries(t.db, TOMORROW, 'scale');
	const standing = entries.find(({ entry }) => entry.id === first.entryId);
	assert.equal(standing?.lastNumber, 2);
	assert.equal(standing.changesFrom, addDays(TOMORROW, 7));
	assert.deepEqual(
		history.filter((each) => each.id === first.entryId).map(({ number, by }) => [number, by]),
		[
			[2, 'Maud Tarrow'],
			[1, 'Maud Tarrow']
		]
	);
	await assert.rejects(
		sql`update bakery_entry_revision set retired = true`.execute(t.db),
		/append-only/
	);
});

test('the second of two editors is told, a name is its own, and what cannot be is said', async () => {
	const one = scale({ name: 'Pantry scale' });
	await done(one);
	await done({ ...one, expectedNumber: 1 });
	assert.equal(await refused({ ...one, expectedNumber: 1 }), 'newer-revision');
	assert.equal(await refused(scale({ name: 'Pantry scale' }) as never), 'name-taken');
	assert.equal(await refused(scale({ name: 'pantry-scale' }) as never), 'name-alike');
	assert.equal(
		await refused(
			scale({ name: 'Odd', content: { capacityGrams: 10, divisionGrams: 20 } }) as never
		),
		'entry-impossible'
	);
	assert.equal(await refused(scale({ expectedNumber: 3, name: 'Never' }) as never), 'unknown');
	assert.equal(
		await refused({
			...scale({ entryId: one.entryId, expectedNumber: 2, name: 'A bench now' }),
			entryKind: 'bench',
			content: { lengthCm: 200, widthCm: 80, hands: 2 }
		} as never),
		'unknown',
		'a scale never becomes a bench'
	);
	const malformed = readCommand({
		...scale({ content: { capacityGrams: Number.NaN, divisionGrams: '1' } }),
		id: randomUUID(),
		occurredAtMs: NOW_MS
	});
	assert.ok(!malformed.ok && malformed.error.kind === 'malformed');
	assert.ok(malformed.error.problems.some(({ where }) => where.startsWith('content.')));
});

test('the last head baker stays, and a deck belongs to one oven', async () => {
	const maud = await entryOf(t.db, 'person', 'Maud Tarrow');
	assert.equal(await refused({ ...maud, retired: true }), 'entry-needed');
	const oven = await entryOf(t.db, 'oven', 'Yard oven');
	const copied = { ...oven, entryId: randomUUID(), expectedNumber: 0, name: 'Twin oven' };
	assert.equal(await refused(copied as never), 'unknown');
	const customer = {
		...ALWAYS,
		entryId: randomUUID(),
		entryKind: 'customer' as const,
		name: 'Harbour master',
		content: { dropId: randomUUID(), note: '' }
	};
	assert.equal(await refused(customer as never), 'unknown');
	await done({ ...customer, content: { dropId: demoId('drop', 'Ferry'), note: '' } });
	const { drops } = await readOrders(t.db, TOMORROW);
	assert.deepEqual(drops.find(({ name }) => name === 'Ferry')?.customers, [
		'Ferry galley',
		'Harbour master'
	]);
});

test('a further mixer and a further deck change tomorrow’s plan, and an accepted plan says that they did', async () => {
	const { input, fingerprint } = await readPlan(t.db, TOMORROW);
	await done({
		kind: 'accept-plan',
		date: TOMORROW,
		fingerprint,
		placement: newPlacement(input)
	});
	const mixer = {
		...ALWAYS,
		entryId: randomUUID(),
		entryKind: 'mixer' as const,
		name: 'Large mixer',
		appliesFrom: TOMORROW,
		content: { ...FIRST_MIXER, leastGrams: 30_000, mostGrams: 80_000 }
	};
	const mixesOf = async () =>
		(await readDoughs(t.db, TOMORROW)).production.doughs.find(
			(dough) => dough.resolved.formula.name === 'Harbour dough'
		)?.mixes.length;
	assert.equal(await mixesOf(), 2);
	const saved = await send(t.db, mixer);
	assert.ok(saved.outcome === 'done');
	assert.deepEqual(saved.answer.plansChanged, [TOMORROW]);
	assert.equal(await mixesOf(), 1, 'all of it fits at once');
	const planned = (await readPlan(t.db, TOMORROW)).input;
	const harbour = planned.doughs.find(({ name }) => name === 'Harbour dough');
	assert.deepEqual(harbour?.mixes[0]?.mixerIds, [mixer.entryId]);
	const accepted = (await readPlan(t.db, TOMORROW)).accepted;
	assert.equal(accepted?.current, false);
	assert.deepEqual(
		accepted.document.input.bakery.mixers.map(({ name }) => name),
		['Planetary mixer', 'Spiral mixer'],
		'what was accepted keeps what it was made with'
	);
	await done({ ...mixer, expectedNumber: 1, retired: true });
	assert.equal(await mixesOf(), 2);
	const oven = await entryOf(t.db, 'oven', 'Harbour oven');
	assert.ok(oven.entryKind === 'oven');
	const decks = [...oven.content.decks, { ...FIRST_DECK, id: randomUUID(), name: 'Deck 3' }];
	await done({ ...oven, appliesFrom: TOMORROW, content: { ...oven.content, decks } });
	const { bakery } = (await readPlan(t.db, TOMORROW)).input;
	assert.equal(bakery.ovens.flatMap(({ decks }) => decks).length, 5);
	const small = scale({ name: 'Coarse scale' });
	const other = await send(t.db, small);
	assert.ok(other.outcome === 'done');
	assert.deepEqual(other.answer.plansChanged, [], 'no time follows from a scale');
});

test('what was typed for a drop stands when it is retired, can be taken off, and nothing new is ordered for it', async () => {
	const date = addDays(TOMORROW, 2);
	const school = await entryOf(t.db, 'drop', 'School');
	await done({
		kind: 'change-order',
		date,
		dropId: school.entryId,
		productId: demoId('product', 'School bun'),
		pieces: 40,
		expectedVersion: 0
	});
	await done({ ...school, appliesFrom: date, retired: true });
	const { drops, cells } = await readOrders(t.db, date);
	assert.ok(drops.some(({ name }) => name === 'School'));
	assert.deepEqual(
		cells.filter((cell) => cell.dropId === school.entryId && cell.pieces > 0).length,
		1,
		'what stands by weekday is not baked for a drop that does not go any more'
	);
	for (const cell of cells.filter(({ dropId, pieces }) => dropId === school.entryId && pieces > 0))
		await done({
			kind: 'change-order',
			date,
			dropId: cell.dropId,
			productId: cell.productId,
			pieces: 0,
			expectedVersion: cell.version
		});
	assert.ok(!(await readOrders(t.db, date)).drops.some(({ name }) => name === 'School'));
	const later = addDays(date, 30);
	assert.equal(
		await refused({
			kind: 'change-order',
			date: later,
			dropId: school.entryId,
			productId: demoId('product', 'School bun'),
			pieces: 5,
			expectedVersion: 0
		} as never),
		'unknown'
	);
});

test('a drop goes on its weekdays; closed days are passed over, and told where orders are typed', async () => {
	const wednesday = addDays(TOMORROW, 1);
	const names = async (date: BakeDate) =>
		(await readOrders(t.db, date)).drops.map(({ name }) => name);
	assert.deepEqual(await names(TOMORROW), ['Ferry', 'Shop and cafés', 'School']);
	assert.deepEqual((await readOrders(t.db, TOMORROW)).notToday, ['Noon ferry']);
	assert.ok((await names(wednesday)).includes('Noon ferry'));
	const days = (name: string, from: BakeDate, to: BakeDate) => ({
		entryId: randomUUID(),
		name,
		content: { fromDate: from, toDate: to, yearly: false }
	});
	const midwinter = days('Midwinter', '2026-12-24' as BakeDate, '2026-12-26' as BakeDate);
	const taken = await send(t.db, { kind: 'take-closed-days', days: [midwinter] });
	assert.ok(taken.outcome === 'done');
	assert.deepEqual(taken.answer, { added: 1, thereAlready: 0, plansChanged: [] });
	const again = await send(t.db, {
		kind: 'take-closed-days',
		days: [
			{ ...midwinter, entryId: randomUUID() },
			days('Midwinter', '2027-12-24' as BakeDate, '2027-12-24' as BakeDate)
		]
	});
	assert.ok(again.outcome === 'done');
	assert.deepEqual([again.answer.added, again.answer.thereAlready], [1, 1]);
	const { entries } = await readEntries(t.db, TOMORROW, 'closed-days');
	assert.deepEqual(
		entries.map(({ entry }) => entry.name),
		['Midwinter', 'Midwinter 2027-12-24']
	);
	assert.equal((await readOrders(t.db, '2026-12-25' as BakeDate)).closed, 'Midwinter');
	const next = await readNextBake(t.db, { epochMs: Date.UTC(2026, 11, 23, 18, 0) });
	assert.equal(next.date, '2026-12-28');
	const wrong = days('Backwards', '2027-02-02' as BakeDate, '2027-02-01' as BakeDate);
	assert.equal(
		await refused({ kind: 'take-closed-days', days: [midwinter, wrong] }),
		'id-used-before'
	);
	assert.equal(await refused({ kind: 'take-closed-days', days: [wrong] }), 'entry-impossible');
	const mixerId = { ...days('Ours', TOMORROW, TOMORROW), entryId: demoId('mixer', 'Spiral mixer') };
	assert.equal(
		await refused({ kind: 'take-closed-days', days: [mixerId] }),
		'id-used-before',
		'a mixer is no closed day'
	);
});

test('a bakery high up is told cores that are lowered, in its plans only; another height is a plan out of date', async () => {
	const cores = async () => {
		const { input } = await readPlan(t.db, TOMORROW);
		return input.products.flatMap(({ steps }) =>
			steps.flatMap((step) => (step.kind === 'bake' ? [step.coreCelsius] : []))
		);
	};
	const atTheSea = await cores();
	assert.ok(atTheSea.includes(97));
	const before = await readPlan(t.db, TOMORROW);
	const { settings } = await readBakeryRoom(t.db, TOMORROW);
	const saved = await send(t.db, {
		kind: 'save-bakery',
		name: settings.name,
		timeZone: settings.timeZone,
		currency: settings.currency,
		altitudeMetres: 1200,
		weighMinutes: 0,
		expectedVersion: settings.version
	});
	assert.equal(saved.outcome, 'done');
	assert.deepEqual(
		await cores(),
		atTheSea.map((celsius) => celsius - 4)
	);
	const after = await readPlan(t.db, TOMORROW);
	assert.notEqual(after.fingerprint, before.fingerprint);
	const loaf = await readProduct(t.db, TOMORROW, LOAF);
	assert.ok(loaf?.steps.some((step) => step.kind === 'bake' && step.coreCelsius === 97));
	assert.equal((await readBakeryRoom(t.db, TOMORROW)).settings.altitudeMetres, 1200);
});

test('what an oven can do decides which decks a bake goes on, and a timer, a loader and a driver act on the plan', async () => {
	const loaf = async () => {
		const { input } = await readPlan(t.db, TOMORROW);
		const found = input.products.find(({ name }) => name === 'Harbour loaf');
		assert.ok(found);
		return { input, product: found };
	};
	const before = await loaf();
	const yard = await entryOf(t.db, 'oven', 'Yard oven');
	assert.ok(yard.entryKind === 'oven');
	const own = yard.content.decks.map(({ id }) => id);
	const others = before.product.deckIds.filter((id) => !own.includes(id));
	assert.equal(before.product.deckIds.length, others.length + own.length, 'every deck gives steam');
	await done({
		...yard,
		content: {
			...yard.content,
			loader: true,
			switchOnTimer: true,
			decks: yard.content.decks.map((deck) => ({ ...deck, steam: false }))
		}
	});
	const { input, product } = await loaf();
	assert.deepEqual(product.deckIds, others);
	const [was, is] = [before.input, input].map(({ bakery }) =>
		bakery.ovens.find(({ id }) => id === yard.entryId)
	);
	assert.deepEqual([was?.loadingMinutes, was?.switchOnTimer], [5, false]);
	assert.deepEqual([is?.loadingMinutes, is?.switchOnTimer], [2, true]);
	assert.equal(is?.decks[0]?.hotSpots, 'back left');

	const low = await entryOf(t.db, 'oven', 'Harbour oven');
	assert.ok(low.entryKind === 'oven');
	await done({
		...low,
		content: {
			...low.content,
			decks: low.content.decks.map((deck) => ({ ...deck, heightCm: 16 }))
		}
	});
	const tin = (await readPlan(t.db, TOMORROW)).input.products.find(
		({ name }) => name === 'Lantern rye tin'
	);
	assert.ok(tin && tin.deckIds.length > 0);
	const tooLow = low.content.decks.map(({ id }) => id);
	assert.ok(
		tin.deckIds.every((id) => !tooLow.includes(id)),
		'the tins are too high for it'
	);
});
