import { parentPort } from 'node:worker_threads';
import type { ScheduleRequest } from '../../src/lib/contracts/schedule-protocol.ts';
import { answerScheduleRequests } from '../../src/lib/workers/schedule-server.ts';

// The schedule worker of the browser, in a thread of Node.js: only what surrounds it differs.
answerScheduleRequests({
	listen: (handler) => parentPort?.on('message', (request: ScheduleRequest) => handler(request)),
	reply: (message) => parentPort?.postMessage(message),
	pause: () => new Promise((resolve) => setImmediate(resolve)),
	now: () => performance.now()
});
