import type { Db } from '../db/client.ts';
import { findSession, loadHands, touchSession, type OpenSession } from '../db/doors.ts';
import type { Actor } from './actor.ts';
import { peopleNow } from './people-now.ts';
import { fingerprint } from './secrets.ts';

const HOUR_MS = 3_600_000;

/** How long a session lasts after it was used, and at the most (our defaults; a tablet on a shelf is paired once). */
export const SESSION_HOURS = {
	desk: { unused: 12, most: 7 * 24 },
	tablet: { unused: 60 * 24, most: 400 * 24 },
	wall: { unused: 60 * 24, most: 400 * 24 }
} as const;

/** It is written down that a session is used so often and no more. */
const TOUCH_MS = 60_000;

/** Who asks: through which session, and as whom. */
export interface Visitor {
	readonly session: OpenSession | null;
	readonly actor: Actor | null;
}

export const NOBODY: Visitor = { session: null, actor: null };

/** When a session that is used now would end. */
export function endOfSession(kind: OpenSession['kind'], begunAtMs: number, nowMs: number): number {
	const { unused, most } = SESSION_HOURS[kind];
	return Math.min(begunAtMs + most * HOUR_MS, nowMs + unused * HOUR_MS);
}

/** Who asks, by the token of a cookie; somebody who left the bakery is nobody. */
export async function visitorOf(
	db: Db,
	token: string | undefined,
	nowMs: number
): Promise<Visitor> {
	if (!token) return NOBODY;
	const session = await findSession(db, fingerprint(token), nowMs);
	if (!session) return NOBODY;
	if (nowMs - session.seenAtMs > TOUCH_MS)
		await touchSession(db, session.id, nowMs, endOfSession(session.kind, session.begunAtMs, nowMs));
	const isKnown =
		session.kind === 'desk' || (session.handsUntilMs !== null && session.handsUntilMs > nowMs);
	const person = isKnown ? await actorOf(db, session.personId, nowMs) : null;
	if (person) return { session, actor: session.kind === 'desk' ? person : atTheBench(person) };
	if (session.kind === 'desk') return NOBODY;
	return { session, actor: { id: session.id, name: session.name, role: 'screen' } };
}

/**
 * A code of four digits is enough for what is done with floury hands, and no more: what keeps the house (who comes in, what
 * there is, all of it at once) asks for the password at a desk.
 */
export function roleAtTheBench(role: Actor['role']): Actor['role'] {
	return role === 'head-baker' ? 'baker' : role;
}

function atTheBench(actor: Actor): Actor {
	return { ...actor, role: roleAtTheBench(actor.role) };
}

async function actorOf(db: Db, personId: string | null, nowMs: number): Promise<Actor | null> {
	if (personId === null) return null;
	const person = (await peopleNow(db, nowMs)).find(({ id }) => id === personId);
	return person ? { id: person.id, name: person.name, role: person.content.role } : null;
}

/**
 * Whose entry it is that waited in a browser: of whoever made it, not of whoever sends it. At a tablet anybody whose hands
 * are known there; at a desk only who is signed in. Null for anybody else.
 */
export async function actorOfLetter(
	db: Db,
	{ session, actor }: Visitor,
	personId: string,
	nowMs: number
): Promise<Actor | null> {
	if (actor?.id === personId) return actor;
	if (session?.kind !== 'tablet') return null;
	const hands = await loadHands(db, session.id, nowMs);
	const person = hands.has(personId) ? await actorOf(db, personId, nowMs) : null;
	return person && atTheBench(person);
}
