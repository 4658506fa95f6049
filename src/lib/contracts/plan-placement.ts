import { z } from 'zod';
import { MOST_LOADS, type Placement, type PlanWish } from '../core/planning/index.ts';
import { MINUTE_MS } from '../core/time/index.ts';

/** Keys of tasks, machines and hands are ids and numbers joined by colons. */
const key = z.string().regex(/^[a-z0-9:-]{1,200}$/i);
/** Units of a plan's grid; more than any plan has. */
const unit = z.int().min(-20_000).max(40_000);
/** More than any day makes. */
const MOST_TASKS = 5000;
/** More to spare than this before a drop is another plan. */
const MOST_MORE_MINUTES = 240;
/** A drop that comes later than this is another drop. */
const MOST_LATER_MINUTES = 12 * 60;
/** Longer than this nobody works on end. */
const MOST_LONGER_MS = 14 * 60 * MINUTE_MS;
const given = z.array(z.array(key).max(20)).max(20);

/** What the baker wants so, as a browser keeps it. */
export const planWishesSchema: z.ZodType<readonly PlanWish[]> = z
	.array(
		z.discriminatedUnion('kind', [
			z.object({ kind: z.literal('start'), task: key, atMs: z.number() }),
			z.object({ kind: z.literal('not-before'), task: key, atMs: z.number() }),
			z.object({ kind: z.literal('deck'), task: key, deckId: key }),
			z.object({ kind: z.literal('not-deck'), task: key, deckId: key }),
			z.object({ kind: z.literal('person'), task: key, personId: key }),
			z.object({ kind: z.literal('not-person'), task: key, personId: key }),
			z.object({ kind: z.literal('in-loads'), batch: key, loads: z.int().min(1).max(MOST_LOADS) }),
			z.object({ kind: z.literal('to-the-cold'), batch: key, placeId: key }),
			z.object({ kind: z.literal('deck-down'), deckId: key }),
			z.object({
				kind: z.literal('more-to-spare'),
				dropId: key,
				minutes: z.int().min(0).max(MOST_MORE_MINUTES)
			}),
			z.object({ kind: z.literal('away'), personId: key, fromMs: z.number() }),
			z.object({ kind: z.literal('flour-from'), atMs: z.number() }),
			z.object({
				kind: z.literal('drop-later'),
				dropId: key,
				minutes: z.int().min(1).max(MOST_LATER_MINUTES)
			}),
			z
				.object({
					kind: z.literal('there-too'),
					personId: key,
					fromMs: z.int(),
					toMs: z.int()
				})
				.refine(({ fromMs, toMs }) => fromMs < toMs && toMs - fromMs <= MOST_LONGER_MS, {
					error: 'is no stretch of work that could be added to a shift'
				})
		])
	)
	.max(MOST_TASKS);

/** A placement as a browser sends it and as it is kept with the plan that was accepted. */
export const placementSchema: z.ZodType<Placement> = z.object({
	zeroMs: z.int().min(0),
	plan: z.object({
		placed: z
			.array(
				z.object({
					task: key,
					mode: key,
					start: unit,
					end: unit,
					unit: key.nullable(),
					given
				})
			)
			.max(MOST_TASKS),
		loads: z
			.array(
				z.object({
					unit: key,
					start: unit,
					end: unit,
					tasks: z.array(key).max(MOST_TASKS),
					given
				})
			)
			.max(MOST_TASKS),
		missing: z.array(key).max(MOST_TASKS)
	}),
	relaxed: z.array(key).max(MOST_TASKS),
	done: z
		.array(
			z.object({
				task: key,
				group: key,
				startMs: z.number(),
				machineId: key.nullable(),
				personIds: z.array(key).max(20)
			})
		)
		.max(MOST_TASKS),
	wishes: planWishesSchema
});
