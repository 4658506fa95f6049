import { z } from 'zod';
import { BENCH_COMMANDS } from './bench-commands.ts';

/** Something that was done while the server did not answer. */
export const letterSchema = z.object({
	id: z.uuid(),
	/** In which order they were made. */
	place: z.number(),
	/** Who did it; null in what waited since before there was a door. */
	byId: z.uuid().nullable().default(null),
	byName: z.string().default(''),
	/** What it says, in words. */
	what: z.string(),
	draft: z.looseObject({ kind: z.enum(BENCH_COMMANDS), occurredAtMs: z.number() }),
	/** Why it was refused when it arrived; null while it waits. */
	refused: z.string().nullable()
});
export type Letter = z.infer<typeof letterSchema>;
