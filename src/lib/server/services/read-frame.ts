import type { BakeryView } from '../../contracts/views.ts';
import type { Visitor } from '../auth/visitor.ts';
import type { Db } from '../db/client.ts';
import { readBakery } from './read-bakery.ts';

/** What the frame of every room shows; null where nobody is signed in. */
export async function readFrame(db: Db, { actor, session }: Visitor): Promise<BakeryView | null> {
	if (!actor) return null;
	const isKeyless = session?.kind === 'desk' && !session.hasPassword;
	return readBakery(db, actor, { at: session?.kind ?? 'desk', isKeyless });
}
