import { z } from 'zod';
import { id, type BatchId, type FormulaId, type PreparationId } from '../core/identity.ts';
import { bakeDateSchema, uuidSchema } from './border-schemas.ts';
import { MOST_BATCH_GRAMS } from './limits.ts';

const planned = {
	date: bakeDateSchema,
	ordinal: z.int().min(1).max(500),
	/** By which revision and how heavy it was told; it is begun as it was told, whatever changed meanwhile. */
	revisionId: uuidSchema,
	grams: z.number().positive().max(MOST_BATCH_GRAMS)
};

/**
 * Which batch a command speaks of: one that was begun, by its id, or one that is only planned, by its place in
 * its date, with what the hand was told of it.
 */
export const batchNameSchema = z.discriminatedUnion('kind', [
	z.object({
		kind: z.literal('made'),
		batchId: uuidSchema.transform((value) => id<BatchId>(value))
	}),
	z.object({
		kind: z.literal('planned-mix'),
		formulaId: uuidSchema.transform((value) => id<FormulaId>(value)),
		...planned
	}),
	z.object({
		kind: z.literal('planned-preparation'),
		preparationId: uuidSchema.transform((value) => id<PreparationId>(value)),
		...planned
	})
]);
export type BatchName = z.infer<typeof batchNameSchema>;
