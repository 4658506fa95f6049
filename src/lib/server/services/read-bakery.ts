import type { BakeryView, DropView } from '../../contracts/views.ts';
import { id, type DropId } from '../../core/identity.ts';
import {
	addDays,
	bakeryTime,
	instantOf,
	wallTimeOf,
	type BakeDate,
	type Instant
} from '../../core/time/index.ts';
import type { Actor } from '../auth/actor.ts';
import { loadBakery, loadClock, loadDrops } from '../db/bakery.ts';
import type { Db } from '../db/client.ts';
import { loadPlaces } from '../db/places.ts';
import { BakeryNotSetUp } from './day-production.ts';

/** What the frame of every room shows. */
export async function readBakery(db: Db, actor: Actor): Promise<BakeryView> {
	const [bakery, clock, places] = await Promise.all([
		loadBakery(db),
		loadClock(db),
		loadPlaces(db)
	]);
	if (!bakery) throw new BakeryNotSetUp();
	return {
		name: bakery.name,
		timeZone: bakery.timeZone,
		units: bakery.units,
		clock,
		actor: { name: actor.name, role: actor.role },
		places: [...places.values()]
	};
}

/**
 * The date a baker is working towards: the first whose last drop is still ahead. In the small hours
 * that is today, once the bread has left it is tomorrow.
 */
export async function readNextBakeDate(db: Db, realNow: Instant): Promise<BakeDate> {
	const [bakery, clock, drops] = await Promise.all([loadBakery(db), loadClock(db), loadDrops(db)]);
	if (!bakery) throw new BakeryNotSetUp();
	const now = bakeryTime(clock, realNow);
	const { date } = wallTimeOf(now, bakery.timeZone);
	const lastDrop = drops.at(-1);
	const ahead =
		lastDrop !== undefined &&
		instantOf(date, lastDrop.dueTime, bakery.timeZone).epochMs > now.epochMs;
	return ahead ? date : addDays(date, 1);
}

/** A drop on its date, as pages show it. */
export function dropView(drop: {
	readonly id: string;
	readonly name: string;
	readonly dueTime: DropView['dueTime'];
	readonly dueMs: number;
}): DropView {
	return { id: id<DropId>(drop.id), name: drop.name, dueTime: drop.dueTime, dueMs: drop.dueMs };
}
