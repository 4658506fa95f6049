import { fail, ok } from '../../../core/result.ts';
import { loadBakeryDay } from '../day-production.ts';
import type { CommandHandler } from './handler.ts';
import { findMixedDough } from './mixed-dough.ts';

/** Writes down how warm a dough is where it stands, or an autolyse before the mix goes on. */
export const checkDough: CommandHandler<'check-dough'> = async (tx, command) => {
	if (command.stage === 'dough') {
		const found = await findMixedDough(tx, command);
		if (!found.ok) return found;
	} else {
		const day = await loadBakeryDay(tx, command.date);
		const dough = day.production.doughs.find(
			(one) => one.resolved.formula.id === command.formulaId
		);
		if (!dough?.mixes.some((one) => one.ordinal === command.ordinal))
			return fail({ kind: 'unknown', what: 'mix' });
	}
	await tx
		.insertInto('dough_check')
		.values({
			id: command.id,
			command_id: command.id,
			bake_date: command.date,
			formula_id: command.formulaId,
			ordinal: command.ordinal,
			stage: command.stage,
			celsius: command.celsius,
			instrument: command.instrument,
			place: command.place,
			ambient_celsius: command.ambientCelsius,
			occurred_at: new Date(command.occurredAtMs)
		})
		.execute();
	return ok({ checkId: command.id });
};
