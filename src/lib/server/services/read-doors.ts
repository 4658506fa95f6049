import type {
	DoorsView,
	HandsView,
	OwnDoorView,
	PersonAtTheDoorView,
	SessionView
} from '../../contracts/door-views.ts';
import type { Db } from '../db/client.ts';
import {
	loadCredentials,
	loadDoorEntries,
	loadHands,
	loadSessions,
	type OpenSession
} from '../db/doors.ts';
import { loadEntries } from '../db/entries.ts';
import { isNobody } from '../db/forgotten-people.ts';
import { peopleNow } from '../auth/people-now.ts';
import { roleAtTheBench, type Visitor } from '../auth/visitor.ts';

/** So many of the last things at the doors stand on the page. */
const MOST_ENTRIES = 60;

/** Who may come in and how, what is open, and what happened at the doors. */
export async function readDoors(db: Db, visitor: Visitor, nowMs: number): Promise<DoorsView> {
	const [entries, credentials, sessions, told] = await Promise.all([
		loadEntries(db, 'newest', ['person']),
		loadCredentials(db),
		loadSessions(db, nowMs),
		loadDoorEntries(db, MOST_ENTRIES)
	]);
	const names = new Map(entries.all('person').map(({ id, name }) => [id, name]));
	const nameOf = (id: string | null) => (id === null ? '' : (names.get(id) ?? ''));
	return {
		nowMs,
		people: entries.of('person').map((person): PersonAtTheDoorView => ({
			id: person.id,
			name: person.name,
			role: person.content.role,
			hasPassword: (credentials.get(person.id)?.passwordHash ?? null) !== null,
			hasCode: (credentials.get(person.id)?.codeHash ?? null) !== null
		})),
		left: entries
			.all('person')
			.filter(({ retired }) => retired)
			.map(({ id, name }) => ({ id, name, isOut: isNobody(name) })),
		sessions: sessions.map((session) => sessionView(session, nameOf(session.personId), visitor)),
		entries: told.map((entry) => ({
			id: entry.id,
			atMs: entry.occurred_at.getTime(),
			act: entry.act,
			person: nameOf(entry.person_id),
			by: entry.by_id === entry.person_id ? '' : nameOf(entry.by_id),
			about: entry.about
		}))
	};
}

function sessionView(session: OpenSession, personName: string, visitor: Visitor): SessionView {
	return {
		id: session.id,
		kind: session.kind,
		name: session.name,
		personName,
		begunAtMs: session.begunAtMs,
		seenAtMs: session.seenAtMs,
		isThis: session.id === visitor.session?.id
	};
}

export async function readOwnDoor(
	db: Db,
	visitor: Visitor & { readonly actor: { readonly id: string; readonly name: string } },
	nowMs: number
): Promise<OwnDoorView> {
	const { id, name } = visitor.actor;
	const [credentials, sessions] = await Promise.all([
		loadCredentials(db, [id]),
		loadSessions(db, nowMs, id)
	]);
	const own = credentials.get(id);
	return {
		nowMs,
		hasPassword: (own?.passwordHash ?? null) !== null,
		hasCode: (own?.codeHash ?? null) !== null,
		sessions: sessions.map((session) => sessionView(session, name, visitor))
	};
}

export async function readHands(db: Db, session: OpenSession, nowMs: number): Promise<HandsView> {
	const [people, credentials, hands] = await Promise.all([
		peopleNow(db, nowMs),
		loadCredentials(db),
		loadHands(db, session.id, nowMs)
	]);
	const hasCode = (id: string) => (credentials.get(id)?.codeHash ?? null) !== null;
	return {
		tablet: session.name,
		people: people
			.filter(({ id }) => hasCode(id))
			.map(({ id, name, content }) => ({
				id,
				name,
				role: roleAtTheBench(content.role),
				isKnown: hands.has(id)
			})),
		without: people.filter(({ id }) => !hasCode(id)).map(({ name }) => name)
	};
}
