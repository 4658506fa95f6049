import type { CommandOutcome } from '../contracts/commands.ts';
import { refusalText } from '../wording/refusal-text.ts';
import { tappedAlreadyText } from '../wording/tapped-text.ts';
import type { BenchCommand } from './bench-commands.ts';
import type { Letter } from './letter-schema.ts';
import type { LetterStore } from './letter-store.ts';
import { LOOSE_LETTERS } from './loose-letters.ts';
import type { Retries } from './retries.ts';
import { postCommand, type Draft } from './send-command.ts';

const CHANNEL = 'jovet-outbox';
/** A tap is answered at once on a good network; after this it waits here, and is asked about again. */
const PATIENCE_MS = 8000;
/** So often it is looked whether what waits still stands in the storage. */
const STORAGE_LOOK_MS = 5000;
export type BenchResult<K extends BenchCommand> =
	| CommandOutcome<K>
	/** It waits here and sends itself. */
	| { readonly outcome: 'kept-here'; readonly id: string };

/** What is wrong with the storage that holds what waits. */
export type StorageTrouble =
	/** The browser keeps nothing, or no more. */
	| 'keeps-nothing'
	| 'full'
	| 'little-room'
	/** It was emptied while something waited; what this page knew of was written again. */
	| 'was-emptied'
	/** Something in it was written by another version, and waits for that. */
	| 'unread';

/** What a page tells the other pages of this browser about what waits. */
type Word =
	/** More of it is kept, or it is kept otherwise. */
	| { readonly kind: 'kept' }
	/** The server has answered it, or it shall not be sent after all. */
	| { readonly kind: 'answered' | 'discarded'; readonly id: string };

/**
 * What the bench has to tell the server. Everything is written down in this browser as it is sent, so that neither a page that
 * is closed on the way nor hours without a network lose it; what arrived is crossed out.
 */
export class Outbox {
	/** What waits, or was refused. */
	letters: readonly Letter[] = $state.raw([]);
	/** What waited and was taken since the page was read: shown until the page tells it, so that nothing is seen to go and come. */
	#arrived: readonly Letter[] = $state.raw([]);
	trouble: StorageTrouble | null = $state(null);
	readonly #again = () => this.flush();
	/** On their way for the first time: they do not wait yet. */
	#onTheWay: readonly string[] = [];
	/** What waits no more: the storage, read a moment ago, may still have it. */
	#gone: readonly string[] = [];
	#place = 0;
	#store: Promise<LetterStore | null> | null = null;
	#channel: BroadcastChannel | null = null;
	#flushing: Promise<boolean> | null = null;

	constructor(
		private readonly retries: Retries,
		/** Reads the page anew; tells whether it could. */
		private readonly onSent: () => Promise<boolean>,
		/** Who is at this screen. */
		private readonly by: () => {
			readonly id: string;
			readonly name: string;
			/** The server does not know yet that this screen is in these hands. */
			readonly isUntold: boolean;
		} | null,
		private readonly timeZone: () => string
	) {}

