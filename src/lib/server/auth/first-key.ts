import { loadBakery } from '../db/bakery.ts';
import type { Db } from '../db/client.ts';
import { loadCredentials } from '../db/doors.ts';
import { headBaker } from './actor.ts';
import { makePasswordKey, openDesk, type Asking } from './doors.ts';

/**
 * Where a bakery has people but nobody has a password (its data is older than its doors, or came as an archive), whoever
 * starts Jovet on its machine is told the one address at which the head baker chooses the first.
 */
export async function announceKeyOfTheFirst(db: Db, origin: string, nowMs: number): Promise<void> {
	if (!(await loadBakery(db)) || (await loadCredentials(db)).size > 0) return;
	const head = await headBaker(db);
	if (!head) return;
	const key = await makePasswordKey(db, head.id, null, nowMs);
	console.error(
		`Nobody has a password here yet. ${head.name} chooses one, once and within a day, at\n  ${origin}/let-in/${key}`
	);
}

/** Who has just begun a bakery is signed in with that, and chooses a password as the first thing. */
export function welcomeFounder(db: Db, personId: string, asking: Asking): Promise<string> {
	return db.transaction().execute((tx) => openDesk(tx, personId, asking));
}
