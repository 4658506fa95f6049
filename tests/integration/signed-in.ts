import type { Db } from '../../src/lib/server/db/client.ts';
import { openSession } from '../../src/lib/server/auth/doors.ts';
import { headBaker } from '../../src/lib/server/auth/actor.ts';

export const SESSION_COOKIE = 'jovet-session';

/** Opens a session at a desk, as signing in does, without a password; of the head baker, where nobody is named. */
export async function signedIn(db: Db, personId?: string): Promise<string> {
	const wanted = personId ?? (await headBaker(db))?.id;
	if (wanted === undefined) throw new Error('there is nobody to sign in');
	return db
		.transaction()
		.execute((tx) =>
			openSession(
				tx,
				{ kind: 'desk', personId: wanted, name: 'a browser of the tests', opensAt: '' },
				Date.now()
			)
		);
}

/** What a browser with that session sends. */
export async function cookieOf(db: Db, personId?: string): Promise<string> {
	return `${SESSION_COOKIE}=${await signedIn(db, personId)}`;
}
