import { fail, ok } from '../../../core/result.ts';
import type { CommandHandler } from './handler.ts';

/** Writes down a delivery of a flour with what is known of it; the entry stands as it was written. */
export const addDelivery: CommandHandler<'add-delivery'> = async (tx, command) => {
	const { deliveryId, ingredientId, lot, properties } = command;
	const flour = await tx
		.selectFrom('ingredient')
		.select('id')
		.where('id', '=', ingredientId)
		.executeTakeFirst();
	if (!flour) return fail({ kind: 'unknown', what: 'ingredient' });
	const made = await tx
		.insertInto('flour_delivery')
		.values({
			id: deliveryId,
			ingredient_id: ingredientId,
			command_id: command.id,
			received_on: command.receivedOn,
			lot,
			extraction_percent: properties.extractionPercent,
			protein_percent: properties.proteinPercent,
			ash_percent: properties.ashPercent,
			moisture_percent: properties.moisturePercent,
			falling_number_s: properties.fallingNumberSeconds,
			absorption_points: properties.absorptionPoints,
			milling: properties.milling,
			wholegrain_percent: properties.wholegrainPercent
		})
		.onConflict((conflict) => conflict.doNothing())
		.returning('id')
		.executeTakeFirst();
	return made ? ok({ deliveryId }) : fail({ kind: 'name-taken', name: lot });
};
