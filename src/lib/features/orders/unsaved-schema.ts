import { z } from 'zod';

/** A number of the grid that was typed and not saved, and the version of the line it was typed over. */
export const unsavedSchema = z.record(
	z.string(),
	z.object({ text: z.string(), version: z.int().min(0) })
);
