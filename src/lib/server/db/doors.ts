import { sql } from 'kysely';
import type { DoorAct, SessionKind } from '../../contracts/door-views.ts';
import type { Db, Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** A session that is open. */
export interface OpenSession {
	readonly id: string;
	readonly kind: SessionKind;
	readonly personId: string | null;
	readonly name: string;
	/** The page a tablet opens with, behind the date's address. */
	readonly opensAt: string;
	readonly begunAtMs: number;
	readonly seenAtMs: number;
	/** At a tablet: until when whose hands it is in may go on without a code; null at a desk or in nobody's. */
	readonly handsUntilMs: number | null;
	/** Whether who is signed in has a password to come in by again. */
	readonly hasPassword: boolean;
}

interface SessionRow {
	readonly id: string;
	readonly kind: SessionKind;
	readonly person_id: string | null;
	readonly name: string;
	readonly opens_at: string;
	readonly begun_at: Date;
	readonly seen_at: Date;
	readonly until: Date | null;
	readonly password_hash: string | null;
}

const asSession = (row: SessionRow): OpenSession => ({
	id: row.id,
	kind: row.kind,
	personId: row.person_id,
	name: row.name,
	opensAt: row.opens_at,
	begunAtMs: row.begun_at.getTime(),
	seenAtMs: row.seen_at.getTime(),
	handsUntilMs: row.until?.getTime() ?? null,
	hasPassword: row.password_hash !== null
});

function openSessions(db: Db | Tx, nowMs: number) {
	return db
		.selectFrom('door_session as session')
		.leftJoin('door_hand as hand', (join) =>
			join
				.onRef('hand.session_id', '=', 'session.id')
				.onRef('hand.person_id', '=', 'session.person_id')
		)
		.leftJoin('credential', 'credential.person_id', 'session.person_id')
		.selectAll('session')
		.select(['hand.until', 'credential.password_hash'])
		.where('session.ended_at', 'is', null)
		.where('session.ends_at', '>', new Date(nowMs));
}

/** The open session of a token, by its fingerprint. */
export async function findSession(
	db: Db | Tx,
	tokenSha256: string,
	nowMs: number
): Promise<OpenSession | null> {
	const row = await openSessions(db, nowMs)
		.where('session.token_sha256', '=', tokenSha256)
		.executeTakeFirst();
	return row ? asSession(row) : null;
}

/** Every open session, the last seen first; of one person, where that is asked. */
export async function loadSessions(
	db: Db | Tx,
	nowMs: number,
	personId?: string
): Promise<readonly OpenSession[]> {
	const rows = await openSessions(db, nowMs)
		.$if(personId !== undefined, (query) => query.where('session.person_id', '=', personId ?? ''))
		.orderBy('session.seen_at', 'desc')
		.limit(200)
		.execute();
	return rows.map(asSession);
}

/** Whether somebody ever signed in with this token: a browser that is known for that person. */
export async function wasSessionOf(
	db: Db,
	tokenSha256: string,
	personIds: readonly string[]
): Promise<boolean> {
	if (personIds.length === 0) return false;
	const row = await db
		.selectFrom('door_session')
		.select('id')
		.where('token_sha256', '=', tokenSha256)
		.where('person_id', 'in', personIds)
		.executeTakeFirst();
	return row !== undefined;
}

export async function insertSession(tx: Tx, row: EveryColumn<'door_session'>): Promise<void> {
	await tx.insertInto('door_session').values(row).execute();
}

/** It was used: it ends later. */
export async function touchSession(
	db: Db,
	sessionId: string,
	nowMs: number,
	endsAtMs: number
): Promise<void> {
	await db
		.updateTable('door_session')
		.set({ seen_at: new Date(nowMs), ends_at: new Date(endsAtMs) })
		.where('id', '=', sessionId)
		.execute();
}

/** Ends sessions that are open; gives how many. */
export async function endSessions(
	tx: Tx,
	which: { readonly id: string } | { readonly personId: string; readonly but: string | null },
	nowMs: number
): Promise<number> {
	const ended = await tx
		.updateTable('door_session')
		.set({ ended_at: new Date(nowMs) })
		.where('ended_at', 'is', null)
		.$if('id' in which, (query) => query.where('id', '=', 'id' in which ? which.id : ''))
		.$if('personId' in which, (query) =>
			'personId' in which
				? query
						.where('person_id', '=', which.personId)
						.where('kind', '=', 'desk')
						.where('id', 'is distinct from', which.but)
				: query
		)
		.executeTakeFirst();
	return Number(ended.numUpdatedRows);
}

/** Puts a tablet into somebody's hands, or nobody's. */
export async function putIntoHands(
	tx: Tx,
	sessionId: string,
	hands: { readonly personId: string; readonly untilMs: number } | null
): Promise<void> {
	if (hands)
		await tx
			.insertInto('door_hand')
			.values({
				session_id: sessionId,
				person_id: hands.personId,
				until: new Date(hands.untilMs)
			})
			.onConflict((conflict) =>
				conflict
					.columns(['session_id', 'person_id'])
					.doUpdateSet({ until: new Date(hands.untilMs) })
			)
			.execute();
	await tx
		.updateTable('door_session')
		.set({ person_id: hands?.personId ?? null })
		.where('id', '=', sessionId)
		.execute();
}

/** Until when somebody's hands are known at a tablet, by person. */
export async function loadHands(
	db: Db | Tx,
	sessionId: string,
	nowMs: number
): Promise<ReadonlyMap<string, number>> {
	const rows = await db
		.selectFrom('door_hand')
		.select(['person_id', 'until'])
		.where('session_id', '=', sessionId)
		.where('until', '>', new Date(nowMs))
		.execute();
	return new Map(rows.map((row) => [row.person_id, row.until.getTime()]));
}

/** Whoever knows a code no more has to type the new one everywhere. */
export async function forgetHands(tx: Tx, personId: string): Promise<void> {
	await tx
		.updateTable('door_session')
		.set({ person_id: null })
		.where('person_id', '=', personId)
		.where('kind', '=', 'tablet')
		.execute();
	await tx.deleteFrom('door_hand').where('person_id', '=', personId).execute();
}

export interface Credential {
	readonly personId: string;
	readonly passwordHash: string | null;
	readonly codeHash: string | null;
}

export async function loadCredentials(
	db: Db | Tx,
	personIds?: readonly string[]
): Promise<ReadonlyMap<string, Credential>> {
	if (personIds?.length === 0) return new Map();
	const rows = await db
		.selectFrom('credential')
		.select(['person_id', 'password_hash', 'code_hash'])
		.$if(personIds !== undefined, (query) => query.where('person_id', 'in', personIds ?? []))
		.execute();
	return new Map(
		rows.map((row) => [
			row.person_id,
			{ personId: row.person_id, passwordHash: row.password_hash, codeHash: row.code_hash }
		])
	);
}

/** Keeps the hash of a new password or code; the other of the two stays. */
export async function putCredential(
	tx: Tx,
	personId: string,
	hashes: { readonly password_hash: string } | { readonly code_hash: string }
): Promise<void> {
	const row: EveryColumn<'credential'> = {
		person_id: personId,
		password_hash: null,
		code_hash: null,
		changed_at: new Date(),
		...hashes
	};
	await tx
		.insertInto('credential')
		.values(row)
		.onConflict((conflict) =>
			conflict.column('person_id').doUpdateSet({ ...hashes, changed_at: row.changed_at })
		)
		.execute();
}

export async function insertKey(tx: Tx, row: EveryColumn<'door_key'>): Promise<void> {
	await tx.insertInto('door_key').values(row).execute();
}

/** A key that was not used and has not ended; locked, so that it opens once. */
export async function lockKey(tx: Tx, keySha256: string, nowMs: number) {
	return tx
		.selectFrom('door_key')
		.selectAll()
		.where('key_sha256', '=', keySha256)
		.where('used_at', 'is', null)
		.where('ends_at', '>', new Date(nowMs))
		.forUpdate()
		.executeTakeFirst();
}

/** Who a key for a password is of, without using it; null where it opens nothing any more. */
export async function findKeyOwner(
	db: Db,
	keySha256: string,
	nowMs: number
): Promise<string | null> {
	const row = await db
		.selectFrom('door_key')
		.select('person_id')
		.where('key_sha256', '=', keySha256)
		.where('kind', '=', 'password')
		.where('used_at', 'is', null)
		.where('ends_at', '>', new Date(nowMs))
		.executeTakeFirst();
	return row?.person_id ?? null;
}

export async function useKey(tx: Tx, keySha256: string, nowMs: number): Promise<void> {
	await tx
		.updateTable('door_key')
		.set({ used_at: new Date(nowMs) })
		.where('key_sha256', '=', keySha256)
		.execute();
}

/** Keys that somebody was given before open nothing once there is a newer one, or a password was set. */
export async function endKeysOf(tx: Tx, personId: string, nowMs: number): Promise<void> {
	await tx
		.updateTable('door_key')
		.set({ used_at: new Date(nowMs) })
		.where('person_id', '=', personId)
		.where('used_at', 'is', null)
		.execute();
}

/** Writes down what happened at a door. */
export async function insertDoorEntry(
	tx: Tx | Db,
	entry: {
		readonly act: DoorAct;
		readonly personId: string | null;
		readonly byId: string | null;
		readonly about: string;
	}
): Promise<void> {
	await tx
		.insertInto('door_entry')
		.values({
			act: entry.act,
			person_id: entry.personId,
			by_id: entry.byId,
			about: entry.about
		})
		.execute();
}

/** So many tries that failed are kept, the newest: whoever tries on and on fills no disk. */
const MOST_TRIES = 10_000;

/** Writes down a try at a door that failed. */
export async function insertTry(
	tx: Tx | Db,
	tried: { readonly personId: string | null; readonly about: string }
): Promise<void> {
	await insertDoorEntry(tx, {
		act: 'tried',
		personId: tried.personId,
		byId: null,
		about: tried.about
	});
	await sql`delete from door_entry where act = 'tried' and id <= (
		select id from door_entry where act = 'tried' order by id desc offset ${MOST_TRIES} limit 1)`.execute(
		tx
	);
}

/** What happened at the doors, newest first. */
export async function loadDoorEntries(db: Db, most: number) {
	return db.selectFrom('door_entry').selectAll().orderBy('id', 'desc').limit(most).execute();
}

export async function loadCalendarSecret(db: Db): Promise<string> {
	const row = await db.selectFrom('door_secret').select('calendar').executeTakeFirstOrThrow();
	return row.calendar;
}

/** From now on no calendar's address opens that was handed out before. */
export async function renewCalendarSecret(tx: Tx): Promise<void> {
	await tx
		.updateTable('door_secret')
		.set({ calendar: sql<string>`gen_random_uuid()` })
		.execute();
}
