import type { Db } from './client.ts';

/** Which of the log of all commands are asked for. */
export interface ChangesAsked {
	/** Those of one person; null for everybody's. */
	readonly byId: string | null;
	/** Those of some kinds; null for all. */
	readonly kinds: readonly string[] | null;
	/** Those before this place in the log; null for the newest. */
	readonly before: number | null;
	readonly most: number;
}

/** What was changed, newest first. */
export async function loadChanges(db: Db, { byId, kinds, before, most }: ChangesAsked) {
	return db
		.selectFrom('command')
		.innerJoin('bakery_entry as actor', 'actor.id', 'command.actor_id')
		.select([
			'command.sequence',
			'command.kind',
			'command.occurred_at',
			'command.request',
			'actor.name as by'
		])
		.$if(byId !== null, (query) => query.where('command.actor_id', '=', byId ?? ''))
		.$if(kinds !== null, (query) => query.where('command.kind', 'in', kinds ?? []))
		.$if(before !== null, (query) => query.where('command.sequence', '<', String(before)))
		.orderBy('command.sequence', 'desc')
		.limit(most)
		.execute();
}

/** What each of these is called today; what is none of the bakery's or the book's is left out. */
export async function namesOf(
	db: Db,
	ids: readonly string[]
): Promise<ReadonlyMap<string, string>> {
	if (ids.length === 0) return new Map();
	const of = (table: 'bakery_entry' | 'formula' | 'preparation' | 'product' | 'ingredient') =>
		db.selectFrom(table).select(['id', 'name']).where('id', 'in', ids).execute();
	const found = await Promise.all([
		of('bakery_entry'),
		of('formula'),
		of('preparation'),
		of('product'),
		of('ingredient')
	]);
	return new Map(found.flat().map(({ id, name }) => [id, name]));
}
