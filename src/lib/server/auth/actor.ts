import type { Db } from '../db/client.ts';
import { findHeadBaker } from '../db/people.ts';

/** Who does something. Every command carries one. */
export interface Actor {
	readonly id: string;
	readonly name: string;
	readonly role: 'head-baker' | 'baker';
}

/**
 * Who this request acts as. Until people sign in, the application acts as the bakery's head baker; a
 * session will answer here later, and nothing else has to change.
 */
export function currentActor(db: Db): Promise<Actor | null> {
	return findHeadBaker(db);
}
