import type { PlanRequest } from '../contracts/plan-protocol.ts';
import { answerPlanRequests } from './plan-server.ts';

answerPlanRequests({
	listen: (handler) => {
		self.onmessage = (event: MessageEvent<PlanRequest>) => handler(event.data);
	},
	reply: (message) => self.postMessage(message),
	pause: () => new Promise((resolve) => setTimeout(resolve, 0)),
	now: () => performance.now()
});
