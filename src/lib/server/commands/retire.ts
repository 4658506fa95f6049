import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { fail, ok } from '../../core/result.ts';
import { setRetired } from '../db/retire.ts';
import { defineCommand } from './define.ts';

/**
 * Retires something of the book, or brings it back. Nothing in use is deleted: what names it goes on, it
 * is only no longer offered for new work.
 */
export const retire = defineCommand({
	kind: 'retire',
	lane: 'book',
	content: z.object({
		what: z.enum(['formula', 'build', 'product', 'ingredient']),
		entityId: uuidSchema,
		/** False brings it back. */
		retired: z.boolean()
	}),
	right: 'change-the-book',
	refusals: ['unknown'],
	handle: async (tx, { what, entityId, retired, occurredAtMs }) => {
		const changed = await setRetired(tx, what, entityId, retired ? occurredAtMs : null);
		return changed ? ok({ retired }) : fail({ kind: 'unknown', what });
	}
});
