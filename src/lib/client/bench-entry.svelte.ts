import type { AnswerOf } from '../contracts/commands.ts';
import { outcomeProblem } from '../wording/outcome-text.ts';
import type { BenchCommand } from './bench-commands.ts';
import type { Outbox } from './outbox.svelte.ts';
import type { Draft } from './send-command.ts';

/** What was last done in one place of the bench, and what became of it. */
export class BenchEntry {
	busy = $state(false);
	#said = $state('');
	/** Where it waits to be sent; null when it does not. */
	#keptAs: string | null = $state(null);

	/** What was asked about last: given once more, it is meant. */
	#asked: string | null = null;

	constructor(private readonly outbox: Outbox) {}

	/** Whether it waits in this browser. */
	get kept(): boolean {
		return this.outbox.letters.some(({ id, refused }) => id === this.#keptAs && refused === null);
	}

	/** What there is to say; what was told of an entry that waits goes when it is sent. */
	get message(): string {
		return this.#keptAs === null || this.kept ? this.#said : '';
	}
	set message(said: string) {
		this.#keptAs = null;
		this.#said = said;
	}

	/** Says a doubt once; true while what was given has to be given once more to be kept. */
	asks(doubt: string | null, given: string): boolean {
		if (doubt === null || this.#asked === given) return false;
		this.#asked = given;
		this.message = doubt;
		return true;
	}

	/** Sends it or keeps it here; `taken` is told either way, without an answer where it is kept. */
	async send<K extends BenchCommand>(
		draft: Draft<K>,
		what: string,
		taken: (answer: AnswerOf<K> | null) => void | Promise<void>
	): Promise<void> {
		if (this.busy) return;
		this.busy = true;
		const result = await this.outbox.send(draft, what);
		this.busy = false;
		this.message = outcomeProblem(result);
		if (result.outcome === 'kept-here') this.#keptAs = result.id;
		if (result.outcome === 'done') await taken(result.answer);
		if (result.outcome === 'kept-here') await taken(null);
	}
}
