import { z } from 'zod';
import { WATER_SCHOOLS } from '../../core/heat/index.ts';
import { ok } from '../../core/result.ts';
import { updateWaterSchool } from '../db/bakery.ts';
import { defineCommand } from './define.ts';

/** Sets by which school the bakery finds its water; the other two stay beside it. */
export const setWaterSchool = defineCommand({
	kind: 'set-water-school',
	lane: 'settings',
	content: z.object({
		school: z.enum(WATER_SCHOOLS),
		/** By the factor rule the soaker counts as a part of its own; left out, it stays as it is. */
		countsSoakers: z.boolean().optional()
	}),
	right: 'change-the-plan',
	refusals: [],
	handle: async (tx, { school, countsSoakers }) => {
		await updateWaterSchool(tx, school, countsSoakers);
		return ok({ school });
	}
});
