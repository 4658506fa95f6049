import { sql } from 'kysely';
import type { LearnedSubject } from '../../core/learning/index.ts';
import type { Tx } from './client.ts';
import type { EveryColumn } from './tables.ts';

/** Lets an observation not count, or count again. */
export async function setIgnored(
	tx: Tx,
	observationId: string,
	ignored: boolean,
	commandId: string
): Promise<void> {
	if (!ignored) {
		await tx
			.deleteFrom('observation_ignored')
			.where('observation_id', '=', observationId)
			.execute();
		return;
	}
	const row: EveryColumn<'observation_ignored'> = {
		observation_id: observationId,
		command_id: commandId
	};
	await tx
		.insertInto('observation_ignored')
		.values(row)
		.onConflict((conflict) => conflict.doNothing())
		.execute();
}

/** From a moment on a figure of a formula is learned anew. */
export async function putLearningReset(
	tx: Tx,
	reset: {
		readonly subject: LearnedSubject;
		readonly formulaId: string;
		readonly atMs: number;
		readonly commandId: string;
	}
): Promise<void> {
	const moment = {
		at: new Date(reset.atMs),
		command_id: reset.commandId,
		recorded_at: sql<Date>`now()`
	};
	await tx
		.insertInto('learning_reset')
		.values({ subject: reset.subject, formula_id: reset.formulaId, ...moment })
		.onConflict((conflict) => conflict.columns(['subject', 'formula_id']).doUpdateSet(moment))
		.execute();
}
