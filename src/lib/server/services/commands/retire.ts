import { fail, ok } from '../../../core/result.ts';
import type { CommandHandler } from './handler.ts';

const TABLES = {
	formula: 'formula',
	build: 'preparation',
	product: 'product',
	ingredient: 'ingredient'
} as const;

/**
 * Retires something of the book, or brings it back. Nothing in use is deleted: what names it goes on, it
 * is only no longer offered for new work.
 */
export const retire: CommandHandler<'retire'> = async (tx, command) => {
	const retired_at = command.retired ? new Date(command.occurredAtMs) : null;
	const changed = await tx
		.updateTable(TABLES[command.what])
		.set({ retired_at })
		.where('id', '=', command.entityId)
		.returning('id')
		.executeTakeFirst();
	return changed ? ok({ retired: command.retired }) : fail({ kind: 'unknown', what: command.what });
};
