import { fail, ok } from '../../../core/result.ts';
import type { CommandHandler } from './handler.ts';

/** Sets a draft aside: it was taken up or is not wanted. The entry stays, it only is no longer shown. */
export const setAsideDraft: CommandHandler<'set-aside-draft'> = async (tx, command) => {
	const changed = await tx
		.updateTable('formula_draft')
		.set({ set_aside_at: new Date(command.occurredAtMs) })
		.where('id', '=', command.draftId)
		.returning('id')
		.executeTakeFirst();
	return changed ? ok({ draftId: command.draftId }) : fail({ kind: 'unknown', what: 'draft' });
};
