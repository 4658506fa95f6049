import assert from 'node:assert/strict';
import { randomUUID } from 'node:crypto';
import type { CommandContent, CommandKind } from '../../src/lib/contracts/commands.ts';
import { carryOut, readCommand } from '../../src/lib/server/commands/door.ts';
import { migrateToLatest } from '../../src/lib/server/db/migrate.ts';
import { NOW_MS, testDatabase } from './test-database.ts';

/** An empty database, and what is sent to it by whoever opens it first. */
export async function emptyBakery() {
	const empty = await testDatabase('empty');
	await migrateToLatest(empty.db);
	const personId = randomUUID();
	const say = <K extends CommandKind>(
		draft: { readonly kind: K } & CommandContent<K>,
		role: 'founder' | 'head-baker' = 'head-baker'
	) => {
		const read = readCommand({ ...draft, id: randomUUID(), occurredAtMs: NOW_MS });
		assert.ok(read.ok, JSON.stringify(read));
		return carryOut(empty.db, read.value, { id: personId, name: '', role }, NOW_MS);
	};
	const found = () =>
		say(
			{
				kind: 'found-bakery',
				personId,
				person: 'Wren Ashby',
				name: 'Quay Oven',
				timeZone: 'Europe/Lisbon',
				currency: '€',
				mass: 'metric',
				temperature: 'celsius'
			},
			'founder'
		);
	return { ...empty, say, found };
}
