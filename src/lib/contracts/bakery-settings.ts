import { z } from 'zod';
import { isKnownZone } from '../core/time/index.ts';
import { line } from './text.ts';

/** A zone of the tz database, by its name. */
export const timeZoneSchema = z
	.string()
	.max(100)
	.refine(isKnownZone, 'not a time zone that is known here');

/** What stands before a price; empty for none. */
export const currencySchema = line(8);

/** Metres above the sea; no bakery stands higher than the model of boiling water holds. */
export const altitudeSchema = z.number().min(0).max(4000);

/** Minutes that weighing up one mix takes; 0 where a plan has no task of its own for it. */
export const weighMinutesSchema = z.number().min(0).max(60);
