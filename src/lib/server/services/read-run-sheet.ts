import type { RunSheetView } from '../../contracts/views.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadBakeryDay } from './day-production.ts';
import { readPlan } from './read-plan.ts';
import { rolledOutOf } from './rolled-out.ts';
import { readWater } from './read-water.ts';

/** The accepted plan of a date with the water of its mixes and builds, by the temperatures of the moment. */
export async function readRunSheet(
	db: Db,
	date: BakeDate,
	realNowMs: number
): Promise<RunSheetView> {
	const loaded = loadBakeryDay(db, date);
	const [day, plan, water] = await Promise.all([
		loaded,
		readPlan(db, date, loaded),
		readWater(db, date, realNowMs, loaded)
	]);
	return {
		...plan,
		rolledOut: rolledOutOf(day),
		customers: day.customers,
		waters: [
			...water.mixes.map(({ formulaId: recipeId, ordinal, water }) => ({
				recipeId,
				ordinal,
				water
			})),
			...water.builds.map(({ preparationId: recipeId, ordinal, water }) => ({
				recipeId,
				ordinal,
				water
			}))
		].flatMap(({ recipeId, ordinal, water }) =>
			water ? [{ recipeId, ordinal, liquid: water.liquid, order: water.order }] : []
		)
	};
}
