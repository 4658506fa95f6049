import type { LearnedSubject } from '../../../contracts/dough-commands.ts';
import { fail, ok } from '../../../core/result.ts';
import type { CommandHandler } from './handler.ts';

/** Where the observations of each subject stand. */
const TABLE = {
	friction: 'dough_temperature',
	'time-constant': 'dough_check',
	clock: 'readiness_judgement'
} as const satisfies Record<LearnedSubject, string>;

/** Lets an observation not count, or count again. The entry itself stands. */
export const ignoreObservation: CommandHandler<'ignore-observation'> = async (tx, command) => {
	const { observationId, ignored, subject } = command;
	const there = await tx
		.selectFrom(TABLE[subject])
		.select('id')
		.where('id', '=', observationId)
		.executeTakeFirst();
	if (!there) return fail({ kind: 'unknown', what: 'observation' });
	if (ignored)
		await tx
			.insertInto('observation_ignored')
			.values({ observation_id: observationId, command_id: command.id })
			.onConflict((conflict) => conflict.doNothing())
			.execute();
	else
		await tx
			.deleteFrom('observation_ignored')
			.where('observation_id', '=', observationId)
			.execute();
	return ok({ ignored });
};
