import { z } from 'zod';
import type { CommandOutcome } from '../contracts/commands.ts';
import { refusalText } from '../wording/refusal-text.ts';
import type { Retries } from './retries.ts';
import { postCommand, sendCommand, type Draft } from './send-command.ts';

/** What is done at the bench: it happened, whether the server heard of it or not. */
const BENCH_COMMANDS = [
	'take-reading',
	'measure-dough',
	'check-dough',
	'end-dough',
	'move-dough',
	'judge-readiness',
	'strike-entry'
] as const;
export type BenchCommand = (typeof BENCH_COMMANDS)[number];

const letterSchema = z.object({
	id: z.uuid(),
	/** In which order they were made. */
	place: z.number(),
	/** What it says, in words. */
	what: z.string(),
	draft: z.looseObject({ kind: z.enum(BENCH_COMMANDS), occurredAtMs: z.number() }),
	/** Why it was refused when it arrived; null while it waits. */
	refused: z.string().nullable()
});
/** Something that was done while the server did not answer. */
export type Letter = z.infer<typeof letterSchema>;

/** Every letter has a place of its own in the storage, so that two tabs never write over one another. */
const PLACE = 'jovet.outbox.';

export type BenchResult<K extends BenchCommand> =
	| CommandOutcome<K>
	/** It waits here and sends itself. */
	| { readonly outcome: 'kept-here'; readonly id: string };

/** What the bench has to tell the server and could not yet; it outlives the page. */
export class Outbox {
	letters: readonly Letter[] = $state.raw([]);
	readonly #again = () => this.flush();

	constructor(
		private readonly retries: Retries,
		private readonly onSent: () => void
	) {}

	/** Takes up what an earlier page left; gives the way out. */
	start(): () => void {
		const look = () => {
			this.letters = readLetters();
		};
		const heard = ({ key }: StorageEvent) => {
			if (key === null || key.startsWith(PLACE)) look();
		};
		look();
		window.addEventListener('storage', heard);
		const giveUp = this.#waiting.length > 0 ? this.retries.add(this.#again) : () => {};
		if (this.#waiting.length > 0) void this.retries.run();
		return () => {
			giveUp();
			window.removeEventListener('storage', heard);
		};
	}

	/** Sends what was done, or keeps it here. What is kept before it goes first. */
	async send<K extends BenchCommand>(draft: Draft<K>, what: string): Promise<BenchResult<K>> {
		const id = crypto.randomUUID();
		if (this.#waiting.length > 0) await this.flush();
		if (this.#waiting.length === 0) {
			const result = await sendCommand(draft, id);
			if (result.outcome !== 'not-reached') return result;
		}
		const place = Math.max(0, ...this.letters.map((letter) => letter.place)) + 1;
		this.#keep({ id, place, what, draft, refused: null });
		this.retries.add(this.#again);
		return { outcome: 'kept-here', id };
	}

	/** Sends everything that waits, in order; true when nothing waits any more. */
	async flush(): Promise<boolean> {
		let sent = 0;
		for (const letter of this.#waiting) {
			const result = await postCommand({ ...letter.draft, id: letter.id });
			if (result.outcome === 'not-reached') break;
			sent += 1;
			if (result.outcome === 'done') this.discard(letter.id);
			else this.#keep({ ...letter, refused: refusalText(result.refusal) });
		}
		if (sent > 0) this.onSent();
		return this.#waiting.length === 0;
	}

	/** It shall not be sent after all, or its refusal was read. */
	discard(id: string): void {
		this.letters = this.letters.filter((letter) => letter.id !== id);
		try {
			localStorage.removeItem(PLACE + id);
		} catch {
			// It was only on this page then.
		}
	}

	get #waiting(): readonly Letter[] {
		return this.letters.filter((letter) => letter.refused === null);
	}

	#keep(letter: Letter): void {
		const others = this.letters.filter(({ id }) => id !== letter.id);
		this.letters = [...others, letter].sort((a, b) => a.place - b.place);
		try {
			localStorage.setItem(PLACE + letter.id, JSON.stringify(letter));
		} catch {
			// A full or switched-off storage: it waits on this page alone.
		}
	}
}

function readLetters(): readonly Letter[] {
	try {
		const letters = Object.keys(localStorage)
			.filter((key) => key.startsWith(PLACE))
			.flatMap((key) => {
				const read = letterSchema.safeParse(JSON.parse(localStorage.getItem(key) ?? 'null'));
				return read.success ? [read.data] : [];
			});
		return letters.sort((a, b) => a.place - b.place);
	} catch {
		// Something else wrote there, or storage is switched off.
		return [];
	}
}
