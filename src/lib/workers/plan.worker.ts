import type { PlanRequest } from '../contracts/plan-protocol.ts';
import { answerPlanRequests } from './plan-server.ts';

// A timer would wait four milliseconds each time once it is nested; a message of one's own comes round at once, after
// those that wait.
const breath = new MessageChannel();
const waiting: (() => void)[] = [];
breath.port1.onmessage = () => waiting.shift()?.();

answerPlanRequests({
	listen: (handler) => {
		self.onmessage = (event: MessageEvent<PlanRequest>) => handler(event.data);
	},
	reply: (message) => self.postMessage(message),
	pause: () =>
		new Promise((resolve) => {
			waiting.push(resolve);
			breath.port2.postMessage(null);
		}),
	now: () => performance.now()
});
