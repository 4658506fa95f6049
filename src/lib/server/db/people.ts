import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

export async function insertPeople(
	tx: Tx,
	people: readonly EveryColumn<'person'>[]
): Promise<void> {
	await tx.insertInto('person').values(people).execute();
}

/** The first of the bakery's people that may do everything. */
export async function findHeadBaker(db: Db | Tx): Promise<{
	readonly id: string;
	readonly name: string;
	readonly role: 'head-baker' | 'baker';
} | null> {
	const row = await db
		.selectFrom('person')
		.selectAll()
		.where('role', '=', 'head-baker')
		.orderBy('name')
		.executeTakeFirst();
	return row ?? null;
}
