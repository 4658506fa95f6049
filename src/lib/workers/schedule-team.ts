import type { JudgedPlan, ScheduleReply, ScheduleRequest } from '../contracts/schedule-protocol.ts';
import type { Fault, Problem } from '../core/schedule/index.ts';
import type { Asked } from './solve-in-slices.ts';

/** The part of a Worker that is used; the same of a browser's and, wrapped, of Node's. */
export interface ScheduleWorker {
	postMessage(message: ScheduleRequest): void;
	onmessage: ((event: { data: ScheduleReply }) => void) | null;
	onerror: ((event: { message?: string }) => void) | null;
	terminate(): void;
}

export type ScheduleOutcome =
	| { readonly kind: 'solved'; readonly found: JudgedPlan }
	| { readonly kind: 'faulty'; readonly fault: Fault }
	/** A later request was made, or the request was cancelled. */
	| { readonly kind: 'superseded' }
	| { readonly kind: 'broken'; readonly message: string };

interface Waiting {
	readonly id: number;
	readonly settle: (outcome: ScheduleOutcome) => void;
	readonly onBetter: (found: JudgedPlan) => void;
	/** How many workers have not said their last word. */
	working: number;
	moves: number;
	best: JudgedPlan | null;
	trouble: ScheduleOutcome | null;
}

/**
 * Asks several permanent schedule workers the same at once, each with a chance of its own, and gives the best that any
 * of them found: two cores search twice as much of a night as one. The latest request wins, and the one before it
 * ends as superseded.
 *
 * A worker that breaks is replaced before the next request; the others' plans stand meanwhile.
 */
export class ScheduleTeam {
	private workers: (ScheduleWorker | null)[];
	private waiting: Waiting | null = null;
	private lastId = 0;

	constructor(
		private readonly makeWorker: () => ScheduleWorker,
		private readonly size: number
	) {
		this.workers = Array.from({ length: size }, () => null);
	}

	/** Lets every worker run the engine for a while, so that what is asked next finds it compiled. */
	warm(problem: Problem, budgetMs: number): void {
		for (const worker of this.ready()) worker.postMessage({ kind: 'warm', problem, budgetMs });
	}

	solve(
		{ seed, ...wish }: Asked,
		onBetter: (found: JudgedPlan) => void = () => undefined
	): Promise<ScheduleOutcome> {
		this.cancel();
		const workers = this.ready();
		this.lastId += 1;
		const id = this.lastId;
		return new Promise((settle) => {
			this.waiting = {
				id,
				settle,
				onBetter,
				working: workers.length,
				moves: 0,
				best: null,
				trouble: null
			};
			workers.forEach((worker, at) =>
				worker.postMessage({ kind: 'solve', id, ...wish, seed: seed * this.size + at })
			);
		});
	}

	cancel(): void {
		const { waiting } = this;
		if (!waiting) return;
		this.waiting = null;
		for (const worker of this.workers) worker?.postMessage({ kind: 'cancel', id: waiting.id });
		waiting.settle({ kind: 'superseded' });
	}

	close(): void {
		this.cancel();
		for (const worker of this.workers) worker?.terminate();
		this.workers = this.workers.map(() => null);
	}

	private ready(): ScheduleWorker[] {
		return this.workers.map((there, at) => {
			if (there) return there;
			const worker = this.makeWorker();
			worker.onmessage = ({ data }) => this.hear(data);
			worker.onerror = ({ message }) => {
				this.workers[at] = null;
				worker.terminate();
				if (this.waiting)
					this.lastWord({ kind: 'broken', message: message ?? 'a schedule worker ended' });
			};
			this.workers[at] = worker;
			return worker;
		});
	}

	private hear(reply: ScheduleReply): void {
		const { waiting } = this;
		if (!waiting || reply.id !== waiting.id) return;
		switch (reply.kind) {
			case 'better':
				this.take(waiting, reply.found);
				return;
			case 'solved':
				waiting.moves += reply.found.moves;
				this.take(waiting, reply.found);
				return this.lastWord(null);
			case 'faulty':
				return this.lastWord({ kind: 'faulty', fault: reply.fault });
			case 'broken':
				return this.lastWord({ kind: 'broken', message: reply.message });
			case 'cancelled':
				return this.lastWord({ kind: 'superseded' });
		}
	}

	/** A plan of one worker is told only where no other had a better one. */
	private take(waiting: Waiting, found: JudgedPlan): void {
		if (waiting.best && !isBetter(found, waiting.best)) return;
		waiting.best = found;
		waiting.onBetter(found);
	}

	/** One worker is done; when all are, the best that was found is the answer, if only one of them found any. */
	private lastWord(trouble: ScheduleOutcome | null): void {
		const { waiting } = this;
		if (!waiting) return;
		waiting.working -= 1;
		waiting.trouble ??= trouble;
		if (waiting.working > 0) return;
		this.waiting = null;
		const { best, moves } = waiting;
		if (best) waiting.settle({ kind: 'solved', found: { ...best, moves } });
		else waiting.settle(waiting.trouble ?? { kind: 'broken', message: 'no worker gave a plan' });
	}
}

/** Fewer tasks missing come first, then the cost. */
function isBetter(one: JudgedPlan, other: JudgedPlan): boolean {
	const missing = one.plan.missing.length - other.plan.missing.length;
	if (missing !== 0) return missing < 0;
	return (one.cost?.total ?? 0) < (other.cost?.total ?? 0);
}
