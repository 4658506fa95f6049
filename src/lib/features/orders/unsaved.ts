import type { z } from 'zod';
import { KeptHere } from '../../client/kept-here.ts';
import type { unsavedSchema } from './unsaved-schema.ts';

type Unsaved = z.infer<typeof unsavedSchema>;

/** Numbers that were typed and not saved, kept in the browser until it is. */
export class UnsavedNumbers {
	readonly #kept: KeptHere<Unsaved>;
	/** What was kept when the page was opened, and what was typed since. */
	#all: Unsaved = {};

	constructor(keptAs: string) {
		this.#kept = new KeptHere(
			`jovet.orders.unsaved.${keptAs}`,
			async () => (await import('./unsaved-schema.ts')).unsavedSchema
		);
	}

	async read(): Promise<
		readonly (readonly [key: string, { readonly text: string; readonly version: number }])[]
	> {
		const before = (await this.#kept.read()) ?? {};
		// What was typed while that was read is newer.
		this.#all = { ...before, ...this.#all };
		return Object.entries(before);
	}

	keep(key: string, text: string, version: number): void {
		this.#all = { ...this.#all, [key]: { text, version } };
		this.#kept.keep(this.#all);
	}

	forget(key: string): void {
		if (!(key in this.#all)) return;
		const { [key]: _, ...rest } = this.#all;
		this.#all = rest;
		if (Object.keys(rest).length === 0) this.#kept.forget();
		else this.#kept.keep(rest);
	}
}
