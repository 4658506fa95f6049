import { fail, ok, type Result } from '../../core/result.ts';
import type { DoorProblem } from '../../contracts/door-views.ts';
import type { Db } from '../db/client.ts';
import {
	insertDoorEntry,
	insertKey,
	insertTry,
	loadCredentials,
	loadHands,
	lockKey,
	putIntoHands,
	useKey,
	type OpenSession
} from '../db/doors.ts';
import { openSession, type Asking } from './doors.ts';
import { isSecretOf } from './passwords.ts';
import { fingerprint, newPairingCode } from './secrets.ts';
import { Tries } from './tries.ts';

/** A code is typed, or scanned, at once. */
const PAIRING_MS = 10 * 60_000;
/** Whose code was typed at a tablet takes it up again by one tap until the shift is over. */
const HANDS_KNOWN_MS = 12 * 3_600_000;

const codeTries = new Tries();

/** Makes a code that pairs one tablet or wall screen within minutes. */
export async function makePairingCode(
	db: Db,
	{
		name,
		kind,
		opensAt
	}: {
		readonly name: string;
		readonly kind: 'tablet' | 'wall';
		readonly opensAt: string;
	},
	byId: string | null,
	nowMs: number
): Promise<string> {
	const code = newPairingCode();
	await db.transaction().execute((tx) =>
		insertKey(tx, {
			key_sha256: fingerprint(code),
			kind,
			person_id: null,
			name,
			opens_at: opensAt,
			made_by: byId,
			ends_at: new Date(nowMs + PAIRING_MS),
			used_at: null
		})
	);
	return code;
}

/** Pairs this browser as the tablet that a code was made for; gives the token of its session. */
export async function pairTablet(
	db: Db,
	code: string,
	asking: Asking
): Promise<Result<string, DoorProblem>> {
	const seconds = codeTries.take(asking.address, 'pairing', asking.nowMs);
	if (seconds !== null) return fail({ kind: 'wait', seconds });
	const typed = code.toUpperCase().replace(/[^A-Z0-9]/g, '');
	return db.transaction().execute(async (tx) => {
		const key = fingerprint(typed);
		const found = await lockKey(tx, key, asking.nowMs);
		if (!found || found.kind === 'password') {
			await insertTry(tx, { personId: null, about: `to pair a screen, from ${asking.address}` });
			return fail({ kind: 'key-opens-nothing' as const });
		}
		await useKey(tx, key, asking.nowMs);
		const token = await openSession(
			tx,
			{ kind: found.kind, personId: null, name: found.name, opensAt: found.opens_at },
			asking.nowMs
		);
		await insertDoorEntry(tx, {
			act: 'tablet-paired',
			personId: null,
			byId: found.made_by,
			about: found.name
		});
		return ok(token);
	});
}

/**
 * Puts a tablet into somebody's hands: by the code, or by one tap where the code was typed at this tablet within the shift
 * (`code` null). `personId` null lays it back on its shelf.
 */
export async function takeIntoHands(
	db: Db,
	session: OpenSession,
	wanted: { readonly personId: string; readonly code: string | null } | null,
	nowMs: number
): Promise<Result<null, DoorProblem>> {
	if (session.kind !== 'tablet') return fail({ kind: 'not-permitted' });
	if (!wanted) {
		await db.transaction().execute((tx) => putIntoHands(tx, session.id, null));
		return ok(null);
	}
	const { personId, code } = wanted;
	let untilMs = (await loadHands(db, session.id, nowMs)).get(personId) ?? null;
	if (untilMs === null || code !== null) {
		const seconds = codeTries.take(session.id, personId, nowMs);
		if (seconds !== null) return fail({ kind: 'wait', seconds });
		const kept = (await loadCredentials(db, [personId])).get(personId)?.codeHash ?? null;
		if (!(await isSecretOf(kept, code ?? ''))) {
			// A tap where the code is asked for is no try yet.
			if (code !== null)
				await insertTry(db, {
					personId: kept === null ? null : personId,
					about: `at ${session.name}`
				});
			return fail({ kind: 'wrong' });
		}
		untilMs = nowMs + HANDS_KNOWN_MS;
	}
	const hands = { personId, untilMs };
	await db.transaction().execute(async (tx) => {
		await putIntoHands(tx, session.id, hands);
		await insertDoorEntry(tx, {
			act: 'hands-changed',
			personId,
			byId: personId,
			about: session.name
		});
	});
	return ok(null);
}
