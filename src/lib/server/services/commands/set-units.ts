import { fail, ok } from '../../../core/result.ts';
import type { CommandHandler } from './handler.ts';

/** Sets how the bakery reads its figures; what is stored stays grams and degrees Celsius. */
export const setUnits: CommandHandler<'set-units'> = async (tx, command) => {
	const row = await tx
		.updateTable('bakery')
		.set((set) => ({
			mass_units: command.mass,
			temperature_units: command.temperature,
			row_version: set('row_version', '+', 1)
		}))
		.returning('row_version')
		.executeTakeFirst();
	return row ? ok({ version: row.row_version }) : fail({ kind: 'no-bakery' });
};
