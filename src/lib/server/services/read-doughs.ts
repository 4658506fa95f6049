import type { DoughsView } from '../../contracts/dough-views.ts';
import { id, type DropId } from '../../core/identity.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { buildsApart } from './builds-apart.ts';
import { loadBakeryDay } from './day-production.ts';
import { overOfDay } from './over-of-day.ts';

/** The doughs, mixes and builds of a date with their weigh-ups. */
export async function readDoughs(db: Db, date: BakeDate): Promise<DoughsView> {
	const day = await loadBakeryDay(db, date);
	return {
		date,
		drops: day.drops.map(({ id: dropId, name }) => ({ id: id<DropId>(dropId), name })),
		production: day.production,
		mixerMostGrams: day.mixerMostGrams,
		over: overOfDay(day),
		shared: await buildsApart(db, day)
	};
}
