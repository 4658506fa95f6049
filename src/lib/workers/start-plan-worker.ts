import PlanWorker from './plan.worker.ts?worker';
import type { WorkerLike } from './plan-client.ts';

/** Starts a worker that plans; only a browser can. */
export function startPlanWorker(): WorkerLike {
	return new PlanWorker() as unknown as WorkerLike;
}

/** How many plan at once: two where the machine has the cores for it, and leaves one to the page. */
export function planWorkers(): number {
	return navigator.hardwareConcurrency > 1 ? 2 : 1;
}
