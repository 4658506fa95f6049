import { DraftModel } from '../client/draft-model.svelte.ts';
import { KeptHere, type SchemaOf } from '../client/kept-here.ts';
import type { Retries } from '../client/retries.ts';

/** Something of the book that is edited as the content of the command that saves it. */
export class Edited<T extends object> extends DraftModel<T> {
	readonly #kept: KeptHere<T>;

	constructor(saved: T, place: string, schema: SchemaOf<T>, retries: Retries) {
		const storage = new KeptHere(place, schema);
		const text = JSON.stringify(saved);
		super(
			saved,
			{
				isChanged: (value) => JSON.stringify(value) !== text,
				keep: (value) => storage.keep(value),
				forget: () => storage.forget()
			},
			retries
		);
		this.#kept = storage;
	}

	set(change: Partial<T>): void {
		this.take({ ...this.value, ...change });
	}

	/** Brings back what was kept; true when there was something, and nothing was typed meanwhile. */
	async bringBack(): Promise<boolean> {
		const storage = await this.#kept.read();
		if (storage === null || this.changed) return false;
		this.restore(storage);
		return true;
	}
}
