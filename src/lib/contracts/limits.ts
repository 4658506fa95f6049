import { z } from 'zod';
import { parseBakeDate, type BakeDate } from '../core/time/index.ts';

/** What a thermometer of the bakery can say of room, flour, water and dough. */
export const READING_LIMITS = { least: { celsius: -25 }, most: { celsius: 60 } } as const;
/** A base is a sum of three readings. */
export const BASE_LIMITS = { least: { celsius: 0 }, most: { celsius: 120 } } as const;
/** What water can go in at; ice counts as the water it stands for. */
export const WATER_LIMITS = { least: { celsius: -80 }, most: { celsius: 100 } } as const;
/**
 * What a cold room can be: the air of the smallest cabinet with its racks holds this much heat, and the smallest
 * compressor takes this much away.
 */
export const RETARDER_LIMITS = {
	leastAirKilojoulesPerKelvin: 2,
	leastCompressorWatts: 20
} as const;
/** Pieces of one product for one drop; more than this is a typing error. */
export const MOST_PIECES = 9999;
/** How much earlier a mix may be wished for. */
export const MOST_LEAD_MINUTES = 480;

export const bakeDateSchema = z.custom<BakeDate>(
	(value) => typeof value === 'string' && parseBakeDate(value).ok,
	'not a date of the calendar'
);

/** A temperature of room, flour, water or dough as it crosses the border. */
export const celsiusSchema = z
	.number()
	.min(READING_LIMITS.least.celsius)
	.max(READING_LIMITS.most.celsius);

/** An id as it crosses the border: in one form, whatever way it was written. */
export const uuidSchema = z.uuid().transform((value) => value.toLowerCase());

/** What the database counts with ends here. */
const MOST_COUNT = 2_147_483_647;

/** The version of something that two can edit, as the editor saw it; 0 when it was not there yet. */
export const versionSchema = z.int().min(0).max(MOST_COUNT);

/** A moment on the bakery's clock. */
export const epochMsSchema = z.int().min(946_684_800_000).max(7_258_118_400_000);
