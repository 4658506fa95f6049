import { z } from 'zod';
import { uuidSchema } from '../../contracts/border-schemas.ts';
import { READING_LIMITS, STIRRED_LIMITS } from '../../contracts/limits.ts';
import { READING_QUANTITIES, type ReadingQuantity } from '../../core/mixing/index.ts';
import { id, type PlaceId, type PreparationId } from '../../core/identity.ts';
import { fail, ok } from '../../core/result.ts';
import { loadBakery } from '../db/bakery.ts';
import { addToDays } from '../db/devices.ts';
import { loadEntries } from '../db/entries.ts';
import { placesOf } from '../db/of-entries.ts';
import { isPreparationKnown } from '../db/preparations.ts';
import { insertReading, isReadingKnown } from '../db/readings.ts';
import { defineCommand } from './define.ts';

/** Writes down a temperature. A correction is a new reading that points at the old one. */
export const takeReading = defineCommand({
	kind: 'take-reading',
	lane: 'readings',
	content: z
		.object({
			quantity: z.enum(READING_QUANTITIES),
			/** The build measured, when the quantity is a pre-ferment. */
			preparationId: uuidSchema.transform((value) => id<PreparationId>(value)).nullable(),
			/** The place read, when the quantity is one. */
			placeId: uuidSchema
				.transform((value) => id<PlaceId>(value))
				.nullable()
				.default(null),
			celsius: z.number().min(STIRRED_LIMITS.least.celsius).max(STIRRED_LIMITS.most.celsius),
			/** `probe` where a hand took over what a probe said. */
			instrument: z.enum(['typed', 'probe', 'core-probe', 'surface-thermometer']),
			/** The reading this one corrects. */
			correctsId: uuidSchema.nullable()
		})
		.refine(
			({ quantity, celsius }) =>
				quantity === 'preferment' || celsius <= READING_LIMITS.most.celsius,
			{
				message: `only a scald is hotter than ${READING_LIMITS.most.celsius} °C`,
				path: ['celsius']
			}
		)
		.refine((reading) => (reading.quantity === 'preferment') === (reading.preparationId !== null), {
			message: 'a pre-ferment reading names its build, and only that',
			path: ['preparationId']
		})
		.refine((reading) => (reading.quantity === 'place') === (reading.placeId !== null), {
			message: 'a reading of a place names it, and only that',
			path: ['placeId']
		}),
	right: 'work-at-the-bench',
	refusals: ['unknown'],
	handle: async (tx, command) => {
		const { quantity, preparationId, placeId, correctsId, celsius, occurredAtMs } = command;
		if (preparationId && !(await isPreparationKnown(tx, preparationId)))
			return fail({ kind: 'unknown', what: 'build' });
		if (
			placeId &&
			placesOf(await loadEntries(tx, 'newest', ['place'])).get(placeId)?.role !== 'other'
		)
			return fail({ kind: 'unknown', what: 'place' });
		if (correctsId && !(await isReadingKnown(tx, correctsId, { quantity, preparationId, placeId })))
			return fail({ kind: 'unknown', what: 'reading' });
		// The reading takes the command's id: one command writes one reading.
		await insertReading(tx, { ...command, commandId: command.id });
		const bakery = await loadBakery(tx);
		// A correction does not make the day warmer; what it corrects stays in the day's mean, as one of many.
		if (bakery && isSeasonal(quantity) && correctsId === null)
			await addToDays(tx, [{ quantity, celsius, atMs: occurredAtMs }], bakery.timeZone);
		return ok({ readingId: command.id });
	}
});

/** What the year moves, and what is kept by the day. */
function isSeasonal(quantity: ReadingQuantity): quantity is 'room' | 'flour' | 'tap' {
	return quantity === 'room' || quantity === 'flour' || quantity === 'tap';
}
