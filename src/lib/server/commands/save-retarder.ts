import { z } from 'zod';
import { fail, ok } from '../../core/result.ts';
import { isRetarderNameTaken, putRetarder } from '../db/retarders.ts';
import { defineCommand, EVERYONE } from './define.ts';

/** Saves a cold room as heat sees it; a new id is a new one. */
export const saveRetarder = defineCommand({
	kind: 'save-retarder',
	lane: 'settings',
	content: z.object({
		retarderId: z.uuid(),
		name: z.string().trim().min(1).max(200),
		setCelsius: z.number().min(-10).max(20),
		compressorWatts: z.number().positive().max(100_000),
		airKilojoulesPerKelvin: z.number().positive().max(10_000),
		wallsWattsPerKelvin: z.number().min(0).max(1000)
	}),
	permitted: EVERYONE,
	refusals: ['name-taken'],
	handle: async (tx, { retarderId, ...retarder }) => {
		if (await isRetarderNameTaken(tx, retarder.name, retarderId))
			return fail({ kind: 'name-taken', name: retarder.name });
		await putRetarder(tx, { ...retarder, id: retarderId });
		return ok({ retarderId });
	}
});
