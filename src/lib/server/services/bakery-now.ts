import { bakeryTime } from '../../core/time/index.ts';
import { loadClock } from '../db/bakery.ts';
import type { Db, Tx } from '../db/client.ts';

/** What the bakery's clock shows at a real moment. */
export async function bakeryNow(db: Db | Tx, realNowMs: number): Promise<number> {
	return bakeryTime(await loadClock(db), { epochMs: realNowMs }).epochMs;
}
