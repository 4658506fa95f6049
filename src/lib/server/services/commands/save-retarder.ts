import { fail, ok } from '../../../core/result.ts';
import type { CommandHandler } from './handler.ts';

/** Saves a cold room as heat sees it; a new id is a new one. */
export const saveRetarder: CommandHandler<'save-retarder'> = async (tx, command) => {
	const taken = await tx
		.selectFrom('retarder')
		.select('id')
		.where('name', '=', command.name)
		.where('id', '<>', command.retarderId)
		.executeTakeFirst();
	if (taken) return fail({ kind: 'name-taken', name: command.name });
	const row = {
		name: command.name,
		set_celsius: command.setCelsius,
		compressor_w: command.compressorWatts,
		air_kj_per_k: command.airKilojoulesPerKelvin,
		walls_w_per_k: command.wallsWattsPerKelvin
	};
	await tx
		.insertInto('retarder')
		.values({ id: command.retarderId, ...row })
		.onConflict((conflict) => conflict.column('id').doUpdateSet(row))
		.execute();
	return ok({ retarderId: command.retarderId });
};
