import { fail, ok } from '../../../core/result.ts';
import type { CommandHandler } from './handler.ts';

/** Says how much earlier than its drops one mix should be ready. */
export const setLead: CommandHandler<'set-lead'> = async (tx, command, actor) => {
	const { date, formulaId, ordinal, minutes, expectedVersion } = command;
	const formula = await tx
		.selectFrom('formula')
		.select('id')
		.where('id', '=', formulaId)
		.executeTakeFirst();
	if (!formula) return fail({ kind: 'unknown', what: 'formula' });
	const key = { bake_date: date, formula_id: formulaId, ordinal };
	if (expectedVersion === 0)
		await tx
			.insertInto('mix_lead')
			.values({ ...key, minutes: 0, row_version: 0, changed_by: actor.id })
			.onConflict((conflict) => conflict.doNothing())
			.execute();
	const lead = await tx
		.selectFrom('mix_lead')
		.innerJoin('person', 'person.id', 'mix_lead.changed_by')
		.select(['mix_lead.minutes', 'mix_lead.row_version', 'person.name'])
		.where('bake_date', '=', date)
		.where('formula_id', '=', formulaId)
		.where('ordinal', '=', ordinal)
		.forUpdate('mix_lead')
		.executeTakeFirst();
	if (!lead || lead.row_version !== expectedVersion)
		return fail({
			kind: 'changed-meanwhile',
			version: lead?.row_version ?? 0,
			value: lead?.minutes ?? 0,
			by: lead?.name ?? actor.name
		});
	const version = lead.row_version + 1;
	await tx
		.updateTable('mix_lead')
		.set({ minutes, row_version: version, changed_by: actor.id })
		.where('bake_date', '=', date)
		.where('formula_id', '=', formulaId)
		.where('ordinal', '=', ordinal)
		.execute();
	return ok({ version, minutes });
};
