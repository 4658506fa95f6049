import type { Db } from './client.ts';

/** Commands that are read at once. */
const AT_ONCE = 500;

/** Everything that somebody sent, in its order, a piece at a time. */
export async function* loadDeedsOf(db: Db, personId: string) {
	for (let after = '0'; ;) {
		const rows = await db
			.selectFrom('command')
			.select(['sequence', 'kind', 'occurred_at', 'recorded_at', 'request'])
			.where('actor_id', '=', personId)
			.where('sequence', '>', after)
			.orderBy('sequence')
			.limit(AT_ONCE)
			.execute();
		yield rows;
		const last = rows.at(-1);
		if (!last || rows.length < AT_ONCE) return;
		after = last.sequence;
	}
}

/** What others tapped as theirs. */
export function loadTapsAs(db: Db, personId: string) {
	return db
		.selectFrom('work_entry')
		.innerJoin('command', 'command.id', 'work_entry.command_id')
		.select([
			'work_entry.bake_date',
			'work_entry.work',
			'work_entry.act',
			'work_entry.because',
			'work_entry.occurred_at'
		])
		.where('work_entry.person_id', '=', personId)
		.where('command.actor_id', '<>', personId)
		.orderBy('work_entry.occurred_at')
		.execute();
}

/** Every session that somebody had, and what happened to them at the doors. */
export async function loadDoorsOf(db: Db, personId: string) {
	const [sessions, entries] = await Promise.all([
		db
			.selectFrom('door_session')
			.select(['kind', 'name', 'begun_at', 'seen_at', 'ended_at'])
			.where('person_id', '=', personId)
			.orderBy('begun_at')
			.execute(),
		db
			.selectFrom('door_entry')
			.select(['act', 'about', 'occurred_at'])
			.where('person_id', '=', personId)
			.orderBy('id')
			.execute()
	]);
	return { sessions, entries };
}
