import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { batchNameSchema } from '../../contracts/batch-name.ts';
import { watchedDough } from '../../contracts/ripening-views.ts';
import { sightingsSchema } from '../../contracts/sightings.ts';
import { judgeReadiness as judge, READINESS_DECISIONS } from '../../core/fermentation/index.ts';
import { fail, ok } from '../../core/result.ts';
import { watchDoughs, type DoughStory } from '../../core/ripening/index.ts';
import { recipeIdOf, setBatchStates } from '../db/batches.ts';
import { insertEntry } from '../db/batch-log-entries.ts';
import type { Tx } from '../db/client.ts';
import { findMixedBatch, type MixedBatch } from '../services/mixed-batch.ts';
import { retardersAsLearned } from '../services/cold-as-learned.ts';
import { readRoomTrace } from '../services/read-room-trace.ts';
import { namedAir } from '../services/standing-of-day.ts';
import { readWaterInputs } from '../services/temperatures-now.ts';
import { defineCommand } from './define.ts';

/**
 * Writes down what was seen of a dough and what the baker decided. How far its clock was is worked out here
 * from the same story as the screen's; a decision to go on ends the wait.
 */
export const judgeReadiness = defineCommand({
	kind: 'judge-readiness',
	lane: 'batches',
	content: z.object({
		batch: batchNameSchema,
		sightings: sightingsSchema,
		decision: z.enum(READINESS_DECISIONS)
	}),
	right: 'work-at-the-bench',
	refusals: ['unknown', 'not-mixed-yet', 'before-the-mix', 'dough-has-no-clock'],
	handle: async (tx, command) => {
		const { id, occurredAtMs, decision } = command;
		const found = await findMixedBatch(tx, command.batch, occurredAtMs);
		if (!found.ok) return found;
		const { batch, dough } = found.value;
		const story = await storyOf(tx, found.value, occurredAtMs);
		if (!story || !dough.step) return fail({ kind: 'dough-has-no-clock', name: dough.name });
		const { clock } = story;
		const { verdict, seen } = judge(
			{
				share: story.dose / clock.ripeMinutes,
				earlyShare: clock.underMinutes / clock.ripeMinutes,
				lateShare: clock.overMinutes / clock.ripeMinutes
			},
			command.sightings
		);
		const entry = {
			batchId: batch.id,
			recipeId: recipeIdOf(batch),
			commandId: id,
			correctsId: null,
			occurredAtMs
		};
		await insertEntry(tx, {
			...entry,
			id,
			detail: {
				kind: 'judged',
				sightings: JSON.stringify(command.sightings),
				dose_min: story.dose,
				book_ripe_min: dough.step.clock.ripeMinutes,
				seen_share: seen && seen.share > 0 ? seen.share : null,
				seen_spread: seen && seen.share > 0 ? seen.spread : null,
				verdict,
				decision
			}
		});
		if (decision === 'go-on') {
			await insertEntry(tx, { ...entry, id: randomUUID(), detail: { kind: 'ended' } });
			await setBatchStates(tx, [batch.id], 'ended');
		}
		return ok({ entryId: id, verdict });
	}
});

/** The dough as it is followed with all the others: those in one cold room share its air. */
async function storyOf(
	tx: Tx,
	{ all, day, dough }: MixedBatch,
	nowMs: number
): Promise<DoughStory | null> {
	const inputs = await readWaterInputs(tx, day, nowMs);
	const known = inputs.find((input) => input.quantity === 'room')?.reading?.celsius ?? null;
	const firstMs = Math.min(...all.map((other) => other.mixed?.atMs ?? dough.mixed.atMs));
	const room = await readRoomTrace(tx, firstMs, nowMs, known);
	const followed = all.flatMap((vote) => {
		const watched = watchedDough(vote);
		return watched ? [{ one: vote, watched }] : [];
	});
	const roomCelsius = known ?? day.bakery.assumed.roomCelsius;
	const { stories } = watchDoughs(
		followed.map(({ watched }) => watched),
		{
			room,
			roomCelsius,
			named: namedAir(inputs, room, nowMs),
			retarders: await retardersAsLearned(tx, day.retarders, day.date, roomCelsius)
		},
		nowMs
	);
	const at = followed.findIndex(
		({ one }) => one.recipeId === dough.recipeId && one.ordinal === dough.ordinal
	);
	return stories[at] ?? null;
}
