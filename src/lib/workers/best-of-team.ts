/** The part of a Worker that is used; the same of a browser's and, wrapped, of Node's. */
export interface TeamWorker<Request, Reply> {
	postMessage(message: Request): void;
	onmessage: ((event: { data: Reply }) => void) | null;
	onerror: ((event: { message?: string }) => void) | null;
	terminate(): void;
}

/** What a worker's reply says to the question that is open. */
export type Word<Found, Trouble> =
	/** The best so far. */
	| { readonly kind: 'better'; readonly found: Found }
	/** Its last word: what it found, or why it found nothing. */
	| { readonly kind: 'found'; readonly found: Found }
	| { readonly kind: 'trouble'; readonly trouble: Trouble };

export type TeamAnswer<Found, Trouble> =
	| { readonly kind: 'found'; readonly found: Found }
	| { readonly kind: 'trouble'; readonly trouble: Trouble }
	/** A later question was asked, or this one was cancelled. */
	| { readonly kind: 'superseded' };

interface Open<Found, Trouble> {
	readonly id: number;
	readonly settle: (answer: TeamAnswer<Found, Trouble>) => void;
	readonly onBetter: (found: Found) => void;
	/** How many workers have not said their last word. */
	working: number;
	best: Found | null;
	trouble: Trouble | null;
}

interface Manner<Request, Reply, Found, Trouble> {
	readonly makeWorker: () => TeamWorker<Request, Reply>;
	readonly size: number;
	readonly isBetter: (one: Found, other: Found) => boolean;
	/** What a reply to the open question says; null for one that says nothing to it. */
	readonly read: (reply: Reply) => Word<Found, Trouble> | null;
	/** What is told to the workers when their question is not wanted any more. */
	readonly cancelOf: (id: number) => Request;
	/** The trouble of a worker that broke, or never started. */
	readonly broken: (message: string | undefined) => Trouble;
}

/**
 * Several permanent workers that are asked the same at once, each with a chance of its own, and give the best that any of
 * them found: two cores search twice as much of a night as one. The latest question wins, and the one before it ends as
 * superseded.
 *
 * A worker that breaks is replaced before the next question; what the others find stands meanwhile.
 */
export class BestOfTeam<Request, Reply extends { readonly id: number }, Found, Trouble> {
	private workers: (TeamWorker<Request, Reply> | null)[];
	private open: Open<Found, Trouble> | null = null;
	private lastId = 0;

	constructor(
		private readonly manner: Manner<Request, Reply, Found, Trouble>,
		/** Hears what is not of the open question. */
		private readonly onOther: (reply: Reply | null) => void = () => undefined
	) {
		this.workers = Array.from({ length: manner.size }, () => null);
	}

	/** Asks every worker; `questionFor` gives each its own. */
	ask(
		questionFor: (id: number, at: number) => Request,
		onBetter: (found: Found) => void
	): Promise<TeamAnswer<Found, Trouble>> {
		this.cancel();
		const workers = this.ready();
		const id = this.nextId();
		return new Promise((settle) => {
			this.open = {
				id,
				settle,
				onBetter,
				working: workers.length,
				best: null,
				trouble: null
			};
			workers.forEach((worker, at) => worker.postMessage(questionFor(id, at)));
		});
	}

	/** Tells all workers something that they do not answer. */
	tell(message: Request): void {
		for (const worker of this.ready()) worker.postMessage(message);
	}

	/** Tells one worker something, with an id of its own; what it answers is heard as other than the open question. */
	tellOne(messageOf: (id: number) => Request): number {
		const [worker] = this.ready();
		const id = this.nextId();
		worker?.postMessage(messageOf(id));
		return id;
	}

	cancel(): void {
		const { open } = this;
		if (!open) return;
		this.open = null;
		for (const worker of this.workers) worker?.postMessage(this.manner.cancelOf(open.id));
		open.settle({ kind: 'superseded' });
	}

	close(): void {
		this.cancel();
		for (const worker of this.workers) worker?.terminate();
		this.workers = this.workers.map(() => null);
	}

	private nextId(): number {
		this.lastId += 1;
		return this.lastId;
	}

	private ready(): TeamWorker<Request, Reply>[] {
		return this.workers.map((there, at) => {
			if (there) return there;
			const worker = this.manner.makeWorker();
			worker.onmessage = ({ data }) => this.hear(data);
			worker.onerror = ({ message }) => {
				// It answers nothing any more; the next question makes a new one.
				this.workers[at] = null;
				worker.terminate();
				this.onOther(null);
				if (this.open) this.lastWord(this.open, this.manner.broken(message));
			};
			this.workers[at] = worker;
			return worker;
		});
	}

	private hear(reply: Reply): void {
		const { open } = this;
		if (!open || reply.id !== open.id) return this.onOther(reply);
		const word = this.manner.read(reply);
		if (!word) return;
		if (word.kind !== 'trouble') this.take(open, word.found);
		if (word.kind !== 'better') this.lastWord(open, word.kind === 'trouble' ? word.trouble : null);
	}

	/** What one worker found is told only where no other found better. */
	private take(open: Open<Found, Trouble>, found: Found): void {
		if (open.best !== null && !this.manner.isBetter(found, open.best)) return;
		open.best = found;
		open.onBetter(found);
	}

	/** One worker is done; when all are, the best that was found is the answer, if only one of them found any. */
	private lastWord(open: Open<Found, Trouble>, trouble: Trouble | null): void {
		open.working -= 1;
		open.trouble ??= trouble;
		if (open.working > 0) return;
		this.open = null;
		if (open.best !== null) open.settle({ kind: 'found', found: open.best });
		else
			open.settle({
				kind: 'trouble',
				trouble: open.trouble ?? this.manner.broken('no worker gave a plan')
			});
	}
}
