import { sql } from 'kysely';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

export async function insertPeople(
	tx: Tx,
	people: readonly EveryColumn<'person'>[]
): Promise<void> {
	await tx.insertInto('person').values(people).execute();
}

/** The first of the bakery's people that may do everything; where there is none, the first of all. */
export async function findHeadBaker(db: Db | Tx): Promise<{
	readonly id: string;
	readonly name: string;
	readonly role: 'head-baker' | 'baker';
} | null> {
	const row = await db
		.selectFrom('person')
		.select(['id', 'name', 'role'])
		.orderBy(sql`role = 'head-baker'`, 'desc')
		.orderBy('name')
		.limit(1)
		.executeTakeFirst();
	return row ?? null;
}
