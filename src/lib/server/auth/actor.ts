import type { Db } from '../db/client.ts';
import type { Role } from '../../core/bakery/index.ts';
import { loadEntries } from '../db/entries.ts';

/** Who does something. Every command carries one. */
export interface Actor {
	readonly id: string;
	readonly name: string;
	/** A founder opens a database in which there is nobody yet. */
	readonly role: Role | 'founder';
}

/**
 * Who this request acts as. Until people sign in, the application acts as the bakery's head baker; a
 * session will answer here later, and nothing else has to change.
 */
export async function currentActor(db: Db): Promise<Actor | null> {
	const people = (await loadEntries(db, 'newest', ['person'])).of('person');
	const head = people.find(({ content }) => content.role === 'head-baker') ?? people[0];
	return head ? { id: head.id, name: head.name, role: head.content.role } : null;
}
