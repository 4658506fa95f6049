import type { ActingRole } from '../../contracts/rights.ts';
import type { Db } from '../db/client.ts';
import { loadEntries } from '../db/entries.ts';

/** Who does something. Every command carries one. */
export interface Actor {
	readonly id: string;
	readonly name: string;
	readonly role: ActingRole;
}

/** The head baker of the bakery, for what the demo does in her name; null where there is nobody. */
export async function headBaker(db: Db): Promise<Actor | null> {
	const people = (await loadEntries(db, 'newest', ['person'])).of('person');
	const head = people.find(({ content }) => content.role === 'head-baker') ?? people[0];
	return head ? { id: head.id, name: head.name, role: head.content.role } : null;
}
