import type { z } from 'zod';

/** How many steps back are kept. */
const MOST_UNDO = 200;

/**
 * Something that is edited as a whole: every change is a new value, so that undo is a step back, and what
 * is not saved yet is kept in the browser under its place until it is.
 */
export class Edited<T> {
	#past: readonly T[] = $state.raw([]);
	#future: readonly T[] = $state.raw([]);
	#value: T = $state.raw() as T;

	constructor(
		private readonly saved: T,
		private readonly place: string,
		private readonly schema: z.ZodType<T>
	) {
		this.#value = saved;
	}

	/** Brings back what was kept; true when there was something. */
	restore(): boolean {
		try {
			const text = localStorage.getItem(this.place);
			const kept = this.schema.safeParse(text === null ? null : JSON.parse(text));
			if (!kept.success) return false;
			this.#past = [this.#value];
			this.#value = kept.data;
			return true;
		} catch {
			// Something else wrote there, or storage is switched off.
			return false;
		}
	}

	get value(): T {
		return this.#value;
	}

	get changed(): boolean {
		return JSON.stringify(this.#value) !== JSON.stringify(this.saved);
	}

	get canUndo(): boolean {
		return this.#past.length > 0;
	}

	get canRedo(): boolean {
		return this.#future.length > 0;
	}

	set(change: Partial<T>): void {
		this.#past = [...this.#past.slice(1 - MOST_UNDO), this.#value];
		this.#future = [];
		this.#show({ ...this.#value, ...change });
	}

	undo(): void {
		const before = this.#past.at(-1);
		if (before === undefined) return;
		this.#future = [this.#value, ...this.#future];
		this.#past = this.#past.slice(0, -1);
		this.#show(before);
	}

	redo(): void {
		const [after, ...rest] = this.#future;
		if (after === undefined) return;
		this.#past = [...this.#past, this.#value];
		this.#future = rest;
		this.#show(after);
	}

	forget(): void {
		try {
			localStorage.removeItem(this.place);
		} catch {
			// Nothing was kept then.
		}
	}

	#show(value: T): void {
		this.#value = value;
		try {
			if (this.changed) localStorage.setItem(this.place, JSON.stringify(value));
			else localStorage.removeItem(this.place);
		} catch {
			// A full or switched-off storage must not stop the work.
		}
	}
}
