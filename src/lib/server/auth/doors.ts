import { randomUUID } from 'node:crypto';
import {
	CODE_LENGTH,
	PASSWORD_LENGTH,
	type DoorProblem,
	type SessionKind
} from '../../contracts/door-views.ts';
import { fail, ok, type Result } from '../../core/result.ts';
import type { Db, Tx } from '../db/client.ts';
import {
	endKeysOf,
	endSessions,
	forgetHands,
	insertDoorEntry,
	insertKey,
	insertSession,
	insertTry,
	loadCredentials,
	lockKey,
	putCredential,
	wasSessionOf,
	type OpenSession
} from '../db/doors.ts';
import type { Actor } from './actor.ts';
import { isCommonPassword } from './common-passwords.ts';
import { peopleNow } from './people-now.ts';
import { hashOf, isSecretOf } from './passwords.ts';
import { fingerprint, newSecret } from './secrets.ts';
import { Tries } from './tries.ts';
import { endOfSession } from './visitor.ts';

const HOUR_MS = 3_600_000;
/** A key for a password is carried across the yard, or sent. */
const PASSWORD_KEY_MS = 24 * HOUR_MS;

/** Who asks at a door, and from where. */
export interface Asking {
	/** The address the request came from. */
	readonly address: string;
	/** The browser, as its sessions are listed. */
	readonly browser: string;
	/** The token that this browser has, open or not. */
	readonly token: string | undefined;
	readonly nowMs: number;
}

const tries = new Tries();
/** Of a secret that is told again by who is in already. */
const oldTries = new Tries();

/** Signs somebody in at a desk by name and password; gives the token of the new session. */
export async function signIn(
	db: Db,
	{ name, password }: { readonly name: string; readonly password: string },
	asking: Asking
): Promise<Result<string, DoorProblem>> {
	const called = await peopleCalled(db, name, asking.nowMs);
	const ids = called.map(({ id }) => id);
	const isKnown =
		asking.token !== undefined && (await wasSessionOf(db, fingerprint(asking.token), ids));
	// A browser in which somebody signed in before has tries of its own: nobody else can use them up.
	const place = isKnown ? `known ${asking.token ?? ''}` : asking.address;
	const seconds = tries.take(place, name, asking.nowMs);
	if (seconds !== null) return fail({ kind: 'wait', seconds });
	const credentials = await loadCredentials(db, ids);
	// One comparison, whether there is such a name or not; two of one name each have theirs.
	const hashes = called.map(({ id }) => credentials.get(id)?.passwordHash ?? null);
	const fits = await Promise.all(
		(hashes.length > 0 ? hashes : [null]).map((kept) => isSecretOf(kept, password))
	);
	const person = called[fits.indexOf(true)];
	if (!person) {
		// A name that is nobody's is not kept: it may be a password that was typed in the wrong place.
		await insertTry(db, { personId: ids[0] ?? null, about: `at a desk, from ${asking.address}` });
		return fail({ kind: 'wrong' });
	}
	return ok(await db.transaction().execute((tx) => openDesk(tx, person.id, asking)));
}

async function peopleCalled(db: Db, name: string, nowMs: number) {
	const wanted = plainName(name);
	const people = await peopleNow(db, nowMs);
	return people.filter((person) => plainName(person.name) === wanted).slice(0, 4);
}

function plainName(name: string): string {
	return name.normalize('NFC').trim().replace(/\s+/g, ' ').toLowerCase();
}

/** Opens a session at a desk; what was open in this browser before ends. Gives its token. */
export async function openDesk(tx: Tx, personId: string, asking: Asking): Promise<string> {
	const token = await openSession(
		tx,
		{ kind: 'desk', personId, name: asking.browser, opensAt: '' },
		asking.nowMs
	);
	await insertDoorEntry(tx, {
		act: 'signed-in',
		personId,
		byId: personId,
		about: asking.browser
	});
	return token;
}

/** Opens a session; gives the token that is its only key. */
export async function openSession(
	tx: Tx,
	session: {
		readonly kind: SessionKind;
		readonly personId: string | null;
		readonly name: string;
		readonly opensAt: string;
	},
	nowMs: number
): Promise<string> {
	const token = newSecret();
	await insertSession(tx, {
		id: randomUUID(),
		token_sha256: fingerprint(token),
		kind: session.kind,
		person_id: session.personId,
		name: session.name,
		opens_at: session.opensAt,
		seen_at: new Date(nowMs),
		ends_at: new Date(endOfSession(session.kind, nowMs, nowMs)),
		ended_at: null
	});
	return token;
}

/** Ends the session of who asks. */
export async function signOut(db: Db, session: OpenSession, nowMs: number): Promise<void> {
	await db.transaction().execute(async (tx) => {
		if ((await endSessions(tx, { id: session.id }, nowMs)) === 0) return;
		await insertDoorEntry(tx, {
			act: 'signed-out',
			personId: session.personId,
			byId: session.personId,
			about: session.name
		});
	});
}

/** Ends a session that somebody may have left open: one's own, or anybody's for who keeps the house. */
export async function endSession(
	db: Db,
	session: OpenSession,
	by: Actor,
	nowMs: number
): Promise<void> {
	await db.transaction().execute(async (tx) => {
		if ((await endSessions(tx, { id: session.id }, nowMs)) === 0) return;
		await insertDoorEntry(tx, {
			act: 'session-ended',
			personId: session.personId,
			byId: by.id,
			about: session.name
		});
	});
}

