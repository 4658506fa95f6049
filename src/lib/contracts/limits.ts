import { z } from 'zod';
import { parseBakeDate, type BakeDate } from '../core/time/index.ts';

/** What a thermometer of the bakery can say of room, flour, water and dough. */
export const READING_LIMITS = { least: { celsius: -25 }, most: { celsius: 60 } } as const;

export const bakeDateSchema = z.custom<BakeDate>(
	(value) => typeof value === 'string' && parseBakeDate(value).ok,
	'not a date of the calendar'
);
