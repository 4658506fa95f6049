import { EditSteps } from './edit-steps.svelte.ts';
import { Sending } from './sending.svelte.ts';
import type { Retries } from './retries.ts';

/** How a draft stands to what is saved, and where it is kept until it is. */
export interface DraftPlace<T> {
	readonly isChanged: (value: T) => boolean;
	readonly keep: (value: T) => void;
	readonly forget: () => void;
}

/**
 * Something that is edited as a whole: every change is a new value, so that undo is a step back, and what is
 * not saved yet is kept in the browser. Made while a component is set up.
 */
export class DraftModel<T> {
	#value: T = $state.raw() as T;
	readonly #steps = new EditSteps<{ readonly before: T; readonly after: T }>();
	readonly sending: Sending;

	constructor(
		saved: T,
		private readonly place: DraftPlace<T>,
		retries: Retries
	) {
		this.#value = saved;
		this.sending = new Sending(retries);
	}

	/** Brings back what was kept, as a step that can be undone. */
	restore(kept: T): void {
		this.#steps.push({ before: this.#value, after: kept });
		this.#value = kept;
	}

	get value(): T {
		return this.#value;
	}

	get changed(): boolean {
		return this.place.isChanged(this.#value);
	}

	get canUndo(): boolean {
		return this.#steps.last !== null;
	}

	get canRedo(): boolean {
		return this.#steps.next !== null;
	}

	take(value: T): void {
		this.#steps.push({ before: this.#value, after: value });
		this.#show(value);
	}

	undo(): void {
		const step = this.#steps.back();
		if (step) this.#show(step.before);
	}

	redo(): void {
		const step = this.#steps.forth();
		if (step) this.#show(step.after);
	}

	/** It is saved: nothing has to be kept. */
	forget(): void {
		this.place.forget();
	}

	#show(value: T): void {
		this.#value = value;
		// A save that did not arrive was of what stood then.
		this.sending.giveUp();
		if (this.changed) this.place.keep(value);
		else this.place.forget();
	}
}
