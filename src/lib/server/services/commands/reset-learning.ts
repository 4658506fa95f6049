import { sql } from 'kysely';
import { fail, ok } from '../../../core/result.ts';
import type { CommandHandler } from './handler.ts';

/** Lets a figure of a formula be learned anew: what was observed before no longer counts. */
export const resetLearning: CommandHandler<'reset-learning'> = async (tx, command) => {
	const there = await tx
		.selectFrom('formula')
		.select('id')
		.where('id', '=', command.formulaId)
		.executeTakeFirst();
	if (!there) return fail({ kind: 'unknown', what: 'formula' });
	const row = { at: new Date(command.occurredAtMs), command_id: command.id };
	await tx
		.insertInto('learning_reset')
		.values({ subject: command.subject, formula_id: command.formulaId, ...row })
		.onConflict((conflict) =>
			conflict
				.columns(['subject', 'formula_id'])
				.doUpdateSet({ ...row, recorded_at: sql<Date>`now()` })
		)
		.execute();
	return ok({ formulaId: command.formulaId });
};
