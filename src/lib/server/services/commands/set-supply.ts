import { fail, ok } from '../../../core/result.ts';
import type { CommandHandler } from './handler.ts';

/** Sets what taps, chiller and ice can give. Of two who set it at once the second is told. */
export const setSupply: CommandHandler<'set-supply'> = async (tx, command) => {
	const row = await tx
		.updateTable('bakery')
		.set((set) => ({
			ice_form: command.iceForm,
			ice_most_share: command.iceMostShare,
			ice_celsius: command.iceCelsius,
			chilled_water_celsius: command.chilledCelsius,
			hot_tap_celsius: command.hotTapCelsius,
			hottest_water_celsius: command.hottestWaterCelsius,
			row_version: set('row_version', '+', 1)
		}))
		.where('row_version', '=', command.expectedVersion)
		.returning('row_version')
		.executeTakeFirst();
	if (row) return ok({ version: row.row_version });
	const now = await tx.selectFrom('bakery').select('row_version').executeTakeFirst();
	return now
		? fail({ kind: 'settings-changed-meanwhile', version: now.row_version })
		: fail({ kind: 'no-bakery' });
};
