import { z } from 'zod';
import type { BakeDayInput } from '../core/bake-day/index.ts';
import { stepsSchema } from './steps.ts';

/**
 * Reads the input of a plan that was stored, maybe by an earlier version of the application: what that
 * version did not know yet gets the value it meant. Everything else was written from the same types.
 */
const storedInput = z.looseObject({
	builds: z.array(
		z.looseObject({ steps: stepsSchema, takenByProducts: z.array(z.string()).default([]) })
	),
	doughs: z.array(
		z.looseObject({
			steps: stepsSchema,
			mixes: z.array(
				z.looseObject({
					lots: z.array(z.looseObject({ role: z.enum(['carries', 'joins']).default('carries') }))
				})
			)
		})
	),
	products: z.array(z.looseObject({ steps: stepsSchema }))
});

export function readStoredInput(stored: unknown): BakeDayInput {
	return storedInput.parse(stored) as unknown as BakeDayInput;
}
