import { z } from 'zod';
import type { WallTime } from '../core/time/index.ts';
import { celsiusSchema, uuidSchema } from './border-schemas.ts';
import { MOST_BATCH_GRAMS } from './limits.ts';

const parts = z.number().positive().max(1000);
const minutes = z.number().positive().max(60_480);

/** How a culture is kept, as it crosses the border. */
export const cultureKeepingSchema = z.object({
	/** Ripe culture, flour and water of its ordinary feed, by weight. */
	ratio: z.object({ seed: parts, flour: parts, water: parts }),
	/** The flours of it, by their parts. */
	flours: z
		.array(z.object({ flourId: uuidSchema, parts }))
		.min(1, 'a feed takes a flour')
		.max(6)
		.refine((all) => new Set(all.map(({ flourId }) => flourId)).size === all.length, {
			message: 'a flour is there twice'
		}),
	/** Where it ferments; null for the room. */
	placeId: uuidSchema.nullable(),
	/** Where it goes when it is ripe; null where it stays. */
	restPlaceId: uuidSchema.nullable(),
	timeConstantMinutes: z.number().min(1).max(10_000),
	/** As warm as it is after a feed, until somebody measures it. */
	fedCelsius: z.number().min(-5).max(60),
	/** When its ordinary feed is early, ripe and late, held at the reference. */
	clock: z
		.object({
			referenceCelsius: celsiusSchema.min(1).max(41),
			underMinutes: minutes,
			ripeMinutes: minutes,
			overMinutes: minutes
		})
		.refine(
			(clock) => clock.underMinutes < clock.ripeMinutes && clock.ripeMinutes < clock.overMinutes,
			{ message: 'early, ready and late must follow each other' }
		),
	/** What is left of it after everything that takes it. */
	keepGrams: z.number().min(0).max(MOST_BATCH_GRAMS),
	/** When it is fed, whether something takes it or not. */
	feedTimes: z
		.array(
			z
				.string()
				.regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'not a time of day')
				.transform((time) => time as WallTime)
		)
		.max(6)
		.refine((all) => new Set(all).size === all.length, { message: 'a time is there twice' }),
	/** After so many days in the cold it is refreshed so often before it is taken. */
	coldDays: z.int().min(1).max(365),
	refreshes: z.int().min(0).max(10)
});
export type CultureKeeping = z.output<typeof cultureKeepingSchema>;
