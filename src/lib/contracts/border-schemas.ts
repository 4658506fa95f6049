import { z } from 'zod';
import { parseBakeDate, type BakeDate } from '../core/time/index.ts';
import { READING_LIMITS } from './limits.ts';

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
