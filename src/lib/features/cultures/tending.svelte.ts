import { BenchEntry } from '../../client/bench-entry.svelte.ts';
import { readAnew } from '../../client/read-anew.ts';
import type { Room } from '../../client/room-context.ts';
import type { CommandContent } from '../../contracts/commands.ts';
import type { CultureView } from '../../contracts/culture-views.ts';
import type { Feed } from '../../core/culture/index.ts';

/** Everything can be taken back for a minute. */
const UNDO_MS = 60_000;

/** What is written down of a culture, and what was last: it waits in the browser where the server is away. */
export class Tending {
	readonly #entry: BenchEntry;
	#last = $state.raw<{ entryId: string; what: string; untilMs: number } | null>(null);

	constructor(
		private readonly room: Room,
		private readonly culture: () => CultureView
	) {
		this.#entry = new BenchEntry(room.outbox);
	}

	get busy(): boolean {
		return this.#entry.busy;
	}
	get message(): string {
		return this.#entry.message;
	}
	set message(said: string) {
		this.#entry.message = said;
	}
	get kept(): boolean {
		return this.#entry.kept;
	}
	/** What can be taken back now. */
	get undo(): string | null {
		return this.#last && this.room.now.epochMs < this.#last.untilMs ? this.#last.what : null;
	}

	tend(
		what: CommandContent<'tend-culture'>['what'],
		said: string,
		then: () => void = () => undefined
	): Promise<void> {
		const { ingredientId, name } = this.culture();
		return this.#entry.send(
			{ kind: 'tend-culture', occurredAtMs: this.#now(), ingredientId, what },
			`${name}: ${said}`,
			(answer) => this.#taken(answer, said, then)
		);
	}

	feed(
		feed: Feed,
		how: {
			readonly celsius: number | null;
			readonly beginning?: CommandContent<'feed-culture'>['beginning'];
		},
		said: string,
		then: () => void = () => undefined
	): Promise<void> {
		const { ingredientId, name } = this.culture();
		const { celsius, beginning = null } = how;
		const { seedGrams, flourGrams, waterGrams } = feed;
		return this.#entry.send(
			{
				kind: 'feed-culture',
				occurredAtMs: this.#now(),
				ingredientId,
				beginning,
				seedGrams,
				flourGrams,
				waterGrams,
				celsius
			},
			`${name}: ${said}`,
			(answer) => this.#taken(answer, said, then)
		);
	}

	/** Takes an entry back; without one the last. */
	async strike(entryId: string | undefined = this.#last?.entryId): Promise<void> {
		if (entryId === undefined) return;
		await this.#entry.send(
			{ kind: 'strike-culture', occurredAtMs: this.#now(), entryId },
			`${this.culture().name}: taken back`,
			async (answer) => {
				this.#last = null;
				if (answer) await readAnew('jovet:moment');
			}
		);
	}

	#now(): number {
		return Math.round(this.room.now.epochMs);
	}

	async #taken(
		answer: { readonly entryId: string } | null,
		what: string,
		then: () => void
	): Promise<void> {
		then();
		if (!answer) return;
		this.#last = { entryId: answer.entryId, what, untilMs: this.room.now.epochMs + UNDO_MS };
		await readAnew('jovet:moment');
	}
}
