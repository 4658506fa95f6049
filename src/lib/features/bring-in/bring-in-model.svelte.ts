import { SvelteMap } from 'svelte/reactivity';
import type { BookRead } from '../../contracts/book-problems.ts';
import type { OurBook, OurMaterial } from '../../contracts/bring-in-views.ts';
import type { IngredientKind } from '../../core/formula/index.ts';
import { bringInPlan } from '../../formats/book/bring-in-plan.ts';
import type { BringInPlan, Brought, UnknownName } from '../../formats/book/brought.ts';
import type { BringInReply } from '../../formats/book/protocol.ts';
import { bookFailureText } from '../../wording/bring-in-text.ts';
import { KeptIds } from './kept-ids.ts';
import type { BringInReader } from '../../workers/start-bring-in-worker.ts';

type NameChoice = { readonly ours: OurMaterial } | { readonly asNew: IngredientKind };

/** A file that was read, as it stands. */
interface ReadFile extends BookRead {
	readonly name: string;
	readonly linesAlone: boolean;
}

/** One file on its way into the book: read beside the page, held against what is there, decided, and only then taken. */
export class BringInModel {
	read: ReadFile | null = $state.raw(null);
	message = $state('');
	/** How far the reading is, as a share; null while nothing is read, or it cannot be told. */
	progress: number | null = $state(null);
	reading = $state(false);
	readonly names = new SvelteMap<string, NameChoice>();
	readonly clashes = new SvelteMap<string, { readonly as: string } | 'ours'>();
	#bytes: Uint8Array | null = null;
	#fileName = '';
	#turn = 0;
	#reader: BringInReader | null = null;
	readonly #ids = new KeptIds();
	/** The names that were decided, as the file writes them. */
	readonly #written = new SvelteMap<string, string>();

	constructor(private readonly ours: () => OurBook) {}

	readonly plan: BringInPlan | null = $derived.by(() =>
		this.read
			? bringInPlan(
					this.read,
					this.ours(),
					{ names: this.names, clashes: this.clashes },
					(of, key) => this.#ids.of(of, key),
					this.read.linesAlone
				)
			: null
	);

	async open(chosen: File | undefined): Promise<void> {
		this.leave();
		if (!chosen) return;
		const { MOST_BOOK_BYTES } = await import('../../formats/book/read-book.ts');
		if (chosen.size > MOST_BOOK_BYTES) {
			this.message = bookFailureText(chosen.name, {
				kind: 'too-large',
				mostBytes: MOST_BOOK_BYTES
			});
			return;
		}
		this.#bytes = new Uint8Array(await chosen.arrayBuffer());
		this.#fileName = chosen.name;
		await this.#readAgain();
	}

	/** What an unknown name is: one of ours, a new ingredient of a kind, or nothing yet. */
	async decide(
		{ key, name }: Pick<UnknownName, 'key' | 'name'>,
		choice: NameChoice | null
	): Promise<void> {
		this.#written.set(key, name);
		if (choice) this.names.set(key, choice);
		else this.names.delete(key);
		// What a name is changes what is flour, and what a cup of it weighs.
		await this.#readAgain();
	}

	/** A name that was decided, as the file writes it. */
	writtenAs(key: string): string {
		return this.#written.get(key) ?? key;
	}

	settle(of: Brought, key: string, choice: { readonly as: string } | 'ours'): void {
		this.clashes.set(`${of} ${key}`, choice);
	}

	leave(): void {
		this.#turn += 1;
		this.#bytes = null;
		this.read = null;
		this.message = '';
		this.reading = false;
		this.progress = null;
		this.names.clear();
		this.clashes.clear();
		this.#ids.forget();
	}

	close(): void {
		this.#reader?.stop();
		this.#reader = null;
	}

	async #readAgain(): Promise<void> {
		const bytes = this.#bytes;
		if (!bytes) return;
		this.#turn += 1;
		const turn = this.#turn;
		this.reading = true;
		this.progress = null;
		if (!this.#reader) {
			const { startBringInReader } = await import('../../workers/start-bring-in-worker.ts');
			this.#reader = startBringInReader(
				(reply) => this.#take(reply),
				() => this.#broken()
			);
		}
		if (turn !== this.#turn) return;
		const ours = this.ours();
		this.#reader.read({
			turn,
			bytes,
			name: this.#fileName,
			ours,
			matches: [
				...ours.matched.map((one) => [one.key, { is: one.is, id: one.id }] as const),
				...[...this.names].flatMap(([key, choice]) =>
					'ours' in choice ? [[key, choice.ours] as const] : []
				)
			],
			kinds: [...this.names].flatMap(([key, choice]) =>
				'asNew' in choice ? [{ name: this.#written.get(key) ?? key, kind: choice.asNew }] : []
			)
		});
	}

	#take(reply: BringInReply): void {
		if (reply.turn !== this.#turn) return;
		if (reply.kind === 'progress') {
			this.progress = reply.all > 0 ? reply.done / reply.all : null;
			return;
		}
		this.reading = false;
		this.progress = null;
		if (reply.read.ok) {
			this.message = '';
			this.read = {
				name: this.#fileName,
				...reply.read.value,
				linesAlone: reply.linesAlone
			};
		} else {
			this.read = null;
			this.message = bookFailureText(this.#fileName, reply.read.error);
		}
	}

	#broken(): void {
		this.close();
		this.reading = false;
		this.message = `${this.#fileName} could not be read. Choose it once more.`;
	}
}
