import type { z } from 'zod';

/** What reads something that was kept; it is fetched only where something was. */
export type SchemaOf<T> = () => Promise<z.ZodType<T>>;

/** One place in this browser's storage, for what is typed and not saved yet. */
export class KeptHere<T> {
	constructor(
		private readonly place: string,
		private readonly schema: SchemaOf<T>
	) {}

	/** What is kept; null where nothing is, or nothing that can be read. */
	async read(): Promise<T | null> {
		try {
			const text = localStorage.getItem(this.place);
			if (text === null) return null;
			await import('./schemas-without-eval.ts');
			const schema = await this.schema();
			const parsed = schema.safeParse(JSON.parse(text));
			return parsed.success ? parsed.data : null;
		} catch {
			// Something else wrote there, or storage is switched off.
			return null;
		}
	}

	/** Keeps it; a full or switched-off storage must not stop the work. */
	keep(value: T): void {
		try {
			localStorage.setItem(this.place, JSON.stringify(value));
		} catch {
			// What is typed stays on the page.
		}
	}

	forget(): void {
		try {
			localStorage.removeItem(this.place);
		} catch {
			// Nothing was kept then.
		}
	}
}
