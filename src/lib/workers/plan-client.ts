import type { PlanReply, PlanRequest } from '../contracts/plan-protocol.ts';
import type { BakeDayInput } from '../core/planning/index.ts';
import type { PlaceFailure, Placement } from '../core/latest-start/index.ts';

/** The part of a Worker that is used. */
export interface WorkerLike {
	postMessage(message: PlanRequest): void;
	onmessage: ((event: { data: PlanReply }) => void) | null;
	onerror: ((event: { message?: string }) => void) | null;
	terminate(): void;
}

export type PlanOutcome =
	| { readonly kind: 'planned'; readonly placement: Placement }
	| { readonly kind: 'impossible'; readonly failure: PlaceFailure }
	| { readonly kind: 'superseded' }
	| { readonly kind: 'broken'; readonly message: string };

interface Waiting {
	readonly id: number;
	readonly settle: (outcome: PlanOutcome) => void;
	readonly onProgress: (done: number, total: number) => void;
}

/** Asks the plan worker; the latest request wins and the one before it ends as superseded. */
export class PlanClient {
	private worker: WorkerLike | null = null;
	private waiting: Waiting | null = null;
	private lastId = 0;

	constructor(private readonly makeWorker: () => WorkerLike) {}

	plan(
		input: BakeDayInput,
		onProgress: (done: number, total: number) => void = () => undefined
	): Promise<PlanOutcome> {
		this.cancel();
		const worker = this.ready();
		this.lastId += 1;
		const id = this.lastId;
		return new Promise((settle) => {
			this.waiting = { id, settle, onProgress };
			worker.postMessage({ kind: 'plan', id, input });
		});
	}

	cancel(): void {
		const { waiting } = this;
		if (!waiting) return;
		this.waiting = null;
		this.worker?.postMessage({ kind: 'cancel', id: waiting.id });
		waiting.settle({ kind: 'superseded' });
	}

	close(): void {
		this.cancel();
		this.worker?.terminate();
		this.worker = null;
	}

	private ready(): WorkerLike {
		if (this.worker) return this.worker;
		const worker = this.makeWorker();
		worker.onmessage = ({ data }) => this.hear(data);
		worker.onerror = ({ message }) => {
			// A worker that failed to load answers nothing any more; the next request makes a new one.
			this.worker = null;
			this.finish({ kind: 'broken', message: message ?? 'the plan worker did not start' });
		};
		this.worker = worker;
		return worker;
	}

	private hear(reply: PlanReply): void {
		if (reply.id !== this.waiting?.id) return;
		switch (reply.kind) {
			case 'progress':
				this.waiting.onProgress(reply.done, reply.total);
				return;
			case 'planned':
				return this.finish({ kind: 'planned', placement: reply.placement });
			case 'impossible':
				return this.finish({ kind: 'impossible', failure: reply.failure });
			case 'broken':
				return this.finish({ kind: 'broken', message: reply.message });
			case 'cancelled':
				return this.finish({ kind: 'superseded' });
		}
	}

	private finish(outcome: PlanOutcome): void {
		const { waiting } = this;
		this.waiting = null;
		waiting?.settle(outcome);
	}
}
