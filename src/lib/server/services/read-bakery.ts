import type { SessionKind } from '../../contracts/door-views.ts';
import type { BakeryView } from '../../contracts/views.ts';
import { goesOn, isClosedOn } from '../../core/bakery/index.ts';
import {
	addDays,
	bakeryTime,
	instantOf,
	wallTimeOf,
	type BakeDate,
	type Instant
} from '../../core/time/index.ts';
import type { Actor } from '../auth/actor.ts';
import { loadBakery, loadClock } from '../db/bakery.ts';
import type { Db } from '../db/client.ts';
import { loadEntries } from '../db/entries.ts';
import { dropsOf, placesOf } from '../db/of-entries.ts';
import { BakeryNotSetUp } from './day-production.ts';

/** What the frame of every room shows. */
export async function readBakery(
	db: Db,
	actor: Actor,
	cameIn: { readonly at: SessionKind; readonly isKeyless: boolean }
): Promise<BakeryView> {
	const [bakery, clock, entries] = await Promise.all([
		loadBakery(db),
		loadClock(db),
		loadEntries(db, 'newest', ['place'])
	]);
	if (!bakery) throw new BakeryNotSetUp();
	return {
		name: bakery.name,
		timeZone: bakery.timeZone,
		units: bakery.units,
		clock,
		actor: { id: actor.id, name: actor.name, role: actor.role, ...cameIn },
		places: [...placesOf(entries, 'in-use').values()]
	};
}

/**
 * The date a baker is working towards: the first that is open and whose last drop is still ahead. In the small hours
 * that is today, once the bread has left it is tomorrow.
 */
export async function readNextBake(
	db: Db,
	realNow: Instant
): Promise<{ readonly date: BakeDate; readonly hasDrops: boolean }> {
	const [bakery, clock, entries] = await Promise.all([
		loadBakery(db),
		loadClock(db),
		loadEntries(db, 'newest', ['drop', 'closed-days'])
	]);
	if (!bakery) throw new BakeryNotSetUp();
	const now = bakeryTime(clock, realNow);
	const { date } = wallTimeOf(now, bakery.timeZone);
	const drops = dropsOf(entries);
	const found = (day: BakeDate) => ({ date: day, hasDrops: drops.length > 0 });
	const goesAhead = (day: BakeDate) =>
		drops.some(
			(drop) =>
				goesOn(drop, day) && instantOf(day, drop.dueTime, bakery.timeZone).epochMs > now.epochMs
		);
	const closed = entries.of('closed-days');
	for (let ahead = 0; ahead < MOST_DAYS_CLOSED; ahead += 1) {
		const day = addDays(date, ahead);
		if (!closed.some(({ content }) => isClosedOn(content, day)) && goesAhead(day))
			return found(day);
	}
	return found(addDays(date, 1));
}

/** Further ahead than the longest holiday nobody looks for a drop. */
const MOST_DAYS_CLOSED = 60;
