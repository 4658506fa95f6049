import { sql } from 'kysely';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** Two that send one command at once queue here. */
export async function lockCommand(tx: Tx, commandId: string): Promise<void> {
	await sql`select pg_advisory_xact_lock(hashtext(${'command ' + commandId}))`.execute(tx);
}

/** What a command was answered before, and whether it asked the same; null when it was never carried out. */
export async function findAnswer(
	db: Db | Tx,
	commandId: string,
	request: unknown
): Promise<{ readonly answer: unknown; readonly same: boolean } | null> {
	const row = await db
		.selectFrom('command')
		.select(['answer', sql<boolean>`request = ${JSON.stringify(request)}::jsonb`.as('same')])
		.where('id', '=', commandId)
		.executeTakeFirst();
	return row ?? null;
}

/** When something was last written down; null where nothing ever was. */
export async function newestRecordedMs(db: Db): Promise<number | null> {
	const row = await db
		.selectFrom('command')
		.select('recorded_at')
		.orderBy('sequence', 'desc')
		.limit(1)
		.executeTakeFirst();
	return row?.recorded_at.getTime() ?? null;
}

/** Keeps a command that was carried out, with its answer. */
export async function insertCommand(
	tx: Tx,
	command: {
		readonly id: string;
		readonly kind: string;
		readonly actorId: string;
		readonly occurredAtMs: number;
		readonly request: unknown;
		readonly answer: unknown;
	}
): Promise<void> {
	const row: EveryColumn<'command'> = {
		id: command.id,
		kind: command.kind,
		actor_id: command.actorId,
		occurred_at: new Date(command.occurredAtMs),
		request: JSON.stringify(command.request),
		answer: JSON.stringify(command.answer)
	};
	await tx.insertInto('command').values(row).execute();
}
