import { fail, ok } from '../../../core/result.ts';
import { loadBakery } from '../../db/bakery.ts';
import { addToDays } from '../../db/devices.ts';
import type { CommandHandler } from './handler.ts';

/** Writes down a temperature. A correction is a new reading that points at the old one. */
export const takeReading: CommandHandler<'take-reading'> = async (tx, command) => {
	const { preparationId, correctsId, quantity } = command;
	if (preparationId) {
		const known = await tx
			.selectFrom('preparation')
			.select('id')
			.where('id', '=', preparationId)
			.executeTakeFirst();
		if (!known) return fail({ kind: 'unknown', what: 'build' });
	}
	if (correctsId) {
		const corrected = await tx
			.selectFrom('reading')
			.select('id')
			.where('id', '=', correctsId)
			.where('quantity', '=', quantity)
			.where('preparation_id', preparationId === null ? 'is' : '=', preparationId)
			.executeTakeFirst();
		if (!corrected) return fail({ kind: 'unknown', what: 'reading' });
	}
	// The reading takes the command's id: one command writes one reading.
	await tx
		.insertInto('reading')
		.values({
			id: command.id,
			command_id: command.id,
			quantity,
			preparation_id: preparationId,
			celsius: command.celsius,
			instrument: command.instrument,
			corrects_id: correctsId,
			occurred_at: new Date(command.occurredAtMs)
		})
		.execute();
	const bakery = await loadBakery(tx);
	// A correction does not make the day warmer; what it corrects stays in the day's mean, as one of many.
	if (bakery && quantity !== 'preferment' && correctsId === null)
		await addToDays(
			tx,
			[{ quantity, celsius: command.celsius, atMs: command.occurredAtMs }],
			bakery.timeZone
		);
	return ok({ readingId: command.id });
};
