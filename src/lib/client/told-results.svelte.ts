import {
	countedOf,
	shortsOf,
	type PortionRef,
	type ResultEntry,
	type ResultTold
} from '../core/results/index.ts';
import type { AcceptedPlanView } from '../contracts/views.ts';
import type { BakeDate } from '../core/time/index.ts';
import { outcomeProblem } from '../wording/outcome-text.ts';
import { readUntilTold } from './read-until-told.ts';
import type { Outbox } from './outbox.svelte.ts';

interface Shown {
	readonly date: BakeDate;
	readonly accepted: AcceptedPlanView | null;
	readonly results: readonly ResultEntry[];
}

/** What is told of a night's portions: what the server told, what waits here, what is on its way; seen at once. */
export class ToldResults {
	message = $state('');
	/** Told here, and not told by the server yet. */
	#told: readonly ResultEntry[] = $state.raw([]);
	/** Taken back here, and not told by the server yet. */
	#struck: readonly string[] = $state.raw([]);

	constructor(
		private readonly shown: () => Shown,
		private readonly now: () => number,
		private readonly by: () => string,
		private readonly outbox: Outbox,
		/** Reads anew what was told; tells whether it could. */
		private readonly readMoment: () => Promise<boolean>
	) {}

	readonly all: readonly ResultEntry[] = $derived.by(() => {
		const { results } = this.shown();
		const known = results.map(({ id }) => id);
		const waiting = this.#waiting.filter(({ id }) => !known.includes(id));
		const here = this.#told.filter(
			({ id }) => !known.includes(id) && !waiting.some((one) => one.id === id)
		);
		return [...results, ...waiting, ...here].filter(({ id }) => !this.#struck.includes(id));
	});
	readonly counted = $derived.by(() => {
		const { accepted } = this.shown();
		return accepted ? countedOf(accepted.document.input, this.all, accepted.acceptedAtMs) : [];
	});
	readonly shorts = $derived.by(() => {
		const { accepted } = this.shown();
		return accepted
			? shortsOf(accepted.document.input, this.counted, this.all, accepted.acceptedAtMs)
			: [];
	});

	/** Says what came out of a portion; true where it was taken or is kept. */
	async tell(portion: PortionRef, told: ResultTold, what: string): Promise<boolean> {
		const id = crypto.randomUUID();
		const atMs = Math.round(this.now());
		this.#told = [...this.#told, { id, portion, told, by: this.by(), atMs }];
		this.message = '';
		const { date } = this.shown();
		const result = await this.outbox.send(
			{ kind: 'tell-result', occurredAtMs: atMs, date, portion, told },
			what,
			id
		);
		this.message = outcomeProblem(result);
		// What waits here stands among the letters; what was taken stands here until the server tells it.
		const isTold = () => this.shown().results.some((one) => one.id === id);
		if (result.outcome !== 'done' || (await readUntilTold(this.readMoment, isTold)))
			this.#told = this.#told.filter((one) => one.id !== id);
		return result.outcome !== 'refused';
	}

	/** Says that something told is not so. */
	async takeBack(id: string, what: string): Promise<void> {
		if (this.outbox.letters.some((letter) => letter.id === id)) {
			this.outbox.discard(id);
			return;
		}
		this.#struck = [...this.#struck, id];
		const result = await this.outbox.send(
			{ kind: 'strike-result', occurredAtMs: Math.round(this.now()), entryId: id },
			`${what}: it is not so`
		);
		this.message = outcomeProblem(result);
		if (result.outcome === 'refused') this.#struck = this.#struck.filter((one) => one !== id);
	}

	/** What waits in this browser, of an earlier page too, or has just been sent. */
	get #waiting(): readonly ResultEntry[] {
		const { date } = this.shown();
		return this.outbox.untold.flatMap(({ id, refused, draft, byName }): readonly ResultEntry[] => {
			if (refused !== null || draft.kind !== 'tell-result' || draft.date !== date) return [];
			const { portion, told, occurredAtMs } = draft as unknown as {
				readonly portion: PortionRef;
				readonly told: ResultTold;
				readonly occurredAtMs: number;
			};
			return [{ id, portion, told, by: byName || this.by(), atMs: occurredAtMs }];
		});
	}
}
