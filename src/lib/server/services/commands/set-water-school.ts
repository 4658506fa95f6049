import { ok } from '../../../core/result.ts';
import type { CommandHandler } from './handler.ts';

/** Sets by which school the bakery finds its water; the other two stay beside it. */
export const setWaterSchool: CommandHandler<'set-water-school'> = async (tx, command) => {
	await tx.updateTable('bakery').set({ water_school: command.school }).execute();
	return ok({ school: command.school });
};
