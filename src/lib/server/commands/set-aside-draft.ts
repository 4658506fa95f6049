import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { fail, ok } from '../../core/result.ts';
import { setDraftAside } from '../db/formula-drafts.ts';
import { defineCommand } from './define.ts';

/** Sets a draft aside: it was taken up or is not wanted. The entry stays, it only is no longer shown. */
export const setAsideDraft = defineCommand({
	kind: 'set-aside-draft',
	lane: 'book',
	content: z.object({ draftId: uuidSchema }),
	right: 'change-the-book',
	refusals: ['unknown'],
	handle: async (tx, { draftId, occurredAtMs }) =>
		(await setDraftAside(tx, draftId, occurredAtMs))
			? ok({ draftId })
			: fail({ kind: 'unknown', what: 'draft' })
});