	/** What this screen knows of and the page may not tell yet: what waits or was refused, and what has just arrived. */
	get untold(): readonly Letter[] {
		return [...this.letters, ...this.#arrived];
	}

	/** When it is known whether this browser keeps what waits. */
	get opened(): Promise<unknown> {
		return this.#store ?? Promise.resolve();
	}

	/** Takes up what an earlier page left; gives the way out. */
	start(): () => void {
		let ended = false;
		let giveUp = () => {};
		this.#store = import('./letter-store.ts')
			.then(async ({ LetterStore }) => {
				if (await LetterStore.hasLittleRoom()) this.trouble = 'little-room';
				return LetterStore.open();
			})
			.catch(() => {
				// No database in this browser, or it is switched off.
				this.trouble = 'keeps-nothing';
				return null;
			});
		this.#channel = new BroadcastChannel(CHANNEL);
		this.#channel.onmessage = ({ data }: MessageEvent<Word>) => this.#hear(data);
		void this.#look().then((isRead) => {
			if (ended) return;
			if (!isRead) this.retries.add(this.#lookAgain);
			if (this.#waiting.length === 0) return;
			giveUp = this.retries.add(this.#again);
			void this.retries.run();
		});
		const looks = setInterval(() => {
			if (this.letters.length > 0) void this.#lookAfterStorage();
		}, STORAGE_LOOK_MS);
		return () => {
			ended = true;
			giveUp();
			clearInterval(looks);
			this.#channel?.close();
			this.#channel = null;
		};
	}

	/** Sends what was done, or keeps it here, under an id of its own. What is kept before it goes first. */
	async send<K extends BenchCommand>(
		draft: Draft<K>,
		what: string,
		id: string = crypto.randomUUID()
	): Promise<BenchResult<K>> {
		this.#place = Math.max(Date.now(), this.#place + 1);
		const by = this.by();
		const letter: Letter = {
			id,
			place: this.#place,
			byId: by?.id ?? null,
			byName: by?.name ?? '',
			what,
			draft,
			refused: null
		};
		// Not waited for: a slow storage holds up no hand.
		const written = this.#write(letter);
		this.#onTheWay = [...this.#onTheWay, id];
		try {
			if (this.#waiting.length > 0) await this.flush();
			// What waits for somebody else stands in nobody's way.
			if (!this.#waiting.some((one) => !this.isOfAnother(one))) {
				const result = await postCommand<K>(
					{ ...draft, id },
					{
						byId: by?.isUntold ? by.id : null,
						patienceMs: PATIENCE_MS
					}
				);
				if (result.outcome !== 'not-reached') {
					// A page beside this one may have found it, and think that it waits.
					this.#say({ kind: 'answered', id });
					void written.then(() => this.#erase(id));
					return result;
				}
			}
		} finally {
			this.#onTheWay = this.#onTheWay.filter((one) => one !== id);
		}
		this.#show(letter);
		void written.then(() => this.#say({ kind: 'kept' }));
		this.retries.add(this.#again);
		return { outcome: 'kept-here', id };
	}

	/** Sends everything that waits, in order; true when nothing waits any more. */
	flush(): Promise<boolean> {
		this.#flushing ??= this.#sendAll().finally(() => {
			this.#flushing = null;
		});
		return this.#flushing;
	}

	/** Has the page tell what arrived; not waited for, as what is tapped next goes at once. */
	#readArrived(): void {
		void this.#readSent().then((isRead) => isRead || this.retries.add(this.#readSent));
	}

	readonly #readSent = async (): Promise<boolean> => {
		const ids = this.#arrived.map(({ id }) => id);
		if (!(await this.onSent())) return false;
		this.#arrived = this.#arrived.filter(({ id }) => !ids.includes(id));
		return true;
	};

	async #sendAll(): Promise<boolean> {
		let sent = 0;
		for (const letter of this.#waiting) {
			// Meanwhile another page may have sent it, or a hand said not to.
			if (this.#gone.includes(letter.id)) continue;
			const result = await postCommand<BenchCommand>(
				{ ...letter.draft, id: letter.id },
				{ byId: letter.byId, patienceMs: PATIENCE_MS }
			);
			if (result.outcome === 'not-reached') {
				if (this.isOfAnother(letter)) continue;
				break;
			}
			sent += 1;
			const told = this.#toTell(result);
			if (told === null) {
				this.#arrive(letter);
				this.#crossOut({ kind: 'answered', id: letter.id });
			} else this.#keep({ ...letter, refused: told });
		}
		if (sent > 0) this.#readArrived();
		return this.#waiting.length === 0;
	}

	/** What has to be told of an answer that came late; null where it was taken as it was. */
	#toTell(result: CommandOutcome<BenchCommand>): string | null {
		if (result.outcome === 'refused') return refusalText(result.refusal);
		const { answer } = result;
		// The same was tapped elsewhere meanwhile, at another time or by others.
		return answer && 'already' in answer && answer.already
			? tappedAlreadyText(answer.already, this.timeZone())
			: null;
	}

	/** Whether somebody else did it than who is here now: it may have to wait for them. */
	isOfAnother(letter: Letter): boolean {
		return letter.byId !== null && letter.byId !== this.by()?.id;
	}

	/** It shall not be sent after all, or its refusal was read. */
	discard(id: string): void {
		this.#crossOut({ kind: 'discarded', id });
	}

	#crossOut(word: Exclude<Word, { readonly kind: 'kept' }>): void {
		this.#leave(word.id);
		this.#say(word);
		void this.#erase(word.id);
	}

