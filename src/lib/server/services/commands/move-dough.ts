import { fail, ok } from '../../../core/result.ts';
import { loadRetarders } from '../../db/retarders.ts';
import type { CommandHandler } from './handler.ts';
import { findMixedDough } from './mixed-dough.ts';

/** Writes down that a dough went to another place, or that its wait is over. */
export const moveDough: CommandHandler<'move-dough'> = async (tx, command) => {
	const found = await findMixedDough(tx, command);
	if (!found.ok) return found;
	const { retarderId } = command;
	if (retarderId !== null && !(await loadRetarders(tx)).some((one) => one.id === retarderId))
		return fail({ kind: 'unknown', what: 'retarder' });
	await tx
		.insertInto('dough_move')
		.values({
			id: command.id,
			command_id: command.id,
			bake_date: command.date,
			formula_id: command.formulaId,
			ordinal: command.ordinal,
			place: command.place,
			ambient_celsius: command.ambientCelsius,
			time_constant_min: command.timeConstantMinutes,
			retarder_id: retarderId,
			ended: command.ended,
			occurred_at: new Date(command.occurredAtMs)
		})
		.execute();
	return ok({ moveId: command.id });
};
