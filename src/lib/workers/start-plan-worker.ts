import PlanWorker from './plan.worker.ts?worker';
import type { WorkerLike } from './plan-client.ts';

/** Starts the worker that plans; only a browser can. */
export function startPlanWorker(): WorkerLike {
	return new PlanWorker() as unknown as WorkerLike;
}
