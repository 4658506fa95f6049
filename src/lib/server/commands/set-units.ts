import { z } from 'zod';
import { fail, ok } from '../../core/result.ts';
import { updateUnits } from '../db/bakery.ts';
import { defineCommand } from './define.ts';

/** Sets how the bakery reads its figures; what is stored stays grams and degrees Celsius. */
export const setUnits = defineCommand({
	kind: 'set-units',
	lane: 'settings',
	content: z.object({
		mass: z.enum(['metric', 'imperial']),
		temperature: z.enum(['celsius', 'fahrenheit'])
	}),
	right: 'keep-the-house',
	refusals: ['no-bakery'],
	handle: async (tx, { mass, temperature }) => {
		const version = await updateUnits(tx, { mass, temperature });
		return version === null ? fail({ kind: 'no-bakery' }) : ok({ version });
	}
});
