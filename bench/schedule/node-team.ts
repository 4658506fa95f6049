import { Worker } from 'node:worker_threads';
import type { ScheduleReply, ScheduleRequest } from '../../src/lib/contracts/schedule-protocol.ts';
import { WORKERS } from './timed.ts';
import { ScheduleTeam, type ScheduleWorker } from '../../src/lib/workers/schedule-team.ts';

/** A team of schedule workers in threads of Node.js. */
export function nodeTeam(): ScheduleTeam {
	return new ScheduleTeam(nodeWorker, WORKERS);
}

function nodeWorker(): ScheduleWorker {
	const thread = new Worker(new URL('./node-worker.mjs', import.meta.url));
	const worker: ScheduleWorker = {
		postMessage: (message: ScheduleRequest) => thread.postMessage(message),
		onmessage: null,
		onerror: null,
		terminate: () => void thread.terminate()
	};
	thread.on('message', (data: ScheduleReply) => worker.onmessage?.({ data }));
	thread.on('error', (error) => worker.onerror?.({ message: String(error) }));
	return worker;
}
