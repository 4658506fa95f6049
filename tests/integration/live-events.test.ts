import { after, before, test } from 'node:test';
import assert from 'node:assert/strict';
import { sql } from 'kysely';
import {
	listenToAnnouncements,
	type Announcement,
	type Listener
} from '../../src/lib/server/db/listen.ts';
import { EventHub, type LiveEvent } from '../../src/lib/server/events/hub.ts';
import { send, testDatabase, type TestDatabase } from './test-database.ts';

let t: TestDatabase;
let listener: Listener;
const heard: Announcement[] = [];
let opened = 0;
let wake = () => {};
/** Waits until something holds of what was heard. */
async function until(holds: () => boolean): Promise<void> {
	while (!holds())
		await new Promise<void>((resolve) => {
			wake = resolve;
		});
}
before(async () => {
	t = await testDatabase();
	listener = listenToAnnouncements(
		t.url,
		(announcement) => {
			heard.push(announcement);
			wake();
		},
		() => {
			opened += 1;
			wake();
		}
	);
	await until(() => opened === 1);
});
after(async () => {
	await listener.stop();
	await t.drop();
});

const type = (celsius: number) =>
	send(t.db, {
		kind: 'take-reading',
		quantity: 'room',
		preparationId: null,
		celsius,
		instrument: 'typed',
		correctsId: null
	});

test('what one connection writes another hears: a number that rises and a topic, never what was written', async () => {
	heard.length = 0;
	await type(24);
	await type(25);
	await until(() => heard.length === 2);
	assert.deepEqual(
		heard.map((announcement) => announcement.topic),
		['take-reading', 'take-reading']
	);
	assert.equal((heard[1]?.sequence ?? 0) - (heard[0]?.sequence ?? 0), 1);
	assert.ok(!JSON.stringify(heard).includes('24'));
});

test('a connection that is lost is opened again, and it is told that something may have been missed', async () => {
	const before = opened;
	await sql`select pg_terminate_backend(pid) from pg_stat_activity
		where application_name like '%-listener' and datname = current_database()`.execute(t.db);
	await until(() => opened === before + 1);
	heard.length = 0;
	await type(26);
	await until(() => heard.length === 1);
});

test('every open screen hears, one that left does not, and the end closes them all', () => {
	const hub = new EventHub();
	const told: string[] = [];
	let closed = 0;
	const take = (name: string) => (event: LiveEvent) => void told.push(`${name} ${event.kind}`);
	hub.subscribe(take('bench'), () => (closed += 1));
	const leave = hub.subscribe(take('oven'), () => (closed += 1));
	hub.tell({ kind: 'look-again' });
	leave();
	hub.tell({ kind: 'written', sequence: 1, topic: 'readings' });
	assert.deepEqual(told, ['bench look-again', 'oven look-again', 'bench written']);
	hub.closeAll();
	assert.equal(closed, 1);
});