	#leave(id: string): void {
		this.#gone = [...this.#gone, id];
		this.letters = this.letters.filter((letter) => letter.id !== id);
	}

	#say(word: Word): void {
		this.#channel?.postMessage(word);
	}

	/** What another page of this browser says. What it sent is shown here too until this page tells it. */
	#hear(word: Word): void {
		if (word.kind !== 'answered' && word.kind !== 'discarded') {
			// A page of another version may say it in other words.
			this.#lookUntilRead();
			return;
		}
		const letter = this.letters.find(({ id }) => id === word.id);
		this.#leave(word.id);
		if (!letter || word.kind === 'discarded') return;
		this.#arrive(letter);
		this.#readArrived();
	}

	/** Once, though two pages sent it: what is told twice would be counted twice. */
	#arrive(letter: Letter): void {
		this.#arrived = [...this.#arrived.filter(({ id }) => id !== letter.id), letter];
	}

	get #waiting(): readonly Letter[] {
		return this.letters.filter((letter) => letter.refused === null);
	}

	#show(letter: Letter): void {
		const others = this.letters.filter(({ id }) => id !== letter.id);
		this.letters = [...others, letter].sort((a, b) => a.place - b.place);
	}

	#keep(letter: Letter): void {
		this.#show(letter);
		void this.#write(letter).then(() => this.#say({ kind: 'kept' }));
	}

	/**
	 * Reads what stands in the storage, of other pages too. What this page knows of and does not find there still waits: somebody may
	 * have emptied it, or it was never taken.
	 */
	async #look(): Promise<boolean> {
		const store = await this.#store;
		try {
			if (!store) return true;
			const kept = await store.all();
			if (!kept) return false;
			const ids = kept.letters.map(({ id }) => id);
			const onlyHere = [...this.letters, ...this.#unwritten].filter(
				({ id }, at, all) => !ids.includes(id) && all.findIndex((one) => one.id === id) === at
			);
			this.letters = [...kept.letters, ...onlyHere]
				.filter(({ id }) => !this.#onTheWay.includes(id) && !this.#gone.includes(id))
				.sort((a, b) => a.place - b.place);
			if (kept.unread > 0) this.trouble = 'unread';
		} catch {
			this.trouble = 'keeps-nothing';
		}
		return true;
	}

	/** Looks again where what was kept could not be read for want of what reads it, and sends it. */
	readonly #lookAgain = async (): Promise<boolean> =>
		(await this.#look()) && (this.#waiting.length === 0 || (await this.flush()));

	/** What another page wrote down is sent by this one too: that one may be closed before there is a network again. */
	#lookUntilRead(): void {
		void this.#look().then((isRead) => {
			if (!isRead) this.retries.add(this.#lookAgain);
			else if (this.#waiting.length > 0) this.retries.add(this.#again);
		});
	}

	/** Letters that the storage did not take. */
	#unwritten: readonly Letter[] = [];

	async #write(letter: Letter): Promise<void> {
		this.#unwritten = this.#unwritten.filter(({ id }) => id !== letter.id);
		try {
			const store = await this.#store;
			if (!store) {
				// What opens the storage could not be fetched, as where the server went while the page came: the next page finds it.
				localStorage.setItem(`${LOOSE_LETTERS}${letter.id}`, JSON.stringify(letter));
				throw new Error('no storage');
			}
			await store.put(letter);
		} catch (error) {
			this.#unwritten = [...this.#unwritten, letter];
			const isFull = error instanceof DOMException && error.name === 'QuotaExceededError';
			this.trouble = isFull ? 'full' : 'keeps-nothing';
		}
	}

	async #erase(id: string): Promise<void> {
		this.#unwritten = this.#unwritten.filter((letter) => letter.id !== id);
		try {
			localStorage.removeItem(`${LOOSE_LETTERS}${id}`);
			await (await this.#store)?.delete(id);
		} catch {
			// It is sent once more then, under the same id, and taken once all the same.
		}
	}

	/** What waits must stand in the storage: somebody may have emptied it, or made room in it. */
	async #lookAfterStorage(): Promise<void> {
		try {
			const unwritten = this.#unwritten.map(({ id }) => id);
			const wasEmptied = await (await this.#store)?.mend(this.letters, unwritten);
			if (wasEmptied === undefined) return;
			this.#unwritten = [];
			if (wasEmptied) this.trouble = 'was-emptied';
			else if (this.trouble === 'full') this.trouble = null;
		} catch {
			this.trouble ??= 'keeps-nothing';
		}
	}
}
