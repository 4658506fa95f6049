import { timedOf } from '../../core/bench/index.ts';
import type { BakeDate } from '../../core/time/index.ts';
import type { Tx } from '../db/client.ts';
import { findTaskToTime, keepTimed, loadEntriesOfTask } from '../db/work-timed.ts';

/** Works out anew how long a task took, after a tap on it came or was taken back. */
export async function bookTimes(
	tx: Tx,
	date: BakeDate,
	taskId: string,
	actorId: string
): Promise<void> {
	const task = await findTaskToTime(tx, date, taskId);
	if (!task) return;
	const entries = await loadEntriesOfTask(tx, date, taskId);
	const timed = timedOf(taskId, task.activity === 'bake' ? 'bake' : 'hands', entries);
	await keepTimed(tx, date, taskId, task, timed, actorId);
}
