import type { BakeryView } from '../../contracts/views.ts';
import { currentActor } from '../auth/actor.ts';
import type { Db } from '../db/client.ts';
import { readBakery } from './read-bakery.ts';

/** What the frame of every room shows; null where there is no bakery yet. */
export async function readFrame(db: Db): Promise<BakeryView | null> {
	const actor = await currentActor(db);
	return actor ? readBakery(db, actor) : null;
}
