import { z } from 'zod';
import { bakeDateSchema, epochMsSchema, uuidSchema } from '../../contracts/border-schemas.ts';
import { DECK_LIMITS, MOST_PUT_OFF_MINUTES } from '../../contracts/limits.ts';
import { line } from '../../contracts/text.ts';
import { changesAnything, workStates, WORK_ACTS, type WorkAct } from '../../core/bench/index.ts';
import { fail, ok } from '../../core/result.ts';
import type { BakeDate } from '../../core/time/index.ts';
import { lockBatchesOn } from '../db/batches.ts';
import type { Tx } from '../db/client.ts';
import { loadEntries } from '../db/entries.ts';
import { findBatchOfTask, hasPlan, insertWorkEntry, loadWorkEntries } from '../db/work.ts';
import { bookTimes } from '../services/book-times.ts';
import { touchBatch } from '../services/touch-batch.ts';
import { defineCommand } from './define.ts';

/** What is done to an oven or for a drop is of no task. */
const BESIDE_TASKS = /^(?:oven|drop) ./;

/** What came of a tap: its entry, or what stands already. */
interface Tapped {
	readonly entryId: string | null;
	readonly already: { readonly act: WorkAct; readonly atMs: number; readonly by: string } | null;
}

/**
 * Writes down what was tapped at the bench, once: a second tap on what is done is told who did it when, and writes nothing. What
 * is made of a batch begins with its first tap: its size and its recipe stand from then on.
 */
export const tapWork = defineCommand({
	kind: 'tap-work',
	lane: 'batches',
	content: z
		.object({
			date: bakeDateSchema,
			work: line(300, { least: 1 }),
			taskId: line(250, { least: 1 }).nullable(),
			act: z.enum(WORK_ACTS),
			untilMs: epochMsSchema.nullable(),
			because: line(200),
			/** What was read as it was done: the stone at loading, the core at a check; null where nothing was. */
			celsius: z.number().min(DECK_LIMITS.least.celsius).max(DECK_LIMITS.most.celsius).nullable(),
			/** Whose hands it was; null for who is at this screen. */
			personId: uuidSchema.nullable()
		})
		.refine(({ act, untilMs }) => (act === 'put-off') === (untilMs !== null), {
			message: 'what is put off says until when, and only that',
			path: ['untilMs']
		})
		.refine(({ act, celsius }) => celsius === null || act === 'ended', {
			message: 'is read as something is done, and only then',
			path: ['celsius']
		})
		.refine(
			({ work, taskId }) =>
				taskId === null ? BESIDE_TASKS.test(work) : work.startsWith(`${taskId} `),
			{ message: 'is no work of that task', path: ['work'] }
		),
	right: 'work-at-the-bench',
	refusals: ['malformed', 'unknown'],
	handle: async (tx, command, actor) => {
		const { id, date, work, taskId, act, untilMs, because, celsius, personId, occurredAtMs } =
			command;
		const putOffMs = untilMs === null ? null : untilMs - occurredAtMs;
		if (putOffMs !== null && (putOffMs <= 0 || putOffMs > MOST_PUT_OFF_MINUTES * 60_000))
			return fail({
				kind: 'malformed',
				problems: [
					{
						where: 'untilMs',
						what: `what is put off is put off to later, at the most ${MOST_PUT_OFF_MINUTES / 60} hours`
					}
				]
			});
		// Two taps at once come one after the other, whichever server took them.
		await lockBatchesOn(tx, date);
		const task = taskId === null ? null : await findBatchOfTask(tx, date, taskId);
		if (taskId === null ? !(await hasPlan(tx, date)) : task === null)
			return fail({ kind: 'unknown', what: 'work' });
		const person = personId === null ? null : await personCalled(tx, date, personId);
		if (personId !== null && person === null) return fail({ kind: 'unknown', what: 'person' });
		const before = await loadWorkEntries(tx, date, work);
		const by = person ?? actor.name;
		const tap = { id, work, act, atMs: occurredAtMs, by, untilMs, because, celsius };
		if (!changesAnything(before, tap)) {
			const state = workStates(before).get(work);
			const stands = state && state.kind !== 'open' ? state.entry : null;
			return ok<Tapped>({
				entryId: null,
				already: stands && { act: stands.act, atMs: stands.atMs, by: stands.by }
			});
		}
		await insertWorkEntry(tx, {
			id,
			bake_date: date,
			work,
			batch_id: task?.batchId ?? null,
			act,
			until_at: untilMs === null ? null : new Date(untilMs),
			because,
			celsius,
			person_id: personId,
			command_id: id,
			occurred_at: new Date(occurredAtMs)
		});
		if (task && (act === 'begun' || act === 'ended'))
			await touchBatch(tx, task.batchId, { commandId: id, occurredAtMs });
		if (taskId !== null) await bookTimes(tx, date, taskId, actor.id);
		return ok<Tapped>({ entryId: id, already: null });
	}
});

async function personCalled(tx: Tx, date: BakeDate, personId: string): Promise<string | null> {
	const people = (await loadEntries(tx, date, ['person'])).of('person');
	return people.find((person) => person.id === personId)?.name ?? null;
}
