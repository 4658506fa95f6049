import { z } from 'zod';
import { nameSchema } from '../../contracts/text.ts';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { RETARDER_LIMITS } from '../../contracts/limits.ts';
import { fail, ok } from '../../core/result.ts';
import { loadPlaces } from '../db/places.ts';
import { putRetarder } from '../db/retarders.ts';
import { defineCommand, EVERYONE } from './define.ts';
import { nameProblem } from './name-problem.ts';

/** Saves a cold room as heat sees it; a new id is a new one. */
export const saveRetarder = defineCommand({
	kind: 'save-retarder',
	lane: 'settings',
	content: z.object({
		retarderId: uuidSchema,
		name: nameSchema,
		setCelsius: z.number().min(-10).max(20),
		compressorWatts: z.number().min(RETARDER_LIMITS.leastCompressorWatts).max(50_000),
		airKilojoulesPerKelvin: z.number().min(RETARDER_LIMITS.leastAirKilojoulesPerKelvin).max(10_000),
		wallsWattsPerKelvin: z.number().min(0).max(1000)
	}),
	permitted: EVERYONE,
	refusals: ['name-taken', 'name-alike'],
	handle: async (tx, { retarderId, nameMeant, ...retarder }) => {
		// It is a place among the others: names are one list.
		const all = [...(await loadPlaces(tx)).values()];
		const problem = nameProblem(
			retarder.name,
			all.filter((other) => other.id !== retarderId).map((other) => other.name),
			{ before: all.find((other) => other.id === retarderId)?.name ?? null, meant: nameMeant }
		);
		if (problem) return fail(problem);
		await putRetarder(tx, { ...retarder, id: retarderId });
		return ok({ retarderId });
	}
});
