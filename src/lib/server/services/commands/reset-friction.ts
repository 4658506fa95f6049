import { sql } from 'kysely';
import { fail, ok } from '../../../core/result.ts';
import type { CommandHandler } from './handler.ts';

/** Lets the friction of a formula be learned anew: what was measured before no longer counts. */
export const resetFriction: CommandHandler<'reset-friction'> = async (tx, command) => {
	const there = await tx
		.selectFrom('formula')
		.select('id')
		.where('id', '=', command.formulaId)
		.executeTakeFirst();
	if (!there) return fail({ kind: 'unknown', what: 'formula' });
	const row = { at: new Date(command.occurredAtMs), command_id: command.id };
	await tx
		.insertInto('friction_reset')
		.values({ formula_id: command.formulaId, ...row })
		.onConflict((conflict) =>
			conflict.column('formula_id').doUpdateSet({ ...row, recorded_at: sql<Date>`now()` })
		)
		.execute();
	return ok({ formulaId: command.formulaId });
};
