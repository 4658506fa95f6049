import { fail, ok } from '../../../core/result.ts';
import type { CommandHandler } from './handler.ts';

/** Lets a measured dough temperature not count, or count again. The entry itself stands. */
export const judgeDoughTemperature: CommandHandler<'judge-dough-temperature'> = async (
	tx,
	command
) => {
	const { readingId, ignored } = command;
	const there = await tx
		.selectFrom('dough_temperature')
		.select('id')
		.where('id', '=', readingId)
		.executeTakeFirst();
	if (!there) return fail({ kind: 'unknown', what: 'reading' });
	if (ignored)
		await tx
			.insertInto('dough_temperature_ignored')
			.values({ dough_temperature_id: readingId, command_id: command.id })
			.onConflict((conflict) => conflict.doNothing())
			.execute();
	else
		await tx
			.deleteFrom('dough_temperature_ignored')
			.where('dough_temperature_id', '=', readingId)
			.execute();
	return ok({ ignored });
};
