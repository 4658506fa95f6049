import type { RunSheetView } from '../../contracts/views.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Db } from '../db/client.ts';
import { loadEntries } from '../db/entries.ts';
import { readPlan } from './read-plan.ts';
import { readRolledOut } from './rolled-out.ts';
import { readWater } from './read-water.ts';

/** The accepted plan of a date with the water of its mixes and builds, by the temperatures of the moment. */
export async function readRunSheet(
	db: Db,
	date: BakeDate,
	realNowMs: number
): Promise<RunSheetView> {
	const [plan, water, entries, rolledOut] = await Promise.all([
		readPlan(db, date),
		readWater(db, date, realNowMs),
		loadEntries(db, date, ['customer']),
		readRolledOut(db, date)
	]);
	return {
		...plan,
		rolledOut,
		customers: entries.of('customer').map(({ name, content: { dropId, note } }) => ({
			dropId,
			name,
			note
		})),
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
