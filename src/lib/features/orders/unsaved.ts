import { z } from 'zod';
import { KeptHere } from '../../client/kept-here.ts';

/** A number of the grid that was typed and not saved, and the version of the line it was typed over. */
const unsavedSchema = z.record(z.string(), z.object({ text: z.string(), version: z.int().min(0) }));

/** What was typed for a date and not saved, kept in the browser until it is. */
export class UnsavedNumbers {
	readonly #kept: KeptHere<z.infer<typeof unsavedSchema>>;

	constructor(date: string) {
		this.#kept = new KeptHere(`jovet.orders.unsaved.${date}`, unsavedSchema);
	}

	read(): readonly (readonly [key: string, { readonly text: string; readonly version: number }])[] {
		return Object.entries(this.#kept.read() ?? {});
	}

	keep(key: string, text: string, version: number): void {
		this.#kept.keep({ ...this.#kept.read(), [key]: { text, version } });
	}

	forget(key: string): void {
		const all = this.#kept.read();
		if (!all || !(key in all)) return;
		const { [key]: _, ...rest } = all;
		if (Object.keys(rest).length === 0) this.#kept.forget();
		else this.#kept.keep(rest);
	}
}
