import type { ScheduleRequest } from '../contracts/schedule-protocol.ts';
import { answerScheduleRequests } from './schedule-server.ts';

answerScheduleRequests({
	listen: (handler) => {
		self.onmessage = (event: MessageEvent<ScheduleRequest>) => handler(event.data);
	},
	reply: (message) => self.postMessage(message),
	pause: () => new Promise((resolve) => setTimeout(resolve, 0)),
	now: () => performance.now()
});
