import type { CommandOutcome } from '../contracts/commands.ts';
import { refusalText } from '../wording/refusal-text.ts';
import type { BenchCommand } from './bench-commands.ts';
import type { Letter } from './letter-schema.ts';
import type { Retries } from './retries.ts';
import { postCommand, sendCommand, type Draft } from './send-command.ts';

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
		private readonly onSent: () => void,
		/** Who is at this screen. */
		private readonly by: () => { readonly id: string; readonly name: string } | null
	) {}

	/** Takes up what an earlier page left; gives the way out. */
	start(): () => void {
		let ended = false;
		let giveUp = () => {};
		const look = async () => {
			this.letters = await readLetters();
		};
		const heard = ({ key }: StorageEvent) => {
			if (key === null || key.startsWith(PLACE)) void look();
		};
		window.addEventListener('storage', heard);
		void look().then(() => {
			if (ended || this.#waiting.length === 0) return;
			giveUp = this.retries.add(this.#again);
			void this.retries.run();
		});
		return () => {
			ended = true;
			giveUp();
			window.removeEventListener('storage', heard);
		};
	}

	/** Sends what was done, or keeps it here, under an id of its own. What is kept before it goes first. */
	async send<K extends BenchCommand>(
		draft: Draft<K>,
		what: string,
		id: string = crypto.randomUUID()
	): Promise<BenchResult<K>> {
		if (this.#waiting.length > 0) await this.flush();
		// What waits for somebody else stands in nobody's way.
		if (!this.#waiting.some((letter) => !this.isOfAnother(letter))) {
			const result = await sendCommand(draft, id);
			if (result.outcome !== 'not-reached') return result;
		}
		const place = Math.max(0, ...this.letters.map((letter) => letter.place)) + 1;
		const by = this.by();
		this.#keep({
			id,
			place,
			byId: by?.id ?? null,
			byName: by?.name ?? '',
			what,
			draft,
			refused: null
		});
		this.retries.add(this.#again);
		return { outcome: 'kept-here', id };
	}

	/** Sends everything that waits, in order; true when nothing waits any more. */
	async flush(): Promise<boolean> {
		let sent = 0;
		for (const letter of this.#waiting) {
			const result = await postCommand({ ...letter.draft, id: letter.id }, letter.byId);
			if (result.outcome === 'not-reached') {
				if (this.isOfAnother(letter)) continue;
				break;
			}
			sent += 1;
			if (result.outcome === 'done') this.discard(letter.id);
			else this.#keep({ ...letter, refused: refusalText(result.refusal) });
		}
		if (sent > 0) this.onSent();
		return this.#waiting.length === 0;
	}

	/** Whether somebody else did it than who is here now: it may have to wait for them. */
	isOfAnother(letter: Letter): boolean {
		return letter.byId !== null && letter.byId !== this.by()?.id;
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

async function readLetters(): Promise<readonly Letter[]> {
	try {
		const keys = Object.keys(localStorage).filter((key) => key.startsWith(PLACE));
		if (keys.length === 0) return [];
		await import('./schemas-without-eval.ts');
		const { letterSchema } = await import('./letter-schema.ts');
		const letters = keys.flatMap((key) => {
			const read = letterSchema.safeParse(JSON.parse(localStorage.getItem(key) ?? 'null'));
			return read.success ? [read.data] : [];
		});
		return letters.sort((a, b) => a.place - b.place);
	} catch {
		// Something else wrote there, or storage is switched off.
		return [];
	}
}