/** What is wrong with a password somebody wants; null for one that may be. */
export async function passwordProblem(
	password: string,
	known: readonly string[]
): Promise<DoorProblem | null> {
	const { least, most } = PASSWORD_LENGTH;
	if ([...password].length < least) return { kind: 'too-short', least };
	if ([...password].length > most) return { kind: 'too-long', most };
	const plain = plainName(password).replace(/\s/g, '');
	const isNamed = known.some((name) => plain === plainName(name).replace(/\s/g, ''));
	// Few different signs, one run of them, a name that stands on every page, or what everybody takes.
	if (isNamed || new Set(plain).size < 5 || isRun(plain) || (await isCommonPassword(plain)))
		return { kind: 'easily-guessed' };
	return null;
}

/** What is wrong with a code for the bench; null for one that may be. */
export function codeProblem(code: string): DoorProblem | null {
	const { least, most } = CODE_LENGTH;
	if (!/^\d*$/.test(code)) return { kind: 'only-digits' };
	if (code.length < least) return { kind: 'too-short', least };
	if (code.length > most) return { kind: 'too-long', most };
	if (new Set(code).size < 2 || isRun(code)) return { kind: 'easily-guessed' };
	return null;
}

/** Whether each sign follows the one before it, up or down: 1234, 9876, abcdef. */
function isRun(text: string): boolean {
	const steps = [...text].slice(1).map((sign, at) => sign.charCodeAt(0) - text.charCodeAt(at));
	return steps.length > 0 && new Set(steps).size === 1 && Math.abs(steps[0] ?? 0) === 1;
}

/** Sets one's own password: who has one tells it first. Other sessions at desks end. */
export async function changePassword(
	db: Db,
	{ actor, session }: { readonly actor: Actor; readonly session: OpenSession },
	{
		old,
		wanted,
		known
	}: {
		readonly old: string;
		readonly wanted: string;
		readonly known: readonly string[];
	},
	nowMs: number
): Promise<Result<null, DoorProblem>> {
	const problem = await passwordProblem(wanted, [actor.name, ...known]);
	if (problem) return fail(problem);
	const seconds = oldTries.take(session.id, 'password', nowMs);
	if (seconds !== null) return fail({ kind: 'wait', seconds });
	const kept = (await loadCredentials(db, [actor.id])).get(actor.id)?.passwordHash ?? null;
	if (kept !== null && !(await isSecretOf(kept, old))) return fail({ kind: 'wrong' });
	await writePassword(db, actor.id, { wanted, byId: actor.id, but: session.id }, nowMs);
	return ok(null);
}

async function writePassword(
	db: Db,
	personId: string,
	{
		wanted,
		byId,
		but
	}: {
		readonly wanted: string;
		readonly byId: string | null;
		readonly but: string | null;
	},
	nowMs: number
): Promise<void> {
	const password_hash = await hashOf(wanted);
	await db.transaction().execute(async (tx) => {
		await putCredential(tx, personId, { password_hash });
		await endKeysOf(tx, personId, nowMs);
		await endSessions(tx, { personId, but }, nowMs);
		await insertDoorEntry(tx, { act: 'password-set', personId, byId, about: '' });
	});
}

/** Sets one's own code for the bench; tablets that knew one's hands by the old one ask again. */
export async function changeCode(
	db: Db,
	actor: Actor,
	code: string
): Promise<Result<null, DoorProblem>> {
	const problem = codeProblem(code);
	if (problem) return fail(problem);
	const code_hash = await hashOf(code);
	await db.transaction().execute(async (tx) => {
		await putCredential(tx, actor.id, { code_hash });
		await forgetHands(tx, actor.id);
		await insertDoorEntry(tx, {
			act: 'code-set',
			personId: actor.id,
			byId: actor.id,
			about: ''
		});
	});
	return ok(null);
}

/** Makes a key with which somebody chooses a password, once and within a day; one made before opens nothing any more. */
export async function makePasswordKey(
	db: Db,
	personId: string,
	byId: string | null,
	nowMs: number
): Promise<string> {
	const key = newSecret();
	await db.transaction().execute(async (tx) => {
		await endKeysOf(tx, personId, nowMs);
		await insertKey(tx, {
			key_sha256: fingerprint(key),
			kind: 'password',
			person_id: personId,
			ends_at: new Date(nowMs + PASSWORD_KEY_MS),
			name: '',
			opens_at: '',
			made_by: byId,
			used_at: null
		});
		await insertDoorEntry(tx, { act: 'key-made', personId, byId, about: '' });
	});
	return key;
}

/** Chooses a password with a key, and signs in; gives the token of the new session. */
export async function choosePassword(
	db: Db,
	{
		key,
		wanted,
		known
	}: {
		readonly key: string;
		readonly wanted: string;
		readonly known: readonly string[];
	},
	asking: Asking
): Promise<Result<string, DoorProblem>> {
	const problem = await passwordProblem(wanted, known);
	if (problem) return fail(problem);
	const password_hash = await hashOf(wanted);
	return db.transaction().execute(async (tx) => {
		const found = await lockKey(tx, fingerprint(key), asking.nowMs);
		const personId = found?.kind === 'password' ? found.person_id : null;
		if (personId === null) return fail({ kind: 'key-opens-nothing' as const });
		await putCredential(tx, personId, { password_hash });
		await endKeysOf(tx, personId, asking.nowMs);
		await endSessions(tx, { personId, but: null }, asking.nowMs);
		await insertDoorEntry(tx, { act: 'password-set', personId, byId: personId, about: 'by key' });
		return ok(await openDesk(tx, personId, asking));
	});
}
