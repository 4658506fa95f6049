import type { BakeryEntry } from '../../core/bakery/index.ts';
import { bakeryTime, wallTimeOf } from '../../core/time/index.ts';
import { loadBakery, loadClock } from '../db/bakery.ts';
import type { Db } from '../db/client.ts';
import { loadEntries } from '../db/entries.ts';

/** Who works in the bakery today, by its own clock: whoever leaves next month comes in until then, as what they are today. */
export async function peopleNow(
	db: Db,
	realNowMs: number
): Promise<readonly BakeryEntry<'person'>[]> {
	const [bakery, clock] = await Promise.all([loadBakery(db), loadClock(db)]);
	if (!bakery) return [];
	const today = wallTimeOf(bakeryTime(clock, { epochMs: realNowMs }), bakery.timeZone).date;
	return (await loadEntries(db, today, ['person'])).of('person');
}
